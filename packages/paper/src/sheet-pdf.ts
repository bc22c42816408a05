import {
  DOUBT_TITLE,
  DRAWN_BOX,
  drawnPath,
  doubtWords,
  headWords,
  judgingGauge,
  keyNameOf,
  printersIn,
  printSignal,
  report,
  type Block,
  type CountersignState,
  type GaugeDoubt,
  type LogLine,
  type Receipt,
  type Report,
  type Sheet,
  type SignedByHand,
} from '@holvek/core';
import { drawBlock, type Pictures } from './blocks';
import {
  bytesOf,
  Flow,
  ink,
  LEFT,
  openDocument,
  plain,
  toneFill,
  toneInk,
  WIDTH,
  type Doc,
  type PaperFonts,
} from './page';

const minute = (ms: number) => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

/** What a sheet says, in the unit of the gauge that judged it. */
export const reportOf = ({ body }: Sheet): Report => {
  const unit = judgingGauge(body)?.unit ?? 'kPa';
  return report(body, {
    print: printersIn(unit),
    signalSay: (range, si) => printSignal(range, si, unit),
    timeSay: (ms) => `${minute(ms)} UTC`,
  });
};

/** Where a sheet stands: by its line in the log, or signed on a phone and in no log yet. */
export type Filed = LogLine | 'not_yet';

/** What stands beside a sheet and is no part of it. */
export type Beside = {
  readonly filed?: Filed | undefined;
  /** Gauges that failed a check after it was signed. */
  readonly doubts?: readonly GaugeDoubt[];
  /** How it stands with its second signature. */
  readonly second?: CountersignState;
  /** Files of the pictures that were taken in the work, as far as they are here. */
  readonly pictures?: Pictures;
  /** Who has received it, and how he has signed for it. */
  readonly received?: Receipt | undefined;
};

/** A sheet on A4 that can be handed to a client: as many pages as it takes, and nothing cut. */
export async function sheetPdf(
  sheet: Sheet,
  fonts: PaperFonts,
  { filed, doubts = [], second, pictures = {}, received }: Beside = {},
): Promise<Uint8Array<ArrayBuffer>> {
  const doc = openDocument(`${sheet.body.valve_tag} as-left sheet`, fonts);
  const told = reportOf(sheet);
  const flow = new Flow(doc);
  heading(doc, flow, told, sheet);
  if (doubts.length > 0) drawBlock(doc, flow, doubtBlock(doubts));
  if (second && second.kind !== 'not_wanted') drawBlock(doc, flow, secondBlock(second));
  for (const block of told.blocks) drawBlock(doc, flow, block, pictures);
  signature(doc, flow, sheet, received);
  if (filed && filed !== 'not_yet') filing(doc, flow, filed);
  pageFeet(doc, sheet);
  if (told.headline.isPractice) bands(doc, 'PRACTICE: a simulated valve, no record');
  else if (filed === 'not_yet') bands(doc, 'SIGNED, NOT YET FILED: the filed sheet counts');
  return bytesOf(doc);
}

/** Said before everything that the sheet says: it may rest on a wrong reading. */
const doubtBlock = (doubts: readonly GaugeDoubt[]): Block => ({
  kind: 'words',
  title: DOUBT_TITLE,
  lines: doubts.map((doubt) => ({ text: doubtWords(doubt, (day) => day), tone: 'stop' })),
});

/** Whether somebody has looked at it a second time, who, and what he said. */
function secondBlock(second: CountersignState): Block {
  const words = (lines: readonly string[], tone?: 'stop'): Block => ({
    kind: 'words',
    title: 'Second signature',
    lines: lines
      .filter((text) => text !== '')
      .map((text) => ({ text, ...(tone === undefined ? {} : { tone }) })),
  });
  if (!('last' in second)) return words(['Signed, to be countersigned: nobody has yet.'], 'stop');
  const { by, at_ms: at, words: said, signed } = second.last;
  const key = `key ${keyNameOf(signed.key).slice(0, 16)}`;
  return second.kind === 'agreed'
    ? words([`Countersigned by ${by}, ${minute(at)} UTC, ${key}`, said])
    : words([`Sent back by ${by}, ${minute(at)} UTC, ${key}`, said], 'stop');
}

/** Across the head of every page: nobody may take it for a record that is filed. */
function bands(doc: Doc, words: string) {
  const { start, count } = doc.bufferedPageRange();
  for (let i = start; i < start + count; i++) {
    doc.switchToPage(i);
    doc.rect(0, 0, doc.page.width, 20).fill(ink.slate);
    doc.font('bold').fontSize(11).fillColor('#FFFFFF').text(words, 0, 4, {
      width: doc.page.width,
      align: 'center',
      lineBreak: false,
    });
  }
}

