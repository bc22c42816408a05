import type { ZeroSpanMark } from '../coach';
import type { Positions } from '../plant';
import type { GuardState, KindGuardName } from './guard-names';
import type { Hand } from './hand';
import type { Prompt, Seen } from './prompt';
import type { Proof } from './proof';
import type { RunState, SettingMark } from './run-state';
import type { EntryDraft, EntryOf, RecordOf, StepEvent, StepKind, StepOf } from './shapes';

/** What an entry of a step comes to: its record anew, and what crosses to others. */
export type Folded<R> = {
  readonly record: R;
  /** Marks for the coach of an adjuster. */
  readonly marks?: readonly { readonly adjuster: string; readonly mark: SettingMark }[];
  readonly linkage?: readonly ZeroSpanMark[];
  /** What moves on the line. */
  readonly moves?: readonly Positions[];
  /** The spring that an adjuster has now. */
  readonly spring?: { readonly adjuster: string; readonly colour: string };
  /** The step is behind. */
  readonly passes?: boolean;
  /** What the step makes is open from now on. */
  readonly opens?: boolean;
};

/** Why a kind will not take an entry. */
export type StepRefusal =
  | { readonly code: 'run.purge_first' }
  | { readonly code: 'run.lights_spent'; readonly most: number }
  | { readonly code: 'run.point_twice'; readonly at: number; readonly direction: 'up' | 'down' }
  /** A figure that the log beside it does not show, Pa. */
  | { readonly code: 'run.not_in_log'; readonly figure: number };

/** What a kind of step does: with its entries, before it may be confirmed, in a hand. */
export type StepBehaviour<K extends StepKind> = {
  /** Whether it may be left out with a reason. */
  readonly maySkip: boolean;
  /** What it makes is opened by an entry of its own, not by its confirmation. */
  readonly opensByEntry?: true;
  /** What it proves of the valve, as far as it was taken; each is owed by every run that has the step. */
  readonly proves?: (run: RunState, step: StepOf<K>) => readonly Proof[];
  readonly fold?: (
    run: RunState,
    step: StepOf<K>,
    event: StepEvent,
  ) => Folded<RecordOf<K>> | undefined;
  /** What an answer that was given anywhere tells its record. */
  readonly hear?: (record: RecordOf<K>, answer: EntryOf<'observed'>) => RecordOf<K>;
  readonly refuses?: (run: RunState, step: StepOf<K>, draft: EntryDraft) => StepRefusal | undefined;
  /** What has still to hold before it may be confirmed, and whether it does. */
  readonly asks?: (
    run: RunState,
    step: StepOf<K>,
  ) => GuardState & { readonly guard: KindGuardName };
  /** What the person is asked now; a confirmation where it is not said. */
  readonly prompt?: (run: RunState, step: StepOf<K>, seen: Seen) => Prompt;
  /** What an entry moves on the line, for a twin that lives through it again. */
  readonly moves?: (step: StepOf<K>, event: StepEvent) => readonly Positions[];
  /** Carries it out with the hand it is given; false when it cannot go on. */
  readonly carryOut: (hand: Hand, step: StepOf<K>) => boolean;
};

/** Confirms a step and goes on. */
export function confirm(hand: Hand, step: { readonly id: string }): true {
  hand.add({ type: 'step_done', step_id: step.id });
  return true;
}
