import { limit, positionOf, type Plant } from './plant';

/**
 * A movement behind a linkage, in its small-angle form. Shares of span throughout; a screw's setting
 * of 1 kPa stands for the whole span.
 */
export type LinkageParams = {
  /** Settings at which a screw does nothing. */
  readonly middle: Readonly<Record<'main' | 'span' | 'angularity', number>>;
  /** Share of the scale at which the span screw turns the line without moving it. */
  readonly pivot: number;
  /** How unevenly zero works: its effect at the top less that at the bottom. */
  readonly zeroTilt: number;
  /** Link length: what it shifts everywhere, and what it bends in the middle. */
  readonly linkShift: number;
  readonly linkBend: number;
  /** Bend of the linkage as it was built. */
  readonly bend: number;
  /** Half of the friction's dead zone, and the lag of the movement, s. */
  readonly friction: number;
  readonly lag: number;
  /** kPa: air supply, and the ends of the signal when that is air too. */
  readonly supply: number;
  readonly signalLow: number;
  readonly signalHigh: number;
  readonly isReverse: boolean;
};

/** Where the linkage would stand without friction: zero, span about its pivot, and the link's bend. */
export function linkageAt(
  p: LinkageParams,
  x: number,
  settings: Readonly<Record<string, number>>,
): number {
  const offset = (id: 'main' | 'span' | 'angularity') =>
    (settings[id] ?? p.middle[id]) - p.middle[id];
  const [zero, span, link] = [offset('main'), offset('span'), offset('angularity')];
  const bow = 4 * x * (1 - x);
  return (
    x +
    zero * (1 + p.zeroTilt * (x - 0.5)) +
    span * (x - p.pivot) +
    link * (p.linkShift + p.linkBend * bow) +
    p.bend * bow
  );
}

export const linkagePlant: Plant<LinkageParams> = {
  initial: (p, inputs, settings) => [
    limit(linkageAt(p, positionOf(inputs, 'signal'), settings), -0.05, 1.06),
  ],
  scale: () => [1],
  derivative: (p, inputs, settings) => {
    const wanted = linkageAt(p, positionOf(inputs, 'signal'), settings) * air(p, inputs);
    return ([y = 0], _, out) => {
      const gap = limit(wanted, -0.05, 1.06) - y;
      // Friction holds until the gap is larger than half its dead zone.
      out[0] = (Math.sign(gap) * Math.max(0, Math.abs(gap) - p.friction)) / p.lag;
    };
  },
  clamp: (_, state) => [limit(Number.isFinite(state[0]) ? state[0]! : 0, -0.05, 1.06)],
  outputs: (p, inputs, settings, [y = 0]) => {
    const x = positionOf(inputs, 'signal');
    const wanted = linkageAt(p, x, settings);
    return {
      inlet: 1000 * (p.signalLow + x * (p.signalHigh - p.signalLow)),
      outlet: 1000 * p.supply * air(p, inputs),
      flow: 0,
      vent: 0,
      opening: limit(p.isReverse ? 1 - y : y, 0, 1),
      // Of the air supply, the share that stands at the output.
      fill: p.supply > 0 ? (outputPressure(p, wanted) * air(p, inputs)) / p.supply : 1,
      isInControl: true,
    };
  },
};

const air = (p: LinkageParams, inputs: Parameters<typeof positionOf>[0]): number =>
  p.supply > 0 ? positionOf(inputs, 'supply') : 1;

/** Nozzle and relay: a high gain that ends at nothing and at the supply. */
const outputPressure = (p: LinkageParams, wanted: number): number => {
  const over = wanted > 1 ? wanted - 1 : wanted < 0 ? wanted : 0;
  return limit(20 + 80 * (limit(wanted, 0, 1) + 25 * over), 0, p.supply);
};
