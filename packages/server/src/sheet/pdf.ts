import {
  familyName, judgingGauge, leadingSetting, printFigure, printQuantity, printTurns, unitOf,
  type Sheet, type SheetBody, type Verdict,
} from '@holvek/core'; // prettier-ignore
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import { drawStrip } from './pdf-strip';
import { drawTable, spanText, tableRows } from './pdf-table';

export const ink = { text: '#17231F', muted: '#5C6963', line: '#D8D2C3', green: '#1B6B60', lane: '#CDE6DD', brass: '#A8741A', stop: '#B8341E' }; // prettier-ignore
const LEFT = 48;
const WIDTH = 499;
type Doc = PDFKit.PDFDocument;

const verdictWords: Record<Verdict, string> = {
  pass: 'Pass, with margin',
  pass_without_margin: 'Pass, without margin',
  fail_without_margin: 'Fail, without margin',
  fail: 'Fail',
};

/** One A4 page that can be handed to a client, drawn from the frozen sheet alone. */
export async function sheetPdf(sheet: Sheet, fontFolder: string): Promise<Uint8Array<ArrayBuffer>> {
  const { body } = sheet;
  const doc = new PDFDocument({
    size: 'A4',
    margin: 0,
    info: { Title: `${body.valve_tag} as-left sheet`, Creator: 'Holvek' },
  });
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  const ended = new Promise<void>((resolve) => doc.on('end', () => resolve()));
  registerFonts(doc, fontFolder);
  heading(doc, body);
  const strip = { x: LEFT, y: 204, width: 292, height: 178 };
  results(doc, body);
  const drawn = body.settings.find(({ dots }) => dots.length > 1);
  if (drawn) drawStrip(doc, drawn, body.gauges[drawn.role], strip);
  else if (body.tables) drawTable(doc, body.tables, strip);
  else settingsTable(doc, body, strip);
  proofBox(doc, body, { x: LEFT + 310, y: 204 });
  const leftEnd = rows(doc, 'Valve and setting', plateRows(body), { x: LEFT, y: 402, width: 240 });
  const rightEnd = rows(doc, 'Gauge', gaugeRows(body), { x: LEFT + 259, y: 402, width: 240 });
  const listEnd = lists(doc, body, Math.max(leftEnd, rightEnd) + 12);
  notes(doc, body, listEnd + 8);
  signature(doc, sheet);
  doc.end();
  await ended;
  return new Uint8Array(Buffer.concat(chunks));
}

function registerFonts(doc: Doc, folder: string) {
  const next = (weight: string) =>
    join(folder, 'atkinson-hyperlegible-next', weight, `AtkinsonHyperlegibleNext_${weight}.ttf`);
  doc.registerFont('body', next('400Regular'));
  doc.registerFont('bold', next('700Bold'));
  doc.registerFont('figures', join(folder, 'atkinson-hyperlegible-mono', '500Medium', 'AtkinsonHyperlegibleMono_500Medium.ttf')); // prettier-ignore
}

/** The fonts have no thin space; a plain one stands in for it on paper. */
const plain = (text: string) => text.replace(/\u2009/gu, ' ');
const unitFor = (body: SheetBody) => judgingGauge(body)?.unit ?? 'kPa';
const stepFor = (body: SheetBody) => judgingGauge(body)?.resolution_pa;
const show = (body: SheetBody, pa: number) => plain(printQuantity(pa, unitFor(body), stepFor(body)));
const day = (ms: number) => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

