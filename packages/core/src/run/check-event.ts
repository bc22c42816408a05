import { inTurns } from '../quantity';
import { checkTurn, type TurnError } from '../coach';
import type { Gauge } from '../gauge';
import {
  ARM,
  offScale,
  openEndsOf,
  rangeArmOf,
  refusedBy,
  slideError,
  tableOf,
  unmetOf,
  type EntryDraft,
  type GuardOutcome,
  type SlideError,
  type StepRefusal,
} from '../step';
import { adjusterPlate, isInstrument } from '../valve';
import type { RunEventDraft } from './event';
import { writtenError, type WrittenError } from './as-written';
import type { Run } from './run';
import { plateError, type PlateError } from './plate-corrected';
import { lifeError, type LifeError } from './life';
import { leavesSetting, settingsLeft } from './settings-left';
import { isPassed } from './view';

/** Why an event may not join a run, or what has to be confirmed first (`asks`). */
export type EventError =
  | LifeError
  | WrittenError
  | { readonly code: 'run.started_twice'; readonly eventId: string }
  | { readonly code: 'run.open_ends_left'; readonly openEnds: readonly string[] }
  | { readonly code: 'run.steps_left'; readonly step: string }
  | { readonly code: 'run.guard_unmet'; readonly guard: GuardOutcome }
  | { readonly code: 'run.unknown_step'; readonly step: string }
  | { readonly code: 'run.unknown_adjuster'; readonly adjuster: string }
  | { readonly code: 'run.beyond_gauge'; readonly asks: true; readonly gauge: string }
  | { readonly code: 'run.negative_impossible' }
  | SlideError
  | { readonly code: 'run.no_such_reading' }
  | PlateError
  | { readonly code: 'run.sheet_has_no_as_left' }
  | { readonly code: 'run.not_as_found'; readonly adjuster: string }
  | StepRefusal
  | TurnError;

/** Checks an event against the run as it stands; undefined when it may be added. */
export function checkEvent(run: Run, draft: RunEventDraft): EventError | undefined {
  if (draft.type === 'started') return { code: 'run.started_twice', eventId: run.started.id };
  return (
    lifeError(run, draft) ??
    ownCheck(run, draft) ??
    kindCheck(run, draft) ??
    writtenError(run, draft) ??
    doubtOf(run, draft)
  );
}

function ownCheck(run: Run, draft: EntryDraft): EventError | undefined {
  switch (draft.type) {
    case 'turned':
      return turnError(run, draft.adjuster, draft.turns);
    case 'observed':
      return draft.key === 'range_arm' ? armError(run, draft.value) : undefined;
    case 'step_done':
    case 'locked': {
      const step = run.steps.find(({ id }) => id === draft.step_id);
      if (!step) return { code: 'run.unknown_step', step: draft.step_id };
      const unmet = unmetOf(run, step)[0];
      return unmet && { code: 'run.guard_unmet', guard: unmet };
    }
    case 'ended':
      return draft.outcome === 'left_as_found' ? movedError(run) : undefined;
    case 'pictured':
      return pictureError(run, draft.of_reading);
    case 'plate_corrected':
      return plateError(run, draft);
    case 'signed':
      return signingError(run);
    default:
      return undefined;
  }
}

/** What speaks against a turn, or against a slide where an arm takes the screw's place. */
function turnError(run: Run, adjuster: string, turns: number): EventError | undefined {
  if (!isKnown(run, adjuster)) return { code: 'run.unknown_adjuster', adjuster };
  const arm = adjuster === ARM ? rangeArmOf(run) : undefined;
  if (arm) return slideError(turns, arm);
  return checkTurn(
    inTurns(turns),
    inTurns(adjusterPlate(run.started.plate, adjuster).travel_turns),
  );
}

/** A picture that shows a reading shows one of this run. */
const pictureError = (run: Run, reading: string | undefined): EventError | undefined =>
  reading === undefined || run.readings.some(({ eventId }) => eventId === reading)
    ? undefined
    : { code: 'run.no_such_reading' };

/** A range arm stands at a figure of its scale. */
function armError(run: Run, value: string | number): EventError | undefined {
  const arm = rangeArmOf(run);
  return arm && offScale(Number(value), arm);
}

/** What the kind of its step has against an entry. */
function kindCheck(run: Run, draft: EntryDraft): EventError | undefined {
  if (!('step_id' in draft)) return undefined;
  const step = run.steps.find(({ id }) => id === draft.step_id);
  return step && refusedBy(run, step, draft);
}

/** A reading that looks odd on its gauge is asked about once. */
function doubtOf(run: Run, draft: EntryDraft): EventError | undefined {
  if (!('reading' in draft) || draft.reading.confirmed) return undefined;
  return readingDoubt(run.gauges[draft.role], draft.reading.si);
}

/** Why a run cannot be signed yet; undefined when it can. */
export function signingError(run: Run): EventError | undefined {
  const open = openEndsOf(run);
  if (open.length > 0) return { code: 'run.open_ends_left', openEnds: open.map(({ say }) => say) };
  const left = run.steps.find(({ id, kind }) => kind !== 'sign' && !isPassed(run, id));
  if (left) return { code: 'run.steps_left', step: left.say };
  const isLeft = isInstrument(run.started.plate)
    ? tableOf(run, 'as_left')?.result.ok
    : settingsLeft(run).length > 0;
  return leavesSetting(run) && !isLeft ? { code: 'run.sheet_has_no_as_left' } : undefined;
}

/** Least turn that is made on purpose. */
const A_TURN = 1 / 64;

/** A screw that was parked, has another spring, or stands turned from where it was, is not as found. */
function movedError(run: Run): EventError | undefined {
  const moved = run.adjusters.find(({ id }) => {
    const net = (run.marks[id] ?? []).reduce(
      (sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0),
      0,
    );
    return `adjuster_${id}` in run.positions || id in run.springs || Math.abs(net) >= A_TURN;
  });
  return moved && { code: 'run.not_as_found', adjuster: moved.name };
}

const isKnown = (run: Run, adjuster: string): boolean =>
  run.adjusters.some(({ id }) => id === adjuster);

/** What is odd about a value on this gauge: asked once, then believed. */
export function readingDoubt(gauge: Gauge | undefined, si: number): EventError | undefined {
  if (!gauge) return undefined;
  if (si < 0 && gauge.range_low_pa >= 0 && si < -gauge.resolution_pa)
    return { code: 'run.negative_impossible' };
  return si > gauge.range_high_pa || si < gauge.range_low_pa - gauge.resolution_pa
    ? { code: 'run.beyond_gauge', asks: true, gauge: gauge.tag }
    : undefined;
}
