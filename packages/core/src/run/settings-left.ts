import { resultUncertainty } from '../gauge';
import { allCycles, countView, crackedIn, lastReading, stepsOfKind, switchCycles } from '../step';
import { hasContact, type AdjusterSpec, type SwitchBand } from '../valve';
import type { Run } from './run';

/** How the figure that is left was come by. */
export type LeftMethod = 'by_reading' | 'by_pressure' | 'by_count';
export type SettingLeft = {
  readonly spec: AdjusterSpec;
  readonly asFound: number | null;
  readonly asLeft: number;
  readonly uncertainty: number;
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
      switchReading(run, 'as_found', spec.id) ??
      null;
    return [{ spec, asFound, ...left }];
  });

function leftOf(
  run: Run,
  { id, role }: AdjusterSpec,
): Omit<SettingLeft, 'spec' | 'asFound'> | undefined {
  const gauge = run.gauges[role];
  const read = lastReading(run, 'as_left', id);
  const base = gauge ? resultUncertainty(gauge) : 0;
  if (read) return { asLeft: read.reading.si, uncertainty: base, method: 'by_reading' };
  const switched = switchReading(run, 'as_left', id);
  if (switched !== undefined) return { asLeft: switched, uncertainty: base, method: 'by_pressure' };
  const cracked = crackedIn(run, 'as_left', id);
  if (cracked !== undefined) return { asLeft: cracked, uncertainty: base, method: 'by_pressure' };
  const count = stepsOfKind(run, 'count').find(({ adjuster }) => adjuster === id);
  if (!count || !(count.id in run.done)) return undefined;
  const { result, uncertainty } = countView(run, count);
  return result === undefined ? undefined : { asLeft: result, uncertainty, method: 'by_count' };
}

/** Scale or differential of a switch, Pa, as its cycles show them: the mean of those a purpose asked for. */
function switchReading(
  run: Run,
  purpose: 'as_found' | 'as_left',
  adjuster: string,
): number | undefined {
  const { plate } = run.started;
  const step = stepsOfKind(run, 'switching').find((each) => each.purpose === purpose);
  if (!step || !hasContact(plate)) return undefined;
  const bands = purpose === 'as_left' ? switchCycles(run, step.id) : allCycles(run, step.id);
  if (bands.length === 0) return undefined;
  const of = ({ cutIn, cutOut }: SwitchBand) =>
    adjuster === 'differential' ? cutOut - cutIn : plate.scale === 'additive' ? cutIn : cutOut;
  return bands.reduce((sum, band) => sum + of(band), 0) / bands.length;
}
