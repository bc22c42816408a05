import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { SuctionPlate } from './plate';

/**
 * Evaporator (load) ─┐
 *                 (suction) ─ compressor
 * Hot gas ─ cock ─ control ─┘
 *
 * The compressor draws the more, the higher suction stands; the control lets hot gas in when suction
 * falls to its set point. With a high load it has nothing to do.
 */
export const drawSuction: Draw<SuctionPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const set = toKPa(target.set_point_pa);
  const hot = Math.max(set * 3, 800);
  const flow = 4;
  const through = (share: number) => (share * flow) / Math.sqrt(hot - set);
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [
          { id: 'hot', compliance: flow * 0.05, start: hot },
          { id: 'gas', compliance: (flow * 0.4) / hot, start: hot },
          { id: 'suction', compliance: (flow * random.between(3, 6)) / set, start: set },
        ],
        elements: [
          {
            id: 'condenser',
            kind: 'source',
            from: null,
            to: 'hot',
            input: 'always',
            slew: hot,
            resistance: (hot * 0.002) / flow ** 2,
            levels: { on: hot },
          },
          {
            id: 'control_cock',
            kind: 'cock',
            from: 'hot',
            to: 'gas',
            capacity: through(3),
            input: 'control',
          },
          {
            id: 'control',
            kind: 'regulator',
            from: 'gas',
            to: 'suction',
            capacity: through(1.6),
            air: 0,
            lag: random.between(0.8, 1.6),
            leak: 0,
            pilots: [
              {
                setting: 'main',
                holds: 'to',
                band: set * 0.25,
                integral: 0.06 / set,
                lockup: set * 0.03,
              },
            ],
          },
          {
            id: 'evaporator',
            kind: 'cock',
            from: 'hot',
            to: 'suction',
            capacity: through(1.5),
            input: 'load',
          },
          {
            id: 'compressor',
            kind: 'cock',
            from: 'suction',
            to: null,
            capacity: (flow * 0.85) / Math.sqrt(set + 9),
            input: 'running',
          },
        ],
        inlet: 'suction',
        outlet: 'suction',
        about: 'control',
        wideIsDeaf: true,
        sign: 1,
        highest: hot * 1.1,
      },
    },
  };
};