function heading(doc: Doc, body: SheetBody) {
  doc.font('bold').fontSize(24).fillColor(ink.text).text(body.valve_tag, LEFT, 42);
  doc.font('body').fontSize(11).fillColor(ink.muted).text(`${body.valve_name} · ${familyName[body.plate.family].toLowerCase()}, DN ${body.plate.size_dn}`, LEFT, 72); // prettier-ignore
  doc
    .font('body')
    .fontSize(10)
    .text(`As-left sheet · ${day(body.signed_at_ms)} UTC · revision ${body.revision}`, LEFT, 88);
  const good = body.outcome === 'sequence_done' || (body.verdict?.startsWith('pass') ?? false);
  doc.roundedRect(LEFT + WIDTH - 150, 44, 150, 26, 13).fill(good ? ink.lane : '#F8DDD5');
  doc.font('bold').fontSize(11).fillColor(good ? '#0E4841' : ink.stop).text(outcomeWords(body), LEFT + WIDTH - 150, 51, { width: 150, align: 'center' }); // prettier-ignore
  if (body.rehearsal)
    doc.font('bold').fontSize(10).fillColor(ink.brass).text('Against the simulated gauge', LEFT + WIDTH - 180, 80, { width: 180, align: 'right' }); // prettier-ignore
  doc
    .moveTo(LEFT, 112)
    .lineTo(LEFT + WIDTH, 112)
    .lineWidth(1)
    .stroke(ink.line);
}

const outcomeWords = ({ outcome, verdict }: SheetBody): string =>
  outcome === 'out_of_service'
    ? 'Out of service'
    : verdict === null
      ? 'Sequence carried out'
      : verdictWords[verdict];

function results(doc: Doc, body: SheetBody) {
  const figure = (label: string, value: string, x: number, colour: string = ink.text) => {
    doc.font('body').fontSize(10).fillColor(ink.muted).text(label, x, 124);
    doc.font('figures').fontSize(24).fillColor(colour).text(plain(value), x, 138);
  };
  const unit = unitFor(body);
  const step = stepFor(body);
  const number = (pa: number | null) => (pa === null ? 'not read' : printFigure(pa, unit, step));
  const leading = leadingSetting(body);
  if (leading) {
    const several = body.settings.length > 1 ? `${leading.name.toLowerCase()} ` : '';
    figure(`${several}as found, ${unit}`, number(leading.as_found_pa), LEFT);
    figure(`as left, ${unit}`, number(leading.as_left_pa), LEFT + 170, ink.green);
    figure(`target, ${unit}`, `${number(leading.target.set_point_pa)} ± ${printFigure(leading.target.tolerance_pa, unit)}`, LEFT + 330); // prettier-ignore
  } else if (body.tables) {
    figure('largest error found', body.tables.as_found ? spanText(body.tables.as_found.worst_error) : 'not read', LEFT);
    figure('largest error left', spanText(body.tables.as_left.worst_error), LEFT + 170, ink.green);
    figure('allowed, of span', `± ${spanText(body.tables.tolerance)}`, LEFT + 330);
  } else
    doc.font('bold').fontSize(14).fillColor(body.outcome === 'out_of_service' ? ink.stop : ink.text).text(body.out_of_service_because ?? 'Carried out in its order; nothing was set.', LEFT, 136, { width: WIDTH }); // prettier-ignore
  doc.font('body').fontSize(10).fillColor(ink.muted).text(`Why: ${body.target.why}`, LEFT, 174, { width: WIDTH, height: 24, ellipsis: true }); // prettier-ignore
}

/** Every setting of the run in a row of its own, where no strip is drawn. */
function settingsTable(doc: Doc, body: SheetBody, box: { x: number; y: number; width: number }) {
  const lines = body.settings.map(({ name, as_found_pa: found, as_left_pa: left }): [string, string] => [
    name,
    `${found === null ? '–' : show(body, found)} to ${show(body, left)}`,
  ]);
  if (lines.length > 0) rows(doc, 'Settings, found to left', lines, box);
}

function proofBox(doc: Doc, body: SheetBody, at: { x: number; y: number }) {
  rows(doc, 'Proof', proofRows(body).slice(0, 10), { ...at, width: 189 });
}

/** An electronic pilot in few words: volts, stroke, tuning, card. */
function deviceRows({ cables, stroke, tuning, kept_tuning_of: kept, log_days: days }: NonNullable<SheetBody['device']>): [string, string][] {
  return [
    ...cables.map(({ cable, left_v: left }): [string, string] => [cable === 'loop' ? 'Sensor loop' : 'Actuator supply', `${left.toFixed(1)} V left over`]),
    ...(stroke ? [['Stroke', `${stroke.closed} to ${stroke.open}, ${stroke.seconds.toFixed(1)} s`] as [string, string]] : []),
    ['Tuning', tuning ? `gain ${tuning.gain.toFixed(2)}, ${tuning.integral_s.toFixed(0)} s` : `kept, ${kept ?? 'not tuned'}`],
    ['Card lasts', `${Math.floor(days)} days`],
  ];
} // prettier-ignore

