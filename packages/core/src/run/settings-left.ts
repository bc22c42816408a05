import { resultUncertainty } from '../gauge';
import { adjustersOf, type AdjusterSpec, type SwitchBand } from '../valve';
import { captureCycles } from './captures';
import { countView } from './count-view';
import { lastReading } from './last-reading';
import { switchCycles } from './switch-view';
import type { Run } from './state';

/** How the figure that is left was come by. */
export type LeftMethod = 'by_reading' | 'by_pressure' | 'by_count';
export type SettingLeft = {
  readonly spec: AdjusterSpec;
  readonly asFound: number | null;
  readonly asLeft: number;
  readonly uncertainty: number;
  readonly method: LeftMethod;
};

/** Whether this run comes to a setting at all: a shut-down or a condemned valve does not. */
export const leavesSetting = (run: Run): boolean =>
  run.condemned === undefined && schoolOf(run)?.leaves !== 'sequence';

export const schoolOf = (run: Run) => run.procedure.schools.find(({ id }) => id === run.started.school);

/** What every adjuster of the run was left at, as far as it has come. */
export const settingsLeft = (run: Run): readonly SettingLeft[] =>
  adjustersOf(run.started.plate).flatMap((spec) => {
    const left = leftOf(run, spec);
    if (!left) return [];
    const asFound =
      lastReading(run, 'as_found', spec.id)?.reading.si ?? run.measured[`as_found_${spec.id}`] ?? null;
    return [{ spec, asFound, ...left }];
  });

function leftOf(run: Run, { id, role }: AdjusterSpec): Omit<SettingLeft, 'spec' | 'asFound'> | undefined {
  const gauge = run.gauges[role];
  const read = lastReading(run, 'as_left', id);
  const base = gauge ? resultUncertainty(gauge) : 0;
  if (read) return { asLeft: read.reading.si, uncertainty: base, method: 'by_reading' };
  const switching = run.steps.find(({ kind, purpose }) => kind === 'switching' && purpose === 'as_left');
  const bands = switching ? switchCycles(run, switching.id) : [];
  if (bands.length > 0 && run.started.plate.family === 'pressure_switch') {
    const isAdditive = run.started.plate.scale === 'additive';
    const of = ({ cutIn, cutOut }: SwitchBand) =>
      id === 'differential' ? cutOut - cutIn : isAdditive ? cutIn : cutOut;
    return {
      asLeft: bands.reduce((sum, band) => sum + of(band), 0) / bands.length,
      uncertainty: base,
      method: 'by_pressure',
    };
  }
  const capture = run.steps.find(
    (step) => step.kind === 'capture' && step.purpose === 'as_left' && step.adjuster === id,
  );
  const cracks = capture
    ? captureCycles(run, capture.id).flatMap(({ cracked }) => (cracked === undefined ? [] : [cracked]))
    : [];
  if (cracks.length > 0)
    return {
      asLeft: cracks.reduce((sum, pa) => sum + pa, 0) / cracks.length,
      uncertainty: base,
      method: 'by_pressure',
    };
  const count = run.steps.find((step) => step.kind === 'count' && step.adjuster === id);
  if (!count || !(count.id in run.done)) return undefined;
  const { result, uncertainty } = countView(run, count);
  return result === undefined ? undefined : { asLeft: result, uncertainty, method: 'by_count' };
}
