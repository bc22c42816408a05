import { guardedVerdict } from '../../gauge';
import { isInstrument } from '../../valve';
import type { RunState } from '../run-state';
import type { FrozenTables, SheetTable } from './frozen';
import { deadBandKey, instrumentOf, pointError, tableOf } from './points-view';

/** Points as found and as left with their verdict; undefined for what is not judged by points. */
export function tablesOf(run: RunState): FrozenTables | undefined {
  if (!isInstrument(run.started.plate)) return undefined;
  const left = frozen(run, 'as_left');
  if (!left) return undefined;
  const tolerance = instrumentOf(run).tolerance_span;
  const uncertainty = pointError(run) ?? tolerance;
  const lane = { lower: -tolerance, upper: tolerance };
  return {
    tolerance,
    uncertainty,
    verdict: guardedVerdict(left.worst_error, lane, uncertainty),
    as_found: frozen(run, 'as_found') ?? null,
    as_left: left,
  };
}

function frozen(run: RunState, purpose: 'as_found' | 'as_left'): SheetTable | undefined {
  const standing = tableOf(run, purpose);
  if (!standing?.result.ok) return undefined;
  const { value } = standing.result;
  const deadBand = run.measured[deadBandKey(standing.stepId)];
  return {
    points: standing.points.map(({ at, direction, output, share, source }) => ({
      at,
      direction,
      output,
      share,
      source,
    })),
    zero_error: value.zeroError,
    span_error: value.spanError,
    worst_error: value.worst.error,
    worst_at: value.worst.at,
    hysteresis: value.hysteresis ?? null,
    ...(value.repeatability === undefined ? {} : { repeatability: value.repeatability }),
    ...(deadBand === undefined ? {} : { dead_band: deadBand }),
    linearity_independent: value.linearity.independent,
    linearity_terminal: value.linearity.terminalBased,
    linearity_zero: value.linearity.zeroBased,
  };
}
