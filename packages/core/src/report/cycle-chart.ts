import { judgingGauge, type SheetBody } from '../sheet';
import type { FrozenCracking } from '../step';
import type { Chart } from './block';
import type { Printers } from './printers';
import { scaleOver, spreadOf } from './scales';

/** Where a relief cracked and where it shut tight, cycle by cycle, against its lane. */
export function cycleChart(body: SheetBody, cracking: FrozenCracking, print: Printers): Chart {
  const step = judgingGauge(body)?.resolution_pa ?? 1000;
  const { set_point_pa: set, tolerance_pa: tolerance } = body.target;
  const sign = set < 0 ? -1 : 1;
  const [lower, upper] = [sign * set - tolerance, sign * set + tolerance];
  const marks = cracking.cycles.flatMap(
    ({ cracked_pa: cracked, full_flow_pa: full, reseated_pa: tight }, i) =>
      [
        { at: i + 0.2, pa: cracked, shape: 'down' as const },
        { at: i + 0.45, pa: full, shape: 'ring' as const },
        { at: i + 0.75, pa: tight, shape: 'up' as const },
      ].flatMap(({ at, pa, shape }) => (pa === null ? [] : [{ at, pa: sign * pa, shape }])),
  );
  const x = scaleOver([0, cracking.cycles.length]);
  const y = scaleOver(spreadOf([...marks.map(({ pa }) => pa), lower, upper], 0.15), [1, 0]);
  return {
    says: cracking.cycles
      .map(
        ({ cracked_pa: cracked, reseated_pa: tight }, i) =>
          `cycle ${i + 1}: cracked ${cracked === null ? 'not seen' : print.figure(cracked, step)}, ` +
          `tight ${tight === null ? 'not seen' : print.figure(tight, step)}`,
      )
      .join('; '),
    aspect: 0.5,
    xTicks: cracking.cycles.map((_, i) => ({ at: x.at(i + 0.5), say: `cycle ${i + 1}` })),
    yTicks: y.ticks(4, (pa) => print.figure(sign * pa, step)),
    bands: [{ along: 'y', from: y.at(upper), to: y.at(lower), tone: 'good', say: 'lane' }],
    curves: [{ points: marks.map(({ at, pa }) => [x.at(at), y.at(pa)]), tone: 'plain' }],
    dots: marks.map(({ at, pa, shape }) => ({
      x: x.at(at),
      y: y.at(pa),
      shape,
      tone: shape === 'up' ? 'work' : 'good',
      ...(shape === 'ring' ? {} : { say: print.figure(sign * pa, step) }),
    })),
  };
}
