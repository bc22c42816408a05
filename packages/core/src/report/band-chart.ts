import type { SheetBody } from '../sheet';
import type { FrozenEdges, FrozenSwitchCycles } from '../step';
import { hasFlame } from '../valve';
import type { Chart } from './block';
import type { Printers } from './printers';
import { scaleOver, spreadOf } from './scales';

/** Pressures at which a pilot lit and did not, the edges between which it lights, and where it was left. */
export function edgesChart(body: SheetBody, edges: FrozenEdges, print: Printers): Chart {
  const { plate } = body;
  const left = edges.low_pa + edges.to_low_pa;
  const maker = hasFlame(plate) ? [plate.maker_low_pa, plate.maker_high_pa] : [];
  const tried = edges.lights.map(({ pressure_pa: pa }) => pa);
  const x = scaleOver(spreadOf([...tried, ...maker, edges.low_pa, edges.high_pa]));
  const [low, high] = maker;
  return {
    says: `Lights from ${print.figure(edges.low_pa)} to ${print.pressure(edges.high_pa)}, left at ${print.figure(left)}`,
    aspect: 0.35,
    xTicks: x.ticks(4, (pa) => print.figure(pa)),
    yTicks: [],
    bands: [
      {
        along: 'x',
        from: x.at(edges.low_pa),
        to: x.at(edges.high_pa),
        tone: 'good',
        say: 'lights',
      },
      ...(low === undefined || high === undefined
        ? []
        : [
            {
              along: 'x' as const,
              from: x.at(low),
              to: x.at(high),
              tone: 'work' as const,
              say: 'maker',
            },
          ]),
    ],
    curves: [
      {
        points: [
          [x.at(left), 0.08],
          [x.at(left), 0.95],
        ],
        tone: 'good',
      },
    ],
    dots: edges.lights.map(({ pressure_pa: pa, lit, weak }, i) => ({
      x: x.at(pa),
      y: 0.3 + (0.55 * (i + 0.5)) / edges.lights.length,
      shape: lit ? 'round' : 'ring',
      tone: lit ? (weak ? 'work' : 'good') : 'stop',
    })),
  };
}

/** Where a switch broke and made, cycle by cycle. */
export function switchChart(cycles: FrozenSwitchCycles, print: Printers, step: number): Chart {
  const all = cycles.flatMap(({ cut_in_pa: a, cut_out_pa: b }) => [a, b]);
  const x = scaleOver([0, cycles.length]);
  const y = scaleOver(spreadOf(all, 0.25), [1, 0]);
  const marks = cycles.flatMap(({ cut_in_pa: cutIn, cut_out_pa: cutOut }, i) => [
    { at: i + 0.3, pa: cutOut, shape: 'down' as const },
    { at: i + 0.7, pa: cutIn, shape: 'up' as const },
  ]);
  return {
    says: cycles
      .map(
        ({ cut_in_pa: cutIn, cut_out_pa: cutOut }, i) =>
          `cycle ${i + 1}: breaks at ${print.figure(cutOut, step)}, makes at ${print.figure(cutIn, step)}`,
      )
      .join('; '),
    aspect: 0.45,
    xTicks: cycles.map((_, i) => ({ at: x.at(i + 0.5), say: `cycle ${i + 1}` })),
    yTicks: y.ticks(4, (pa) => print.figure(pa, step)),
    bands: [],
    curves: [{ points: marks.map(({ at, pa }) => [x.at(at), y.at(pa)]), tone: 'plain' }],
    dots: marks.map(({ at, pa, shape }) => ({
      x: x.at(at),
      y: y.at(pa),
      shape,
      tone: shape === 'up' ? 'work' : 'good',
      say: print.figure(pa, step),
    })),
  };
}
