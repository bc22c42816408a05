import type { Evidence, Light, ZeroSpanMark } from '../coach';
import type { CalPoint } from '../prove';
import type { RegisterKey } from '../device';
import type { StepSample } from '../tune';
import type { GaugeRole, Mark, Positions, Procedure, Purpose, Step } from '../procedure';
import type { EventOf, Reading } from './event';

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

/** A mark of a capture: where the valve was seen to crack, to flow full, to shut tight. */
export type CaptureMark = {
  readonly eventId: string;
  readonly mark: Mark;
  readonly cycle: number;
  readonly pressure: number;
  readonly source: 'marked' | 'log';
  readonly atMs: number;
};

/** A turn or a settled reading while setting, in the order they happened: what the coach learns from. */
export type SettingMark =
  | { readonly kind: 'turned'; readonly eventId: string; readonly turns: number; readonly atMs: number }
  | {
      readonly kind: 'read';
      readonly eventId: string;
      readonly pressure: number;
      readonly inControl: boolean;
      readonly atMs: number;
    };

/** A calibration point as it was taken; `output` in SI as entered, `share` of its span in the sense of the action. */
export type TakenPoint = Omit<CalPoint, 'output'> & {
  readonly eventId: string;
  readonly output: number;
  readonly share: number;
  readonly source: 'typed' | 'linked';
};

/** Where a switch was seen to make or to break, Pa. */
export type SwitchMark = {
  readonly eventId: string;
  readonly edge: 'cut_in' | 'cut_out';
  readonly cycle: number;
  readonly pressure: number;
  readonly atMs: number;
};
/** A try to light, in the order they were made; `purged` once the purge after a failed one has run. */
export type TriedLight = Light & { readonly eventId: string; readonly purged: boolean };

/** Output at one band of a sweep, Pa. */
export type SweptBand = {
  readonly eventId: string;
  readonly gain: number;
  readonly output: number;
  readonly atMs: number;
};

/** A register as it was left by a step, in its unit. */
export type HeldRegister = {
  readonly value: number;
  readonly source: 'typed' | 'linked';
  readonly atMs: number;
};

export type Run = {
  readonly id: string;
  readonly started: EventOf<'started'>;
  readonly procedure: Procedure;
  readonly steps: readonly Step[];
  readonly status: 'open' | 'paused' | 'abandoned' | 'signed';
  readonly done: Readonly<Record<string, number>>;
  readonly skipped: Readonly<Record<string, string>>;
  readonly cycles: Readonly<Record<string, number>>;
  readonly readings: readonly TakenReading[];
  readonly marks: Readonly<Record<string, readonly SettingMark[]>>;
  readonly captures: Readonly<Record<string, readonly CaptureMark[]>>;
  /** Calibration points by their step. */
  readonly points: Readonly<Record<string, readonly TakenPoint[]>>;
  /** Errors at the spots of a linkage, and turns of its screws, as they happened. */
  readonly linkage: readonly ZeroSpanMark[];
  readonly switchMarks: Readonly<Record<string, readonly SwitchMark[]>>;
  readonly lights: readonly TriedLight[];
  readonly sweeps: readonly SweptBand[];
  /** The step test taken last, as it was recorded. */
  readonly stepTest: readonly StepSample[];
  /** Registers by the step that wrote them. */
  readonly registers: Readonly<Record<string, Readonly<Partial<Record<RegisterKey, HeldRegister>>>>>;
  readonly stroke: Omit<EventOf<'stroked'>, keyof EventOf<'paused'>> | undefined;
  readonly selfTune: Omit<EventOf<'self_tuned'>, keyof EventOf<'paused'>> | undefined;
  /** A log that was dropped into a capture, as its chart shows it. */
  readonly logs: Readonly<Record<string, readonly (readonly [number, number])[]>>;
  readonly observed: Evidence & Readonly<Record<string, string | undefined>>;
  readonly measured: Readonly<Record<string, number>>;
  readonly directions: Readonly<Record<string, 'raises' | 'lowers'>>;
  readonly openEnds: readonly OpenEnd[];
  readonly positions: Positions;
  readonly notes: readonly { readonly text: string; readonly atMs: number }[];
  readonly gauges: EventOf<'started'>['gauges'];
  readonly signed: EventOf<'signed'> | undefined;
  /** Colours of springs that were changed, by adjuster. */
  readonly springs: Readonly<Record<string, string>>;
  /** Why the valve has gone out of service; undefined while it has not. */
  readonly condemned: { readonly stepId: string; readonly reason: string } | undefined;
  readonly abandonedBecause: string | undefined;
  readonly lastAtMs: number;
  readonly lamport: number;
  readonly eventCount: number;
};
