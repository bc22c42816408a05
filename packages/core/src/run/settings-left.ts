import { lineDensityOf } from '../family';
import { resultUncertainty, settingUncertainty, type UncertaintyPart } from '../gauge';
import { deviation } from '../prove';
import {
  allCycles,
  captureCycles,
  countView,
  crackedIn,
  lastReading,
  marksOf,
  stepsOfKind,
  switchCycles,
} from '../step';
import { hasContact, judgementOf, type AdjusterSpec, type SwitchBand } from '../valve';
import type { Run } from './run';

/** How the figure that is left was come by. */
export type LeftMethod = 'by_reading' | 'by_pressure' | 'by_count';
export type SettingLeft = {
  readonly spec: AdjusterSpec;
  readonly asFound: number | null;
  readonly asLeft: number;
  readonly uncertainty: number;
  /** What the uncertainty is made of; runs that were begun before were not told. */
  readonly parts?: readonly UncertaintyPart[];
  readonly method: LeftMethod;
};

/** Whether this run comes to a setting at all: a shut-down, a condemned valve, work ended early do not. */
export const leavesSetting = (run: Run): boolean =>
  run.condemned === undefined && run.ended === undefined && schoolOf(run)?.leaves !== 'sequence';

export const schoolOf = (run: Run) =>
  run.procedure.schools.find(({ id }) => id === run.started.school);

/** What every adjuster of the run was left at, as far as it has come. */
export const settingsLeft = (run: Run): readonly SettingLeft[] =>
  run.adjusters.flatMap((spec) => {
    const left = leftOf(run, spec);
    if (!left) return [];
    const asFound =
      lastReading(run, 'as_found', spec.id)?.reading.si ??
      run.measured[`as_found_${spec.id}`] ??
      crackedIn(run, 'as_found', spec.id) ??
      switchedAsFound(run, spec.id) ??
      null;
    return [{ spec, asFound, ...left }];
  });

function switchedAsFound(run: Run, adjuster: string): number | undefined {
  const seen = switchReadings(run, 'as_found', adjuster);
  return seen.length === 0 ? undefined : meanOf(seen);
}

function leftOf(run: Run, spec: AdjusterSpec): Omit<SettingLeft, 'spec' | 'asFound'> | undefined {
  const { id } = spec;
  const read = lastReading(run, 'as_left', id);
  if (read) {
    const { si } = read.reading;
    return { asLeft: si, ...doubtOf(run, spec, { at: si }), method: 'by_reading' };
  }
  const switched = switchReadings(run, 'as_left', id);
  if (switched.length > 0) {
    const at = meanOf(switched);
    return {
      asLeft: at,
      ...doubtOf(run, spec, { at, cycles: switched }),
      method: 'by_pressure',
    };
  }
  const cracked = crackedIn(run, 'as_left', id);
  if (cracked !== undefined)
    return {
      asLeft: cracked,
      ...doubtOf(run, spec, { at: cracked, ...crackingDoubts(run, id) }),
      method: 'by_pressure',
    };
  const count = stepsOfKind(run, 'count').find(({ adjuster }) => adjuster === id);
  if (!count || !(count.id in run.done)) return undefined;
  const { result, uncertainty } = countView(run, count);
  return result === undefined ? undefined : { asLeft: result, uncertainty, method: 'by_count' };
}

type Doubts = {
  /** Where it was left, Pa. */
  readonly at?: number;
  readonly cycles?: readonly number[];
  readonly byEye?: boolean;
};

/** How sure a figure is; a run that was begun before knows of its gauge alone. */
function doubtOf(
  { gauges, started }: Run,
  { role }: AdjusterSpec,
  { at, cycles = [], byEye = false }: Doubts = {},
): Pick<SettingLeft, 'uncertainty' | 'parts'> {
  const gauge = gauges[role];
  if (!gauge) return { uncertainty: 0 };
  if (started.sheet_version !== 3) return { uncertainty: resultUncertainty(gauge, at) };
  const judgement = judgementOf(started.house_rules);
  const { expanded, parts } = settingUncertainty(gauge, {
    at,
    cycles: cycles.length > 1 ? { deviation: deviation(cycles), count: cycles.length } : undefined,
    lineDensity: lineDensityOf(started.plate),
    heightKnown: judgement.height_known_m,
    byEye: byEye ? judgement.eye_divisions : 0,
  });
  return { uncertainty: expanded, parts };
}

/** The cycles in which it was proved repeat as it does; the eye that caught them counts unless a log did. */
function crackingDoubts(run: Run, adjuster: string): Doubts {
  const steps = stepsOfKind(run, 'capture').filter((step) => step.adjuster === adjuster);
  const proving = steps.find(({ purpose }) => purpose === undefined);
  const left = steps.find(({ purpose }) => purpose === 'as_left');
  const marks = left ? marksOf(run, left.id) : [];
  return {
    cycles: proving ? captureCycles(run, proving.id).flatMap(({ cracked }) => cracked ?? []) : [],
    byEye: marks.some(({ source }) => source === 'marked'),
  };
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Scale or differential of a switch, Pa, as each of the cycles shows it that a purpose asked for. */
function switchReadings(
  run: Run,
  purpose: 'as_found' | 'as_left',
  adjuster: string,
): readonly number[] {
  const { plate } = run.started;
  const step = stepsOfKind(run, 'switching').find((each) => each.purpose === purpose);
  if (!step || !hasContact(plate)) return [];
  const bands = purpose === 'as_left' ? switchCycles(run, step.id) : allCycles(run, step.id);
  const of = ({ cutIn, cutOut }: SwitchBand) =>
    adjuster === 'differential' ? cutOut - cutIn : plate.scale === 'additive' ? cutIn : cutOut;
  return bands.map(of);
}
