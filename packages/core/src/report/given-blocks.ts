import { families, familyName, procedureOf } from '../family';
import type { Gauge } from '../gauge';
import { printFigure, printQuantity } from '../quantity';
import { judgingGauge, type SheetBody } from '../sheet';
import type { Side } from '../valve';
import type { Block, Row } from './block';
import { percent, type Printers } from './printers';

/** What was given: the plate, the gauge that judged, the reason for the number. */
export function givenBlocks(body: SheetBody, print: Printers): readonly Block[] {
  return [
    { kind: 'rows', title: 'Valve', rows: plateRows(body, print) },
    ...(['inlet', 'outlet'] as const).flatMap((role) => {
      const gauge = body.gauges[role];
      return gauge ? [gaugeBlock(body, gauge, role)] : [];
    }),
  ];
}

const plateRows = (body: SheetBody, { pressure }: Printers): readonly Row[] => [
  { label: 'Family', value: familyName[body.plate.family] },
  { label: 'Size', value: `DN ${body.plate.size_dn}` },
  { label: 'Spring', value: body.plate.fitted_spring || 'none' },
  { label: 'Inlet rating', value: pressure(body.plate.inlet_rating_pa) },
  { label: 'Outlet rating', value: pressure(body.plate.outlet_rating_pa) },
  { label: 'Never past', value: pressure(body.target.limit_pa) },
  { label: 'Why this number', value: body.target.why },
  { label: 'School', value: body.school.replaceAll('_', ' ') },
  { label: 'Accessories', value: body.plate.accessories.join(', ') || 'none' },
  ...protectedBy(body),
  ...(body.plate.approval ? [{ label: 'Approval', value: body.plate.approval.scheme }] : []),
];

/** What stood in for the limiter while it was out of the way, in the words in which it was asked. */
function protectedBy({ answers, plate }: SheetBody): readonly Row[] {
  const answer = answers['protected_by'];
  if (answer === undefined) return [];
  const said = procedureOf(plate.family)
    .steps.flatMap((step) => (step.kind === 'ask' ? (step.asks.choices ?? []) : []))
    .find(({ value }) => value === answer)?.say;
  return [{ label: 'Protected meanwhile by', value: said ?? String(answer) }];
}

function gaugeBlock(body: SheetBody, gauge: Gauge, role: Side): Block {
  const isJudge = judgingGauge(body)?.id === gauge.id;
  const isOut = isJudge && body.gauge_findings.includes('gauge.out_of_date');
  const name = families[body.plate.family].gauges[role] ?? `${role} gauge`;
  const { unit, resolution_pa: step } = gauge;
  return {
    kind: 'rows',
    title: `${name}${isJudge ? ', by which it was judged' : ''}`,
    rows: [
      { label: 'Gauge', value: gauge.tag },
      {
        label: 'Range',
        value: `${printFigure(gauge.range_low_pa, unit, step)} to ${printQuantity(gauge.range_high_pa, unit, step)}`,
      },
      { label: 'Accuracy', value: `${percent(gauge.accuracy_fraction, 2)} of span` },
      {
        label: 'Calibrated',
        value: `${gauge.calibrated_on} to ${gauge.calibration_due_on}${isOut ? ', OUT OF DATE' : ''}`,
        ...(isOut ? { tone: 'stop' as const } : {}),
      },
    ],
  };
}
