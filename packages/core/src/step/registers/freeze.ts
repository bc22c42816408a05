import { registerOf, registers } from '../../device';
import { hasElectronics, logDays } from '../../valve';
import { cableSums } from '../cables/cable-sums';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import { selfTuningOf, trimNow } from '../self-tune/trim-now';
import { strokeOf } from '../stroke/stroke-verdict';
import { terminalKey, terminals } from '../terminals/terminals';
import type { FrozenDevice } from './frozen';
import { pilotOf } from './pilot-of';
import type { RegistersRecord } from './shape';

/** What an electronic pilot was left with; undefined for anything else, or where nothing was keyed in. */
export function deviceOf(run: RunState): { device?: FrozenDevice } {
  if (!hasElectronics(run.started.plate)) return {};
  const plate = pilotOf(run);
  const held = heldRegisters(run);
  if (Object.keys(held).length === 0) return {};
  const stroke = strokeOf(run);
  const selfTune = selfTuningOf(run);
  return {
    device: {
      cables: cableSums(run).flatMap(({ cable, needs, budget }) =>
        budget.ok
          ? [
              {
                cable,
                supply_v: needs.supply_v,
                length_m: needs.length_m,
                area_m2: needs.area_m2,
                drop_v: budget.value.drop,
                left_v: budget.value.left,
              },
            ]
          : [],
      ),
      terminals: terminals
        .filter(({ id }) => run.observed[terminalKey(id)] === 'right')
        .map(({ say }) => say),
      stroke: stroke ? { closed: stroke.closed, open: stroke.open, seconds: stroke.seconds } : null,
      registers: registers.flatMap(({ key, address, name, unit }) =>
        held[key] ? [{ address, name, unit, value: held[key].value }] : [],
      ),
      tuning: selfTune
        ? {
            trim: trimNow(run),
            period_s: selfTune.period_s,
            amplitude: selfTune.amplitude,
            gain: selfTune.gain,
            integral_s: selfTune.integral_s,
          }
        : null,
      ...(selfTune || !plate.tuned_trim ? {} : { kept_tuning_of: plate.tuned_trim }),
      log_days: logDays({
        card_bytes: plate.card_bytes,
        interval_s: held[registerOf('log_interval').key]?.value ?? plate.log_interval_s,
      }),
    },
  };
}

/** Registers as the run has left them, whichever step wrote them last. */
const heldRegisters = (run: RunState): RegistersRecord['held'] =>
  Object.assign({}, ...stepsOfKind(run, 'registers').map((step) => recordOf(run, step).held));
