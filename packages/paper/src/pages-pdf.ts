import type { Block } from '@holvek/core';
import { drawBlock } from './blocks';
import {
  bytesOf,
  Flow,
  ink,
  LEFT,
  openDocument,
  plain,
  WIDTH,
  type Doc,
  type PaperFonts,
} from './page';

/** A page with its heading; it goes on over as many sheets of paper as it takes. */
export type PaperPage = {
  readonly title: string;
  readonly under: string;
  readonly blocks: readonly Block[];
};

const HEAD = 52;

/** Pages that are handed out: each begins a sheet of A4 of its own, and nothing is cut. */
export async function pagesPdf(
  title: string,
  pages: readonly PaperPage[],
  fonts: PaperFonts,
): Promise<Uint8Array<ArrayBuffer>> {
  const doc = openDocument(title, fonts);
  const flow = new Flow(doc);
  pages.forEach((page, i) => {
    if (i > 0) flow.newPage();
    heading(doc, flow, page);
    for (const block of page.blocks) drawBlock(doc, flow, block);
  });
  feet(doc, title);
  return bytesOf(doc);
}

function heading(doc: Doc, flow: Flow, { title, under }: PaperPage): void {
  const { x, y } = flow.across(HEAD);
  doc.font('bold').fontSize(20).fillColor(ink.text).text(plain(title), x, y, { lineBreak: false });
  doc.font('body').fontSize(10).fillColor(ink.muted);
  doc.text(plain(under), x, y + 26, { lineBreak: false });
}

/** Every sheet of paper says what it belongs to, and which of how many it is. */
function feet(doc: Doc, title: string): void {
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.font('body').fontSize(8).fillColor(ink.muted);
    doc.text(plain(title), LEFT, 808, { lineBreak: false });
    doc.text(`${page + 1} of ${count}`, LEFT, 808, {
      width: WIDTH,
      align: 'right',
      lineBreak: false,
    });
  }
}
