import { create } from 'qrcode';
import { labelLayouts, type LabelLayout, type Layout } from './label-layouts';
import { bytesOf, ink, openDocument, plain, type Doc, type PaperFonts } from './page';

/** What hangs on a valve: its tag, what was last left, and the address that a phone opens by its code. */
export type Label = {
  readonly tag: string;
  /** Short lines, the most important first; what has no room is left out from below. */
  readonly lines: readonly string[];
  readonly address: string;
};

const MM = 72 / 25.4;
const MARGIN = 2.5 * MM;

/** Labels to be printed, in their order: as many pages as they take. */
export async function labelsPdf(
  labels: readonly Label[],
  size: LabelLayout,
  fonts: PaperFonts,
): Promise<Uint8Array<ArrayBuffer>> {
  const layout: Layout = labelLayouts[size];
  const page = layout.page?.map((mm) => mm * MM) as [number, number] | undefined;
  const doc = openDocument('Labels', fonts, page);
  const onPage = layout.columns * layout.rows;
  labels.forEach((label, i) => {
    if (i > 0 && i % onPage === 0) doc.addPage();
    const place = i % onPage;
    const column = place % layout.columns;
    const row = Math.floor(place / layout.columns);
    drawLabel(doc, label, {
      x: (layout.left + column * (layout.width + layout.gap)) * MM,
      y: (layout.top + row * layout.height) * MM,
      width: layout.width * MM,
      height: layout.height * MM,
    });
  });
  return bytesOf(doc);
}

type Box = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

function drawLabel(doc: Doc, { tag, lines, address }: Label, { x, y, width, height }: Box) {
  const code = Math.min(height - 2 * MARGIN, width * 0.42);
  drawCode(doc, address, { x: x + MARGIN, y: y + (height - code) / 2, side: code });
  const left = x + 2 * MARGIN + code;
  const room = x + width - MARGIN - left;
  doc.font('bold').fillColor(ink.text);
  const big = fitting(doc, tag, room, height * 0.2);
  doc.fontSize(big).text(plain(tag), left, y + MARGIN, { lineBreak: false });
  let at = y + MARGIN + big * 1.35;
  const small = Math.max(6, height * 0.085);
  doc.font('body').fontSize(small);
  for (const line of lines) {
    const text = plain(line);
    const tall = doc.heightOfString(text, { width: room });
    if (at + tall > y + height - MARGIN / 2) break;
    doc.text(text, left, at, { width: room });
    at += tall + 1;
  }
}

/** The largest letters in which a word still stands on one line, points. */
function fitting(doc: Doc, text: string, room: number, most: number): number {
  const wide = doc.fontSize(most).widthOfString(plain(text));
  return wide <= room ? most : (most * room) / wide;
}

/** An address as a code, drawn by its modules. */
function drawCode(
  doc: Doc,
  address: string,
  { x, y, side }: { readonly x: number; readonly y: number; readonly side: number },
) {
  const { modules } = create(address, { errorCorrectionLevel: 'M' });
  const cell = side / modules.size;
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) doc.rect(x + column * cell, y + row * cell, cell, cell);
  doc.fill(ink.text);
}
