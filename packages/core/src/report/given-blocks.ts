import { families, familyName, headAt, lineDensityOf, procedureOf, ratingWords } from '../family';
import type { Gauge } from '../gauge';
import { printFigure, printQuantity } from '../quantity';
import { judgingGauge, type SheetBody } from '../sheet';
import { stepsFor, type Question } from '../step';
import { jobFields, jobWords, sizeWords, sumSetPoint, type Side } from '../valve';
import type { Block, Row } from './block';
import { percent, type Printers } from './printers';

/** What was given: the plate, the gauge that judged, the reason for the number. */
export function givenBlocks(body: SheetBody, print: Printers): readonly Block[] {
  const told = saidBlock(body, print);
  return [
    ...jobBlocks(body),
    { kind: 'rows', title: 'Valve', rows: plateRows(body, print) },
    ...(told ? [told] : []),
    ...(['inlet', 'outlet'] as const).flatMap((role) => {
      const gauge = body.gauges[role];
      return gauge ? [gaugeBlock(body, gauge, nameOf(body, gauge, role))] : [];
    }),
    ...(body.other_gauges ?? []).map((gauge) =>
      gaugeBlock(body, gauge, `${gauge.tag}, taken off during the work`),
    ),
  ];
}

/** For whom it was done, and by whose leave. */
const jobBlocks = ({ job }: SheetBody): readonly Block[] =>
  job
    ? [
        {
          kind: 'rows',
          title: 'For whom',
          rows: jobFields.flatMap((field) => {
            const value = job[field];
            return value === undefined ? [] : [{ label: jobWords[field], value }];
          }),
        },
      ]
    : [];

const plateRows = (body: SheetBody, print: Printers): readonly Row[] => [
  { label: 'Family', value: familyName[body.plate.family] },
  { label: 'Size', value: sizeWords(body.plate.size_dn) },
  { label: 'Spring', value: body.plate.fitted_spring || 'none' },
  { label: ratingWords(body.plate, 'inlet'), value: print.pressure(body.plate.inlet_rating_pa) },
  { label: ratingWords(body.plate, 'outlet'), value: print.pressure(body.plate.outlet_rating_pa) },
  { label: 'Never past', value: print.pressure(body.target.limit_pa) },
  { label: 'Why this number', value: body.target.why },
  ...sumRows(body, print),
  { label: 'School', value: body.school.replaceAll('_', ' ') },
  { label: 'Accessories', value: body.plate.accessories.join(', ') || 'none' },
  ...(body.plate.approval ? [{ label: 'Approval', value: body.plate.approval.scheme }] : []),
];

/** What was said when the run asked for it, in its own words; flows and outlets stand with what they prove. */
function saidBlock(body: SheetBody, print: Printers): Block | undefined {
  const { plate, school, procedure_version: version, answers } = body;
  const rows = stepsFor(procedureOf(plate.family, version), school, plate).flatMap(
    (step): Row[] => {
      if (step.kind !== 'ask' || step.asks.kind === 'flow') return [];
      const answer = answers[step.asks.key];
      return answer === undefined
        ? []
        : [{ label: step.asks.label, value: said(step.asks, answer, print) }];
    },
  );
  return rows.length === 0 ? undefined : { kind: 'rows', title: 'What was said', rows };
}

const said = (asks: Question, answer: string | number, { pressure }: Printers): string => {
  if (typeof answer === 'number')
    return asks.kind === 'pressure' ? pressure(answer) : String(answer);
  return asks.choices?.find(({ value }) => value === answer)?.say ?? answer;
};

function nameOf(body: SheetBody, gauge: Gauge, role: Side): string {
  const name = families[body.plate.family].gauges[role] ?? `${role} gauge`;
  return judgingGauge(body)?.id === gauge.id ? `${name}, by which it was judged` : name;
}

function gaugeBlock(body: SheetBody, gauge: Gauge, title: string): Block {
  const isJudge = judgingGauge(body)?.id === gauge.id;
  const isOut = isJudge && body.gauge_findings.includes('gauge.out_of_date');
  const { unit, resolution_pa: step } = gauge;
  return {
    kind: 'rows',
    title,
    rows: [
      { label: 'Gauge', value: gauge.tag },
      {
        label: 'Range',
        value: `${printFigure(gauge.range_low_pa, unit, step)} to ${printQuantity(gauge.range_high_pa, unit, step)}`,
      },
      {
        label: 'Accuracy',
        value: `${percent(gauge.accuracy_fraction, 2)} of ${gauge.accuracy_of ?? 'span'}`,
      },
      ...correctedRows(gauge),
      ...hangsRows(body, gauge),
      {
        label: 'Calibrated',
        value: `${gauge.calibrated_on} to ${gauge.calibration_due_on}${isOut ? ', OUT OF DATE' : ''}`,
        ...(isOut ? { tone: 'stop' as const } : {}),
      },
    ],
  };
}

/** The table of its certificate, by which every reading was corrected; nothing without one. */
function correctedRows({ corrections = [], unit }: Gauge): readonly Row[] {
  if (corrections.length === 0) return [];
  const points = corrections.map(({ shown_pa: shown, add_pa: add }) => {
    const sign = add < 0 ? '' : '+';
    return `${printFigure(shown, unit)}: ${sign}${printFigure(add, unit)}`;
  });
  return [{ label: `Corrected by its certificate, ${unit}`, value: points.join(' · ') }];
}

/** The column that was added to all that a gauge showed; nothing where it hung at its tapping. */
function hangsRows({ plate }: SheetBody, gauge: Gauge): readonly Row[] {
  const head = headAt(plate, gauge);
  if (head === 0) return [];
  const { height_above_tapping_m: height, unit, resolution_pa: step } = gauge;
  const where = height > 0 ? 'above' : 'below';
  const added = printQuantity(Math.abs(head), unit, Math.min(step, Math.abs(head)));
  return [
    {
      label: 'Hung',
      value: `${Math.abs(height)} m ${where} its tapping: ${added} ${head > 0 ? 'added to' : 'taken from'} each reading`,
    },
  ];
}

/** The sum that the target was worked out by: what the neediest point wants, and what the lowest bears. */
function sumRows({ plate, target: { sum } }: SheetBody, { pressure }: Printers): readonly Row[] {
  if (!sum) return [];
  const { need_pa: need, loss_pa: loss = 0, rise_m: rise = 0 } = sum;
  const set = sumSetPoint(sum, lineDensityOf(plate));
  const column = `${pressure(set - need - loss)} for ${rise} m up`;
  const { lowest_rating_pa: lowest, drop_m: drop = 0 } = sum;
  return [
    {
      label: 'Worked out',
      value: `${pressure(need)} wanted, ${pressure(loss)} lost, ${column}: ${pressure(set)}`,
    },
    ...(lowest === undefined
      ? []
      : [{ label: 'The lowest point bears', value: `${pressure(lowest)}, ${drop} m down` }]),
  ];
}
