import { limit, positionOf, type Plant } from './plant';

/**
 * Water heated through an exchanger, and a regulator that feels it by a bulb. Inside: K above melting ice, s.
 * What twins call kPa of a set point is a thousandth of it.
 */
export type HeaterParams = {
  /** Cold water, and what heats, K. */
  readonly cold: number;
  readonly medium: number;
  /** Share of its water that is drawn in a second at full demand, and that it heats through in one wide open. */
  readonly drawn: number;
  readonly heat: number;
  /** Share of its warmth over the cold that is lost in a second with nothing drawn. */
  readonly loss: number;
  /** Of bulb and thermometer in their pocket, and of the valve, s. */
  readonly bulbLag: number;
  readonly valveLag: number;
  /** K below its set point by which it stands wide open. */
  readonly band: number;
  /** Share of its opening that is left when it is shut. */
  readonly leak: number;
  readonly highest: number;
};

const WIDE = 0.97;
const THOUSAND = 1000;

/** State: water, bulb, opening. */
export const heaterPlant: Plant<HeaterParams> = {
  initial: (p, inputs, settings) => {
    const set = THOUSAND * (settings['main'] ?? 0);
    const start = limit(set, p.cold, p.medium);
    return [start, start, positionOf(inputs, 'heating') / 2];
  },
  scale: (p) => [p.highest / 4, p.highest / 4, 1],
  derivative: (p, inputs, settings) => {
    const set = THOUSAND * (settings['main'] ?? 0);
    const drawn = p.drawn * positionOf(inputs, 'demand') + p.loss;
    const heat = p.heat * positionOf(inputs, 'heating');
    return ([water = 0, bulb = 0, opening = 0], _, out) => {
      const wanted = limit((set + p.band / 2 - bulb) / p.band, p.leak, 1);
      out[0] = heat * opening * (p.medium - water) - drawn * (water - p.cold);
      out[1] = (water - bulb) / p.bulbLag;
      out[2] = (wanted - opening) / p.valveLag;
    };
  },
  clamp: (p, [water = 0, bulb = 0, opening = 0]) => [
    limit(Number.isFinite(water) ? water : p.cold, p.cold, p.highest),
    limit(Number.isFinite(bulb) ? bulb : p.cold, p.cold, p.highest),
    limit(Number.isFinite(opening) ? opening : 0, 0, 1),
  ],
  outputs: (p, inputs, _, [, bulb = 0, opening = 0]) => ({
    inlet: p.medium,
    outlet: bulb,
    flow: p.drawn * positionOf(inputs, 'demand') * 1e-3,
    vent: 0,
    opening,
    fill: 1,
    isInControl: opening < WIDE,
  }),
};
