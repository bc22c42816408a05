import { limit, positionOf, type Plant } from './plant';

/** A boiler or air vessel with an on-off switch: pressure rises while its contact is made. Inside: kPa, s. */
export type BoilerParams = {
  readonly isAdditive: boolean;
  /** kPa a second with the burner on, and drawn at full demand. */
  readonly heat: number;
  readonly loss: number;
  /** Delay of the switch behind its pipe, s. */
  readonly lag: number;
  readonly start: number;
  readonly highest: number;
};

/** Cut-in and cut-out that the two screws stand for. */
const bandOf = (p: BoilerParams, settings: Readonly<Record<string, number>>) => {
  const scale = settings['main'] ?? 0;
  const differential = Math.max(0.5, settings['differential'] ?? 0);
  return p.isAdditive
    ? { cutIn: scale, cutOut: scale + differential }
    : { cutIn: scale - differential, cutOut: scale };
};

/** State: pressure, pressure at the switch, contact (0 open … 1 made). */
export const boilerPlant: Plant<BoilerParams> = {
  initial: (p) => [p.start, p.start, 1],
  scale: (p) => [p.highest, p.highest, 1],
  derivative: (p, inputs, settings) => {
    const { cutIn, cutOut } = bandOf(p, settings);
    const heat = p.heat * positionOf(inputs, 'heat');
    const loss = p.loss * positionOf(inputs, 'demand');
    return ([pressure = 0, felt = 0, contact = 0], _, out) => {
      const isMade = felt <= cutIn ? 1 : felt >= cutOut ? 0 : contact > 0.5 ? 1 : 0;
      out[0] = (contact > 0.5 ? heat : 0) - (loss * Math.max(0, pressure)) / p.highest;
      out[1] = (pressure - felt) / p.lag;
      out[2] = (isMade - contact) / 0.15;
    };
  },
  clamp: (p, state) => [
    limit(Number.isFinite(state[0]) ? state[0]! : 0, 0, p.highest),
    limit(Number.isFinite(state[1]) ? state[1]! : 0, 0, p.highest),
    limit(Number.isFinite(state[2]) ? state[2]! : 0, 0, 1),
  ],
  outputs: (_, __, ___, [pressure = 0, , contact = 0]) => ({
    inlet: 1000 * pressure,
    outlet: 1000 * pressure,
    flow: 0,
    vent: 0,
    opening: contact > 0.5 ? 1 : 0,
    fill: 1,
    isInControl: true,
  }),
};