function heading(doc: Doc, flow: Flow, { headline, figures, words }: Report, { body }: Sheet) {
  const { x, y } = flow.across(words ? 118 : 112);
  doc
    .font('bold')
    .fontSize(24)
    .fillColor(ink.text)
    .text(headline.title, x, y - 6);
  doc
    .font('body')
    .fontSize(11)
    .fillColor(ink.muted)
    .text(headline.under, x, y + 24);
  const about = `As-left sheet · ${minute(body.signed_at_ms)} UTC · revision ${body.revision}`;
  doc.fontSize(10).text(about, x, y + 40);
  doc.roundedRect(x + WIDTH - 150, y - 4, 150, 26, 13).fill(toneFill[headline.tone]);
  doc
    .font('bold')
    .fontSize(11)
    .fillColor(toneInk[headline.tone])
    .text(headline.verdict, x + WIDTH - 150, y + 3, { width: 150, align: 'center' });
  figures.forEach(({ label, value, tone = 'plain' }, i) => {
    const at = x + (i * WIDTH) / figures.length;
    doc
      .font('body')
      .fontSize(10)
      .fillColor(ink.muted)
      .text(label, at, y + 62);
    doc
      .font('figures')
      .fontSize(22)
      .fillColor(toneInk[tone])
      .text(plain(value), at, y + 76);
  });
  if (words)
    doc
      .font('bold')
      .fontSize(13)
      .fillColor(toneInk[words.tone ?? 'plain'])
      .text(words.text, x, y + 66, { width: WIDTH });
}

/** Room for a drawn signature, points. */
const DRAWN_HEIGHT = 44;

/** The line that is signed by pen where nobody has signed for it yet. */
const receivedWords = (received: Receipt | undefined): string =>
  received ? `Received by ${received.name}, ${minute(received.at_ms)} UTC` : 'Received by';

/** A signature as its hand drew it, standing on its line. */
function handOf(
  doc: Doc,
  drawn: SignedByHand,
  { x, y }: { readonly x: number; readonly y: number },
) {
  const scale = DRAWN_HEIGHT / DRAWN_BOX.height;
  doc.save().translate(x, y).scale(scale);
  doc
    .path(drawnPath(drawn))
    .lineWidth(1 / scale)
    .lineCap('round')
    .stroke(ink.text);
  doc.restore();
}

/** Who signed, who received it, and by which hash it is known. */
function signature(doc: Doc, flow: Flow, { hash, body }: Sheet, received?: Receipt) {
  const drawn = received?.drawn;
  const { x, y } = flow.across(86 + (drawn ? DRAWN_HEIGHT : 0));
  const line = y + 22 + (drawn ? DRAWN_HEIGHT : 0);
  const half = 210;
  const right = x + WIDTH - half;
  if (drawn) handOf(doc, drawn, { x: right, y: line - DRAWN_HEIGHT - 2 });
  for (const from of [x, right])
    doc
      .moveTo(from, line)
      .lineTo(from + half, line)
      .lineWidth(0.8)
      .stroke(ink.text);
  doc.font('body').fontSize(9).fillColor(ink.muted);
  doc.text(`Technician: ${body.technician}`, x, line + 5);
  doc.text(receivedWords(received), right, line + 5, { width: half });
  doc.font('figures').fontSize(7);
  doc.text(`SHA-256 ${hash}`, x, line + 24, { width: WIDTH });
  doc.text(`follows ${body.previous_hash ?? 'no earlier sheet'}`, x, line + 34, { width: WIDTH });
  const deference =
    'The maker’s manual, local code and licensed persons outrank the figures on this sheet.';
  doc
    .font('body')
    .fontSize(8)
    .text(deference, x, line + 46, { width: WIDTH });
}

/** Where it was filed: whoever holds this paper sees when the log has lost or changed it. */
function filing(doc: Doc, flow: Flow, line: LogLine) {
  const { x, y } = flow.across(26);
  doc.font('figures').fontSize(7).fillColor(ink.muted);
  doc.text(`log ${headWords(line)} · filed ${minute(line.at_ms)} UTC`, x, y, { width: WIDTH });
  doc.text(`key ${line.key}`, x, y + 10, { width: WIDTH });
}

/** Every page says what it belongs to and which of how many it is. */
function pageFeet(doc: Doc, { hash, body }: Sheet) {
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(i);
    doc
      .font('body')
      .fontSize(8)
      .fillColor(ink.muted)
      .text(`${body.valve_tag} · ${hash.slice(0, 12)} · page ${i + 1} of ${count}`, LEFT, 800, {
        width: WIDTH,
        align: 'right',
        lineBreak: false,
      });
  }
}
