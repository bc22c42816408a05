import type { Evidence, RatePrior, ZeroSpanMark } from '../coach';
import type { Gauge } from '../gauge';
import type { Positions } from '../plant';
import type { AdjusterSpec, AnyPlate, HouseRules, PhotoSubject, Target } from '../valve';
import type { EarlyEnd, EndReason, PlateValue } from './core-events';
import type { Procedure } from './procedure';
import type { Reading, Watched } from './reading';
import {
  emptyRecord,
  type EntryOf,
  type RecordOf,
  type Step,
  type StepKind,
  type StepOf,
  type StepRecord,
} from './shapes';
import type { GaugeRole, Purpose } from './step';

export type TakenReading = {
  readonly eventId: string;
  readonly stepId: string;
  readonly role: GaugeRole;
  readonly purpose: Purpose;
  /** The adjuster that its step is about. */
  readonly adjuster: string | undefined;
  readonly reading: Reading;
  readonly settled: boolean;
  readonly atMs: number;
  readonly elapsed: number | undefined;
  /** What the gauge said since the reading before, of a record over time. */
  readonly between: readonly Watched[] | undefined;
};

export type OpenEnd = {
  readonly id: string;
  readonly say: string;
  readonly putBack: string;
  readonly restores: Positions;
  readonly state: 'open' | 'closed' | 'left';
  readonly reason?: string;
  readonly madeAtMs: number;
};

/** A turn or a settled reading while setting, in the order they happened: what the coach learns from. */
export type SettingMark =
  | {
      readonly kind: 'turned';
      readonly eventId: string;
      readonly turns: number;
      readonly atMs: number;
    }
  | {
      readonly kind: 'read';
      readonly eventId: string;
      readonly pressure: number;
      readonly inControl: boolean;
      readonly atMs: number;
    };

/** How a run began: what was frozen of plate, targets, gauges and rules. */
export type StartOfRun = {
  readonly run_id: string;
  readonly at_ms: number;
  readonly lamport: number;
  readonly plate: AnyPlate;
  readonly target: Target;
  readonly other_targets?: Readonly<Record<string, Target>> | undefined;
  readonly school: string;
  readonly gauges: Readonly<Partial<Record<GaugeRole, Gauge>>>;
  readonly house_rules: HouseRules;
  /** First guess of each adjuster’s rate, by its id. */
  readonly priors: Readonly<Record<string, RatePrior>>;
};

/** What a plate was found to say, and what the register had. Null where it says nothing. */
export type PlateCorrection = {
  readonly facts: readonly {
    readonly path: string;
    readonly was: PlateValue;
    readonly is: PlateValue;
  }[];
  readonly why: string;
  readonly by: string;
  readonly atMs: number;
};

/** A picture that was taken in the work, and the reading that it shows. */
export type RunPicture = {
  /** SHA-256 of its file as it left the phone. */
  readonly picture: string;
  readonly shows: PhotoSubject;
  readonly stepId: string;
  readonly reading: string | undefined;
  readonly by: string;
  readonly atMs: number;
};

/** A run that went from one hand to another, with what stood open just then. */
export type Handover = {
  readonly from: string;
  readonly to: string;
  readonly atMs: number;
  readonly words?: string;
  readonly openEnds: readonly string[];
};

/**
 * A run as its entries have left it. What one kind of step keeps is its record, by the step's id; what
 * crosses from one step to another crosses through the timeline: readings, marks, answers.
 */
export type RunState = {
  readonly id: string;
  readonly started: StartOfRun;
  readonly procedure: Procedure;
  readonly adjusters: readonly AdjusterSpec[];
  readonly steps: readonly Step[];
  readonly status: 'open' | 'paused' | 'abandoned' | 'signed';
  readonly done: Readonly<Record<string, number>>;
  readonly skipped: Readonly<Record<string, string>>;
  readonly records: Readonly<Record<string, StepRecord>>;
  readonly readings: readonly TakenReading[];
  /** Turns and settled readings by adjuster. */
  readonly marks: Readonly<Record<string, readonly SettingMark[]>>;
  /** Errors at the spots of a linkage, and turns of its screws, as they happened. */
  readonly linkage: readonly ZeroSpanMark[];
  readonly observed: Evidence & Readonly<Record<string, string | undefined>>;
  readonly measured: Readonly<Record<string, number>>;
  readonly directions: Readonly<Record<string, 'raises' | 'lowers'>>;
  /** Colours of springs that were changed, by adjuster. */
  readonly springs: Readonly<Record<string, string>>;
  readonly openEnds: readonly OpenEnd[];
  readonly positions: Positions;
  readonly pictures: readonly RunPicture[];
  readonly notes: readonly { readonly text: string; readonly atMs: number }[];
  /** What was corrected of the plate that it began with; `started` holds the corrected one. */
  readonly plateCorrections: readonly PlateCorrection[];
  readonly gauges: StartOfRun['gauges'];
  /** Gauges that were taken off in the middle of it: readings before that are theirs. */
  readonly formerGauges: readonly Gauge[];
  /** Who gave it to whom, the oldest first. */
  readonly handovers: readonly Handover[];
  readonly signed: EntryOf<'signed'> | undefined;
  /** Why the valve has gone out of service; undefined while it has not. */
  readonly condemned: { readonly stepId: string; readonly reason: string } | undefined;
  /** How the work was ended before its setting was proved; undefined while it was not. */
  readonly ended:
    { readonly outcome: EarlyEnd; readonly why: EndReason; readonly reason: string } | undefined;
  readonly abandonedBecause: string | undefined;
  readonly lastAtMs: number;
  readonly lamport: number;
  readonly eventCount: number;
};

/** What has been kept of a step so far. */
export function recordOf<K extends StepKind>(
  run: Pick<RunState, 'records'>,
  step: { readonly id: string; readonly kind: K },
): RecordOf<K> {
  const found = run.records[step.id];
  return found?.kind === step.kind ? (found as RecordOf<K>) : emptyRecord(step.kind);
}

export const isOfKind = <K extends StepKind>(
  step: Step,
  kind: K,
): step is Extract<Step, { kind: K }> => step.kind === kind;

/** Steps of one kind that a run goes through, in order. */
export const stepsOfKind = <K extends StepKind>(
  { steps }: Pick<RunState, 'steps'>,
  kind: K,
): readonly StepOf<K>[] =>
  steps.filter((step) => step.kind === kind) as unknown as readonly StepOf<K>[];

/** The step with an id, when it is of this kind. */
export function stepOfKind<K extends StepKind>(
  run: Pick<RunState, 'steps'>,
  kind: K,
  id: string,
): StepOf<K> | undefined {
  return stepsOfKind(run, kind).find((step) => step.id === id);
}

export const openEndsOf = (run: Pick<RunState, 'openEnds'>): readonly OpenEnd[] =>
  run.openEnds.filter(({ state }) => state === 'open');

/** The gauge that a step looks at; undefined where it looks at none. */
export const roleOf = (step: Step | undefined): GaugeRole | undefined =>
  step && 'role' in step ? step.role : undefined;
