import type { FrozenTables, SheetTable } from '../step';
import type { Chart } from './block';
import { percent } from './printers';
import { scaleOver, spreadOf } from './scales';

type Points = SheetTable['points'];

/** Errors of a table over its range, as left, as found behind them, and what is allowed. */
export function pointsChart(tables: FrozenTables, ends: readonly [string, string]): Chart {
  const { tolerance, as_found: found, as_left: left } = tables;
  const error = ({ at, share }: Points[number]) => share - at;
  const up = (points: Points) => points.filter(({ direction }) => direction === 'up');
  const down = (points: Points) => points.filter(({ direction }) => direction === 'down');
  const foundUp = up(found?.points ?? []);
  const all = [...left.points, ...foundUp].map(error);
  const foundSay = found ? `, found ${percent(found.worst_error)}` : '';
  const y = scaleOver(spreadOf([...all, tolerance, -tolerance], 0.12), [1, 0]);
  const x = scaleOver([-0.04, 1.04]);
  const line = (points: Points) =>
    points.map((point) => [x.at(point.at), y.at(error(point))] as const);
  return {
    says: `Largest error left ${percent(left.worst_error)}${foundSay}, allowed ${percent(tolerance)} either way`,
    aspect: 0.55,
    xTicks: [
      { at: x.at(0), say: ends[0] },
      { at: x.at(0.5), say: '50 %' },
      { at: x.at(1), say: ends[1] },
    ],
    yTicks: y.ticks(4, (share) => percent(share)),
    bands: [{ along: 'y', from: y.at(tolerance), to: y.at(-tolerance), tone: 'good' }],
    curves: [
      ...(foundUp.length > 1 ? [{ points: line(foundUp), tone: 'quiet' as const }] : []),
      { points: line(up(left.points)), tone: 'plain' },
      {
        points: line([...up(left.points).slice(-1), ...down(left.points)]),
        tone: 'plain',
        isDashed: true,
      },
    ],
    dots: left.points.map((point) => ({
      x: x.at(point.at),
      y: y.at(error(point)),
      shape: point.direction === 'up' ? 'round' : 'ring',
      tone: Math.abs(error(point)) > tolerance ? 'stop' : 'plain',
    })),
  };
}