/** What was proved, in the terms of the family. */
function proofRows(body: SheetBody): [string, string][] {
  const { cracking, no_flow: noFlow, settings } = body;
  const leading = leadingSetting(body);
  const share = (value: number | null) => (value === null ? 'not read' : `${(value * 100).toFixed(1)} %`);
  const lines: [string, string][] = settings.slice(1).map(({ name, as_left_pa, verdict }) => [name, `${show(body, as_left_pa)}, ${verdict.startsWith('pass') ? 'pass' : 'fail'}`]); // prettier-ignore
  if (body.device) lines.push(...deviceRows(body.device));
  if (body.tables) lines.push(...tableRows(body.tables));
  const { control } = body;
  if (control)
    lines.push(
      ['Proportional band', `${control.band_percent} %`],
      ['Reset', `${control.reset_minutes} min a repeat`],
      ['Output in the sweep', `± ${show(body, control.alignment_spread_pa)}`],
    );
  if (body.edges)
    lines.push(
      ['Lights from', `${show(body, body.edges.low_pa)} to ${show(body, body.edges.high_pa)}`],
      [
        'Lights, failed',
        `${body.edges.lights.length}, ${body.edges.lights.filter(({ lit }) => !lit).length}`,
      ],
    );
  if (cracking)
    lines.push(
      ['Cracking', `${show(body, cracking.cracking_pa)}, ${cracking.cycles.length} cycles`],
      ['Spread', show(body, cracking.cracking_spread_pa)],
      ['Reseat', cracking.reseat_pa === null ? 'not seen' : show(body, cracking.reseat_pa)],
      ['Blowdown', share(cracking.blowdown)],
      ['Overpressure', share(cracking.overpressure)],
    );
  if (body.droop_pa !== null) lines.push(['Droop at working flow', show(body, body.droop_pa)]);
  if (noFlow)
    lines.push(
      ['Rise at no flow', show(body, noFlow.rise_pa)],
      ['Rise allowed', show(body, noFlow.allowed_pa)],
      ['No-flow record', noFlow.shape === 'creeps' ? 'creeps: seat leaks' : 'rises and levels'],
    );
  if (leading)
    lines.push(
      ['Method', { by_reading: 'read', by_pressure: 'by pressure', by_count: 'by count' }[leading.method]],
      ['Rate of the adjuster', leading.rate_pa_per_turn === null ? 'not learned' : `${show(body, Math.abs(leading.rate_pa_per_turn))} a turn`],
      ['Clockwise', leading.clockwise],
      ['Net turns', `${leading.turns_net < 0 ? '−' : ''}${printTurns(leading.turns_net)}`],
    ); // prettier-ignore
  return lines;
}

const plateRows = (body: SheetBody): [string, string][] => [
  ['Spring', body.plate.fitted_spring || 'none'],
  ['Outlet rating', show(body, body.plate.outlet_rating_pa)],
  ['Never above', show(body, body.target.limit_pa)],
  ['School', body.school.replaceAll('_', ' ')],
  ['Accessories', body.plate.accessories.join(', ') || 'none'],
];

function gaugeRows(body: SheetBody): [string, string][] {
  const gauge = judgingGauge(body);
  if (!gauge) return [['Gauge', 'none']];
  const outOfDate = body.gauge_findings.includes('gauge.out_of_date');
  return [
    ['Gauge', gauge.tag],
    ['Range', `${printFigure(gauge.range_low_pa, gauge.unit, gauge.resolution_pa)} to ${show(body, gauge.range_high_pa)}`],
    ['Accuracy', `${(gauge.accuracy_fraction * 100).toFixed(2)} % of span`],
    ['Calibration', `${gauge.calibrated_on} to ${gauge.calibration_due_on}${outOfDate ? ' (OUT OF DATE)' : ''}`],
    ['Uncertainty, k = 2', `± ${printFigure(leadingSetting(body)?.uncertainty_pa ?? 0, gauge.unit, Math.min(gauge.resolution_pa, unitOf(gauge.unit).factor) / 10)} ${gauge.unit}`],
  ]; // prettier-ignore
}

