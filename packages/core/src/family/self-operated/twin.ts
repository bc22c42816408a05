import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { SelfOperatedPlate } from './plate';

/**
 *   supply ─ inlet block ─(in)─ regulator ─(out)─ outlet block ─(load)─ demand
 *                 bleed at (in)    loading    bleed at (out)      by-pass round all
 */
export const drawSelfOperated: Draw<SelfOperatedPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const { service, loading } = plate.arrangement;
  const isReducing = service === 'reducing';
  const set = toKPa(target.set_point_pa);
  const supply = isReducing
    ? set + toKPa(plate.min_differential_pa) + random.between(150, 300)
    : set * 1.35;
  const flow = 2 * (plate.size_dn / 50) ** 2;
  const behind = isReducing ? 0 : set * 0.35;
  const wide = (flow * 4) / Math.sqrt(supply);
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [
          { id: 'head', compliance: flow * 0.04, start: supply },
          { id: 'in', compliance: flow * 0.02, start: isReducing ? supply : set },
          { id: 'out', compliance: flow * 0.02, start: isReducing ? set : behind },
          { id: 'load', compliance: flow * 0.04, start: isReducing ? set : behind },
        ],
        elements: [
          {
            id: 'supply',
            kind: 'source',
            from: null,
            to: 'head',
            input: 'supply',
            slew: supply * 0.2,
            levels: { on: supply },
            resistance: (supply * (isReducing ? 0.02 : 0.3)) / flow ** 2,
          },
          {
            id: 'inlet_block',
            kind: 'cock',
            from: 'head',
            to: 'in',
            capacity: wide,
            input: 'inlet_block',
          },
          {
            id: 'regulator',
            kind: 'regulator',
            from: 'in',
            to: 'out',
            capacity: (1.6 * flow) / Math.sqrt(supply * 0.3),
            lag: random.between(0.3, 0.6),
            air: 0,
            leak: faults.includes('leaking_seat') ? flow * 0.004 : flow * 2e-5,
            pilots: [
              {
                setting: 'main',
                holds: isReducing ? 'to' : 'from',
                band: set * 0.16,
                integral: 0,
                lockup: set * random.between(0.03, 0.06),
              },
            ],
          },
          {
            id: 'outlet_block',
            kind: 'cock',
            from: 'out',
            to: 'load',
            capacity: wide,
            input: 'outlet_block',
          },
          {
            id: 'by_pass',
            kind: 'cock',
            from: 'head',
            to: 'load',
            capacity: wide * 0.5,
            input: 'by_pass',
          },
          {
            id: 'inlet_bleed',
            kind: 'cock',
            from: 'in',
            to: null,
            capacity: wide * 0.03,
            input: 'inlet_bleed',
          },
          {
            id: 'outlet_bleed',
            kind: 'cock',
            from: 'out',
            to: null,
            capacity: wide * 0.03,
            input: 'outlet_bleed',
          },
          {
            id: 'demand',
            kind: 'cock',
            from: 'load',
            to: null,
            capacity: (flow * 1.4) / Math.sqrt(isReducing ? set : behind),
            input: 'demand',
          },
          ...(isReducing
            ? []
            : [
                {
                  id: 'header',
                  kind: 'source' as const,
                  from: null,
                  to: 'load',
                  input: 'supply',
                  slew: supply,
                  levels: { on: behind },
                  resistance: (behind * 0.05) / flow ** 2,
                },
              ]),
          {
            id: 'weep',
            kind: 'cock',
            from: 'load',
            to: null,
            capacity: flow * 2e-4,
            input: 'always',
          },
        ],
        inlet: 'in',
        outlet: 'out',
        about: 'regulator',
        wideIsDeaf: isReducing,
        sign: 1,
        highest: supply * 1.3,
        ...(loading === 'spring' ? {} : { loadedBy: 'loading' }),
      },
    },
  };
};
