import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw, type Relief } from '../../plant';
import type { HydraulicPlate } from './plate';

/**
 *   pump (cuts its stroke at the compensator) ─(gallery)─ main relief
 *                                                └ cross-ports, each with the directional valve on its side
 *
 * The supply is deadheaded, so the lowest setting that is open to the pump rules the gauge.
 */
export const drawHydraulic: Draw<HydraulicPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const main = toKPa(target.set_point_pa);
  const flow = plate.flow_m3s * 1000;
  const screws = Object.fromEntries(
    Object.entries({ main: plate, ...plate.others }).map(([id, own]) => [
      id,
      drawScrew(own, random, id === 'main' ? faults : []),
    ]),
  );
  const relief = (id: string, setting: string, when?: Relief['when']): Relief => ({
    id,
    kind: 'relief',
    from: 'gallery',
    to: null,
    setting,
    capacity: flow,
    lag: 0.06,
    band: main * 0.012,
    blowdown: 0,
    leak: 0,
    sticking: 0.001,
    ...(when ? { when } : {}),
  });
  return {
    screws,
    plant: {
      kind: 'line',
      params: {
        nodes: [{ id: 'gallery', compliance: (0.12 * flow) / (main * 0.012), start: 0 }],
        elements: [
          {
            id: 'pump',
            kind: 'pump',
            from: null,
            to: 'gallery',
            setting: 'compensator',
            flow,
            band: main * 0.006,
            override: 'override',
          },
          relief('main_relief', 'main'),
          relief('cross_a', 'cross_a', { input: 'directional', is: 'a' }),
          relief('cross_b', 'cross_b', { input: 'directional', is: 'b' }),
          {
            id: 'weep',
            kind: 'cock',
            from: 'gallery',
            to: null,
            capacity: flow * 4e-4,
            input: 'always',
          },
        ],
        inlet: 'gallery',
        outlet: 'gallery',
        about: 'main_relief',
        wideIsDeaf: false,
        sign: 1,
        highest: main * 2,
      },
    },
  };
};