/** A titled list of label and value; returns where it ends. */
function rows(
  doc: Doc,
  title: string,
  lines: readonly (readonly [string, string])[],
  box: { x: number; y: number; width: number },
): number {
  doc.font('bold').fontSize(11).fillColor(ink.text).text(title, box.x, box.y);
  let y = box.y + 18;
  for (const [label, value] of lines) {
    doc.font('body').fontSize(9).fillColor(ink.muted).text(label, box.x, y);
    doc.font('bold').fontSize(9).fillColor(ink.text).text(plain(value), box.x + box.width * 0.42, y, { width: box.width * 0.58, height: 22, align: 'right', ellipsis: true }); // prettier-ignore
    y += 17;
    doc
      .moveTo(box.x, y - 4)
      .lineTo(box.x + box.width, y - 4)
      .lineWidth(0.5)
      .stroke(ink.line);
  }
  return y;
}

function lists(doc: Doc, body: SheetBody, y: number): number {
  const column = (title: string, lines: readonly string[], x: number) => {
    doc.font('bold').fontSize(11).fillColor(ink.text).text(title, x, y);
    doc.font('body').fontSize(9).fillColor(ink.muted);
    doc.text(lines.length ? lines.join('\n') : 'none', x, y + 17, {
      width: 240,
      height: 110,
      ellipsis: true,
      lineGap: 2,
    });
    return doc.y;
  };
  const ends = body.open_ends.map(({ say, state, reason }) =>
    state === 'closed' ? `${say}: put back` : `${say}: LEFT OPEN, ${reason ?? ''}`,
  );
  const cautions = body.cautions.map(
    ({ hazard, accepted_at_ms }) =>
      `${hazard.replaceAll('_', ' ')}, accepted ${day(accepted_at_ms).slice(11)}`,
  );
  const a = column('Moved for the job', ends, LEFT);
  const b = column('Cautions accepted', cautions, LEFT + 259);
  return Math.max(a, b);
}

function notes(doc: Doc, body: SheetBody, y: number) {
  const skipped = body.skipped.map(
    ({ step_id, reason }) => `Skipped ${step_id.replaceAll('_', ' ')}: ${reason}`,
  );
  const corrects = body.corrects ? [`Corrects ${body.corrects.hash.slice(0, 12)}: ${body.corrects.why}`] : [];
  const lines = [...corrects, ...skipped, ...body.notes];
  if (lines.length === 0) return;
  doc.font('bold').fontSize(11).fillColor(ink.text).text('Notes', LEFT, y);
  doc.font('body').fontSize(9).fillColor(ink.muted).text(lines.join('\n'), LEFT, y + 16, { width: WIDTH, height: Math.max(20, 716 - y), ellipsis: true }); // prettier-ignore
}

function signature(doc: Doc, { hash, body }: Sheet) {
  const y = 752;
  doc
    .moveTo(LEFT, y)
    .lineTo(LEFT + 210, y)
    .lineWidth(0.8)
    .stroke(ink.text);
  doc
    .font('body')
    .fontSize(9)
    .fillColor(ink.muted)
    .text(`Technician: ${body.technician}`, LEFT, y + 5);
  doc
    .moveTo(LEFT + 289, y)
    .lineTo(LEFT + WIDTH, y)
    .stroke(ink.text);
  doc.text('Received by', LEFT + 289, y + 5);
  doc
    .font('figures')
    .fontSize(7)
    .text(`SHA-256 ${hash}`, LEFT, y + 28, { width: WIDTH });
  doc.text(`follows ${body.previous_hash ?? 'no earlier sheet'}`, LEFT, y + 39, { width: WIDTH });
  doc.font('body').fontSize(8).text('The maker’s manual, local code and licensed persons outrank the figures on this sheet.', LEFT, y + 54, { width: WIDTH }); // prettier-ignore
}
