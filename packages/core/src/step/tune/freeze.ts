import { hasBand } from '../../valve';
import type { RunState } from '../run-state';
import { sweepView } from '../sweep/sweep-view';
import type { FrozenControl } from './frozen';
import { dialledIn, stepFitOf } from './tune-view';

/** Alignment and tuning of a controller; undefined for anything else. */
export function controlOf(run: RunState): { control?: FrozenControl } {
  const dialled = dialledIn(run);
  if (!hasBand(run.started.plate) || !dialled) return {};
  const { alignment } = sweepView(run);
  const fit = stepFitOf(run);
  const model = fit?.ok ? fit.value.model : undefined;
  return {
    control: {
      alignment_offset: alignment.ok ? alignment.value.offset : 0,
      alignment_spread_pa: alignment.ok ? alignment.value.spread : 0,
      band_percent: dialled.band,
      reset_minutes: dialled.reset,
      model: model
        ? { gain: model.gain, time_constant_s: model.timeConstant, dead_time_s: model.deadTime }
        : null,
    },
  };
}
