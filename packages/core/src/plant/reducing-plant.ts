import { limit, positionOf as number, root, type Plant } from './plant';
import type { Positions } from './positions';

/**
 * Pilot-operated reducing valve between a supply and a main. Inside: kPa, L/s, s.
 *
 *   supply ─ inlet isolator ─(p1)─ main valve ─(p2)─ outlet isolator ─(p3, fill)─ demand
 *                                     ▲ opening x follows the pilot through the chamber's air
 */
export type ReducingParams = {
  readonly supply: number;
  /** kPa per (L/s)²: how the supply sags with flow. */
  readonly supplyResistance: number;
  /** L/s per √kPa, valve wide open. */
  readonly capacity: number;
  readonly demandCapacity: number;
  /** L/kPa of the short pipe and of the full main. */
  readonly pipeCompliance: number;
  readonly mainCompliance: number;
  /** L that an empty main takes. */
  readonly mainVolume: number;
  /** L/s that runs out of the main while it is isolated. */
  readonly mainDrain: number;
  /** L/s per √kPa of an isolator wide open, as a multiple of the valve's capacity. */
  readonly isolatorRatio: number;
  /** Air in the chamber at the start, 0 … 1. */
  readonly air: number;
  /** L/s per √kPa through a shut seat. */
  readonly seatLeak: number;
  /** Fall of the held pressure from shut to wide open, kPa. */
  readonly droop: number;
};

const X = 0,
  CHAMBER = 1,
  PILOT = 2,
  P2 = 3,
  P3 = 4,
  FILL = 5,
  AIR = 6;
const INTEGRAL = 1.5e-3;
const PROPORTIONAL = 1 / 100;
const PERCENTAGE = 3.5;
const BARE = Math.exp(PERCENTAGE) - 1;

const throat = (params: ReducingParams, x: number): number =>
  (params.capacity * (Math.exp(PERCENTAGE * limit(x, 0, 1)) - 1)) / BARE + params.seatLeak;
const isolator = ({ capacity, isolatorRatio }: ReducingParams, position: number): number =>
  isolatorRatio * capacity * position ** 2;

/** Flow from the supply through isolator and valve in series, L/s, and the pressure between them. */
function throughValve(params: ReducingParams, inputs: Positions, x: number, p2: number) {
  const inlet = isolator(params, number(inputs, 'inlet_isolator'));
  const main = throat(params, x);
  if (inlet < 1e-6) return { flow: 0, p1: p2 };
  const resistance = params.supplyResistance + 1 / inlet ** 2 + 1 / Math.max(main, 1e-9) ** 2;
  const flow = root(params.supply - p2) / Math.sqrt(resistance);
  return {
    flow,
    p1: limit(p2 + (flow * Math.abs(flow)) / Math.max(main, 1e-9) ** 2, 0, params.supply),
  };
}

/** Opening that the pilot and selector ask for. */
function wanted(inputs: Positions, setPoint: number, state: readonly number[]): number {
  if (inputs['selector'] === 'close') return 0;
  if (inputs['selector'] === 'open') return 1;
  const error = setPoint - state[P2]!;
  return limit(state[PILOT]! + PROPORTIONAL * (1 + 4 * state[AIR]!) * error, 0, 1);
}

/** A pilot wide open or shut is driven no further. */
const isAtItsEnd = (pilot: number, error: number): boolean =>
  (pilot >= 1 && error > 0) || (pilot <= 0 && error < 0);

/** Shares of the main a second; a full one takes nothing more, and is slow to be emptied. */
function fillSpeed({ mainVolume }: ReducingParams, fill: number, gained: number): number {
  if (fill < 1) return gained / mainVolume;
  return gained < 0 ? gained / mainVolume / 50 : 0;
}

export const reducingPlant: Plant<ReducingParams> = {
  scale: () => [1, 1, 1, 500, 500, 1, 1],

  initial: (params, inputs, { main: setPoint = 0 }) => {
    const live = number(inputs, 'inlet_isolator') > 0 ? Math.min(setPoint, params.supply) : 0;
    return [0.3, 0.3, 0.3, live, live, 1, params.air];
  },

  derivative: (params, inputs, { main: setPoint = 0 }) => {
    const demand = params.demandCapacity * number(inputs, 'demand');
    const outlet = isolator(params, number(inputs, 'outlet_isolator'));
    const isBleeding = inputs['selector'] === 'open' && number(inputs, 'inlet_isolator') > 0;
    return (state, _t, out) => {
      const [x = 0, chamber = 0, pilot = 0, p2 = 0, p3 = 0, fill = 1, air = 0] = state;
      const target = wanted(inputs, setPoint, state);
      const lag = 0.2 + 4.5 * air;
      const error = setPoint - p2 - params.droop * x;
      const isHeld = inputs['selector'] !== 'automatic' || isAtItsEnd(pilot, error);
      const { flow } = throughValve(params, inputs, x, p2);
      const across = outlet * root(p2 - p3);
      const lost = outlet < 1e-3 ? params.mainDrain * fill : 0;
      const drawn = demand * root(Math.max(0, p3)) * Math.min(1, fill) + lost;
      // An empty main takes water without pressing back; the last tenth stiffens it.
      const stiff = limit((fill - 0.9) * 10, 0, 1) ** 2;
      out[X] = (chamber - x) / lag;
      out[CHAMBER] = (target - chamber) / lag;
      out[PILOT] = isHeld ? -pilot * 1e-3 : limit(INTEGRAL * error, -0.12, 0.12);
      out[P2] = (flow - across - 2e-4 * root(p2)) / params.pipeCompliance;
      out[P3] = (stiff * (across - drawn)) / params.mainCompliance - (1 - stiff) * p3 * 0.5;
      out[FILL] = fillSpeed(params, fill, across - drawn);
      out[AIR] = isBleeding ? -air * 0.12 : -air * 2e-4;
    };
  },

  clamp: (params, state) => {
    const next = state.slice();
    for (const i of [X, CHAMBER, PILOT, FILL, AIR]) next[i] = limit(next[i]!, 0, 1);
    for (const i of [P2, P3]) next[i] = limit(next[i]!, 0, 2 * params.supply);
    return next;
  },

  outputs: (params, inputs, { main: setPoint = 0 }, state) => {
    const { flow, p1 } = throughValve(params, inputs, state[X]!, state[P2]!);
    const target = wanted(inputs, setPoint, state);
    const inControl = inputs['selector'] === 'automatic' && state[X]! > 0.01 && target < 0.99;
    const vent = inControl ? 0.004 + 0.3 * Math.max(0, target - state[CHAMBER]!) : 0;
    return {
      inlet: p1 * 1000,
      outlet: state[P2]! * 1000,
      flow: Math.max(0, flow) / 1000,
      vent: vent / 1000,
      opening: state[X]!,
      fill: state[FILL]!,
      isInControl: state[X]! <= 0.97,
    };
  },
};
