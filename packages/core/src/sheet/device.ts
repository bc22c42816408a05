import { registerOf, registers } from '../device';
import { terminalKey, terminals } from '../procedure';
import { cableSums, pilotOf, trimNow, type HeldRegister, type Run } from '../run';
import { logDays } from '../valve';
import type { SheetBody } from './sheet';

/** What an electronic pilot was left with; undefined for anything else, or where nothing was keyed in. */
export function deviceOf(run: Run): Pick<SheetBody, 'device'> {
  if (run.started.plate.family !== 'electronic_pilot') return {};
  const plate = pilotOf(run);
  const held: Partial<Record<string, HeldRegister>> = Object.assign({}, ...Object.values(run.registers));
  if (Object.keys(held).length === 0) return {};
  const { stroke, selfTune } = run;
  return {
    device: {
      cables: cableSums(run).flatMap(({ cable, needs, budget }) =>
        budget.ok
          ? [{ cable, supply_v: needs.supply_v, length_m: needs.length_m, area_m2: needs.area_m2, drop_v: budget.value.drop, left_v: budget.value.left }]
          : [],
      ),
      terminals: terminals.filter(({ id }) => run.observed[terminalKey(id)] === 'right').map(({ say }) => say),
      stroke: stroke ? { closed: stroke.closed, open: stroke.open, seconds: stroke.seconds } : null,
      registers: registers.flatMap(({ key, address, name, unit }) =>
        held[key] ? [{ address, name, unit, value: held[key].value }] : [],
      ),
      tuning: selfTune
        ? { trim: trimNow(run), period_s: selfTune.period_s, amplitude: selfTune.amplitude, gain: selfTune.gain, integral_s: selfTune.integral_s }
        : null,
      ...(selfTune || !plate.tuned_trim ? {} : { kept_tuning_of: plate.tuned_trim }),
      log_days: logDays({ card_bytes: plate.card_bytes, interval_s: held[registerOf('log_interval').key]?.value ?? plate.log_interval_s }),
    },
  };
} // prettier-ignore
