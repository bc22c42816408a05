import { linkageAt, type LinkageParams } from './linkage-plant';
import { limit, positionOf, type Plant } from './plant';

/** A pneumatic controller on its process: a pointer behind a linkage, a band that can be swept, a loop in manual. */
export type ControllerParams = {
  readonly linkage: LinkageParams;
  /** Setting at which both pointers agree, kPa of the alignment's screw: 1 stands for the whole scale. */
  readonly aligned: number;
  /** Gain of the process, time constant and dead time, s. */
  readonly gain: number;
  readonly timeConstant: number;
  readonly deadTime: number;
  /** Share of the scale at which the process stands with its output at the middle. */
  readonly rest: number;
  /** kPa: middle and span of the output, and the supply. */
  readonly outMiddle: number;
  readonly outSpan: number;
};

/** Lags in a row that stand for the dead time. */
const LAGS = 6;

/** State: pointer, process, then the lags of its dead time. */
export const controllerPlant: Plant<ControllerParams> = {
  initial: (p) => [p.rest, p.rest, ...Array.from({ length: LAGS }, () => 0.5)],
  scale: () => Array.from({ length: LAGS + 2 }, () => 1),
  derivative: (p, inputs, settings) => {
    const isTest = inputs['mode'] === 'test';
    const shown = linkageAt(p.linkage, positionOf(inputs, 'signal'), settings);
    const output = positionOf(inputs, 'output');
    return ([pointer = 0, value = 0, ...lags], _, out) => {
      const wanted = isTest ? shown : value;
      const gap = limit(wanted, -0.05, 1.06) - pointer;
      out[0] =
        (Math.sign(gap) * Math.max(0, Math.abs(gap) - (isTest ? p.linkage.friction : 0))) /
        p.linkage.lag;
      out[1] = (p.rest + p.gain * ((lags.at(-1) ?? 0.5) - 0.5) - value) / p.timeConstant;
      for (let i = 0; i < LAGS; i++)
        out[i + 2] = ((i === 0 ? output : lags[i - 1]!) - lags[i]!) / (p.deadTime / LAGS);
    };
  },
  clamp: (_, state) => state.map((value) => limit(Number.isFinite(value) ? value : 0, -0.05, 1.06)),
  outputs: (p, inputs, settings, [pointer = 0]) => {
    const offset = (settings['alignment'] ?? p.aligned) - p.aligned;
    const x = positionOf(inputs, 'signal');
    return {
      inlet: 1000 * (p.linkage.signalLow + x * (p.linkage.signalHigh - p.linkage.signalLow)),
      outlet:
        1000 *
        limit(
          p.outMiddle + gainOf(positionOf(inputs, 'sweep')) * offset * p.outSpan,
          0,
          p.outMiddle * 2.3,
        ),
      flow: 0,
      vent: 0,
      opening: limit(pointer, 0, 1),
      fill: positionOf(inputs, 'output'),
      isInControl: true,
    };
  },
};

/** Where the band's dial stands for a gain, 0 (narrow reverse) … 1 (narrow direct), and back. */
export const sweepPosition = (gain: number): number => 0.5 + gain / 10;
const gainOf = (position: number): number => 10 * (position - 0.5);
