import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { SustainingPlate } from './plate';
import { pilotHolding, valveLag } from './water';

/**
 *   pump ─(up)─ valve ─(down)─ demand: 0.5 is normal, 1 is twice as much
 *
 * The pump sags so far that an unsustained overdemand drags it under its cavitation limit.
 */
export const drawSustaining: Draw<SustainingPlate> = (plate, targets, { seed, faults }) => {
  const random = seededRandom(seed);
  const running = toKPa(plate.pump_running_pa);
  const set = toKPa(targets.target.set_point_pa);
  const normal = 6 * (plate.size_dn / 100) ** 2;
  const dragged = Math.min(0.92 * toKPa(plate.cavitation_pa), 0.82 * set);
  const resistance = (running - dragged) / (2.61 * normal ** 2);
  const reducing = plate.others?.['reducing'];
  const served = toKPa(targets.other_targets?.['reducing']?.set_point_pa ?? plate.pump_running_pa);
  // A cock half open passes a quarter: overdemand is four times the normal one.
  const demand = (4 * normal) / Math.sqrt(served);
  const lowest = Math.max(20, running - resistance * (1.6 * normal) ** 2);
  return {
    screws: {
      main: drawScrew(plate, random, faults),
      ...(reducing ? { reducing: drawScrew(reducing, random, []) } : {}),
    },
    plant: {
      kind: 'line',
      params: {
        nodes: [
          { id: 'up', compliance: normal * 0.02, start: running },
          { id: 'down', compliance: normal * 0.05, start: lowest },
        ],
        elements: [
          {
            id: 'pump',
            kind: 'source',
            from: null,
            to: 'up',
            input: 'pump',
            slew: 60,
            resistance,
            levels: {
              on: faults.includes('weak_supply')
                ? running * 0.8
                : running + resistance * normal ** 2,
              off: 0,
            },
          },
          {
            id: 'valve',
            kind: 'regulator',
            from: 'up',
            to: 'down',
            capacity: (4 * normal) / Math.sqrt(40),
            selector: 'selector',
            lag: valveLag,
            leak: faults.includes('leaking_seat') ? normal * 0.004 : 0,
            air: faults.includes('trapped_air') ? 0.8 : random.between(0.02, 0.12),
            pilots: [
              pilotHolding('main', 'from'),
              ...(reducing ? [pilotHolding('reducing', 'to')] : []),
            ],
          },
          {
            id: 'outlets',
            kind: 'cock',
            from: 'down',
            to: null,
            capacity: demand,
            input: 'demand',
          },
          {
            id: 'weep',
            kind: 'cock',
            from: 'down',
            to: null,
            capacity: normal * 4e-4,
            input: 'always',
          },
        ],
        inlet: 'up',
        outlet: 'down',
        about: 'valve',
        wideIsDeaf: true,
        sign: 1,
        highest: running * 2,
      },
    },
  };
};
