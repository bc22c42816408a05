import { printTurns } from '../quantity';
import type { SheetSetting } from '../sheet';
import type { Chart } from './block';
import type { Printers } from './printers';
import { laneSpan } from './lane-span';
import { scaleOver } from './scales';

/** Share of the width that tells of a limit beyond the picture. */
const EDGE = 0.012;

/** How a setting has gone: readings walk down into the lane, a turn between two dots. */
export function settingChart(
  { target, dots, name }: SheetSetting,
  step: number,
  print: Printers,
): Chart {
  // A vacuum is drawn by its size.
  const sign = target.set_point_pa < 0 ? -1 : 1;
  const wanted = sign * target.set_point_pa;
  const limit = sign * target.limit_pa;
  const [lower, upper] = [wanted - target.tolerance_pa, wanted + target.tolerance_pa];
  const read = dots.map(({ pressure_pa: pa }) => sign * pa);
  const span = laneSpan({ lower, upper, limit }, read);
  const x = scaleOver([span.lowest, span.highest]);
  const limitSay = print.figure(sign * limit, step);
  const y = (i: number) => (i + 0.5) / dots.length;
  return {
    says:
      `${name}: ${dots.length} readings, from ${print.pressure(dots[0]?.pressure_pa ?? 0, step)} to ` +
      `${print.pressure(dots.at(-1)?.pressure_pa ?? 0, step)}, lane ` +
      `${print.figure(sign * lower, step)} to ${print.pressure(sign * upper, step)}`,
    aspect: Math.min(0.9, 0.28 + 0.07 * dots.length),
    xTicks: x.ticks(4, (pa) => print.figure(sign * pa)),
    yTicks: [],
    bands: [
      { along: 'x', from: x.at(lower), to: x.at(upper), tone: 'good', say: 'lane' },
      {
        along: 'x',
        from: span.hasLimit ? x.at(limit) : 1 - EDGE,
        to: 1,
        tone: 'stop',
        say: span.hasLimit ? limitSay : `${limitSay} ›`,
      },
    ],
    curves: [{ points: read.map((pa, i) => [x.at(pa), y(i)]), tone: 'plain' }],
    dots: dots.map(({ pressure_pa: pa, turns }, i) => ({
      x: x.at(sign * pa),
      y: y(i),
      tone: i === dots.length - 1 ? 'good' : 'plain',
      shape: 'round',
      sayAbove: i === 0,
      say: i === 0 ? print.figure(pa, step) : `${turnSay(turns)} ${print.figure(pa, step)}`,
    })),
  };
}

const turnSay = (turns: number): string =>
  turns === 0 ? 'again' : `${turns < 0 ? '−' : '+'}${printTurns(turns)}`;
