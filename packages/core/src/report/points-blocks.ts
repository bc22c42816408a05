import { signalAt, type SignalRange } from '../quantity';
import type { SheetBody } from '../sheet';
import type { FrozenTables, SheetTable } from '../step';
import { isInstrument, type PointsFacts } from '../valve';
import type { Block, Row } from './block';
import { verdictTone, verdictWord } from './outcome';
import { pointsChart } from './points-chart';
import { percent } from './printers';

/** Five points up and down, as found and as left, and what they come to. */
export function pointsBlocks(
  body: SheetBody,
  signalSay: (range: SignalRange, si: number) => string,
): readonly Block[] {
  const { tables, plate, range_arm: arm } = body;
  if (!tables || !isInstrument(plate)) return [];
  const { input } = plate;
  const ends = [signalSay(input, input.low), signalSay(input, input.high)] as const;
  const both = [
    ['Points as found', tables.as_found],
    ['Points as left', tables.as_left],
  ] as const;
  return [
    { kind: 'chart', title: 'Error over the range', chart: pointsChart(tables, ends) },
    tableRows(tables),
    ...(arm === undefined ? [] : [armRows(arm)]),
    ...both.flatMap(([title, table]) =>
      table ? [pointRows(title, table, plate, { tolerance: tables.tolerance, signalSay })] : [],
    ),
  ];
}

const armRows = (arm: number): Block => ({
  kind: 'rows',
  title: 'Range arm',
  rows: [{ label: 'Left at, on its scale', value: String(arm) }],
});

function tableRows({ as_left: left, uncertainty, verdict }: FrozenTables): Block {
  const rows: Row[] = [
    { label: 'Verdict', value: verdictWord[verdict], tone: verdictTone[verdict] },
    { label: 'Zero', value: percent(left.zero_error) },
    { label: 'Span', value: percent(left.span_error) },
    {
      label: 'Hysteresis',
      value: left.hysteresis === null ? 'not taken' : percent(left.hysteresis),
    },
  ];
  if (left.repeatability !== undefined)
    rows.push({ label: 'Repeatability', value: percent(left.repeatability, 2) });
  if (left.dead_band !== undefined)
    rows.push({ label: 'Dead band', value: percent(left.dead_band, 2) });
  rows.push(
    { label: 'Linearity, best line', value: percent(left.linearity_independent) },
    { label: 'Linearity, through both ends', value: percent(left.linearity_terminal) },
    { label: 'Linearity, through zero', value: percent(left.linearity_zero) },
    { label: 'Uncertainty of a point, k = 2', value: `± ${percent(uncertainty, 2)}` },
  );
  return { kind: 'rows', title: 'What the points come to', rows };
}

function pointRows(
  title: string,
  { points }: SheetTable,
  { input, output }: PointsFacts,
  {
    tolerance,
    signalSay,
  }: {
    readonly tolerance: number;
    readonly signalSay: (range: SignalRange, si: number) => string;
  },
): Block {
  return {
    kind: 'table',
    title,
    head: ['signal', 'way', 'shows', 'error'],
    rows: points.map(({ at, direction, output: value, share }) => {
      const error = share - at;
      return {
        cells: [
          signalSay(input, signalAt(input, at)),
          direction,
          signalSay(output, value),
          `${error > 0 ? '+' : ''}${percent(error)}`,
        ],
        ...(Math.abs(error) > tolerance ? { tone: 'stop' as const } : {}),
      };
    }),
  };
}
