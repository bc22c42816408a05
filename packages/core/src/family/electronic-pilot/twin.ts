import { seededRandom } from '../../numerics';
import { toKPa, type Draw } from '../../plant';
import { fractionOf, spanOf } from '../../quantity';
import type { ElectronicPilotPlate } from './plate';

/**
 * A unit as somebody left it: its sensor a little off (`found_pa`, thousandths of span), its set value
 * where the last hand had it (`found_others.set_value`, Pa), never stroked; a line that answers with some lag.
 */
export const drawElectronicPilot: Draw<ElectronicPilotPlate> = (plate, { target }, sketch) => {
  const random = seededRandom(sketch.seed);
  const { low, high } = plate.input;
  const share = fractionOf(plate.input, target.set_point_pa);
  const sense = plate.application === 'reducing' ? 1 : -1;
  const opening = random.between(0.4, 0.6);
  const gain = sense * random.between(0.7, 1.2);
  const middle = plate.stroke_counts * random.between(0.96, 1.04);
  const closedCounts = Math.round(random.between(280, 420));
  return {
    screws: {},
    plant: {
      kind: 'actuator',
      params: {
        gain,
        timeConstant: random.between(8, 16),
        deadTime: random.between(2, 4),
        rest: (share.ok ? share.value : 0.5) - gain * (opening - 0.5),
        low: toKPa(low),
        span: toKPa(spanOf(plate.input)),
        strokeSeconds: plate.stroke_s * random.between(0.94, 1.06),
        closedCounts,
        openCounts: closedCounts + Math.round(middle),
        blockedAt: sketch.faults.includes('blocked_stem') ? 0.3 : 0,
        isStroked: plate.tuned_trim !== undefined,
        sensorZero: sketch.found_pa / 1000,
        sensorSpan: random.between(-0.02, 0.02),
        found: {
          application: plate.application === 'reducing' ? 1 : 2,
          range_low: low,
          range_high: high * (sketch.found_others?.['range_off'] ? 0.8 : 1),
          set_value: sketch.found_others?.['set_value'] ?? target.set_point_pa,
          manual_output: opening,
          mode: 0,
          gain: 0.4,
          integral_time: 60,
          log_interval: 1,
          clock_day: 0,
          clock_minute: 0,
        },
      },
    },
  };
};
