import type { Block } from '@holvek/core';
import { drawChart, heightOfChart } from './chart';
import { BOTTOM, COLUMN, ink, plain, toneInk, WIDTH, type Doc, type Flow } from './page';

/** Files of pictures, JPEG, by their digest. */
export type Pictures = Readonly<Record<string, ArrayBuffer>>;
/** Room for one, points. */
const PICTURE_HEIGHT = 170;

type Of<K extends Block['kind']> = Extract<Block, { kind: K }>;

const SIZE = 9;
const TITLE = 20;
/** Room under a block. */
const AFTER = 12;
const LABEL_SHARE = 0.44;

const title = (doc: Doc, text: string, x: number, y: number): void => {
  doc.font('bold').fontSize(11).fillColor(ink.text).text(text, x, y, { lineBreak: false });
};
const textHeight = (doc: Doc, font: 'body' | 'bold', text: string, width: number): number =>
  doc.font(font).fontSize(SIZE).heightOfString(plain(text), { width });

/** Draws a block where there is room for it. */
export function drawBlock(doc: Doc, flow: Flow, block: Block, pictures: Pictures = {}): void {
  switch (block.kind) {
    case 'rows':
      return drawRows(doc, flow, block);
    case 'table':
      return drawTable(doc, flow, block);
    case 'chart': {
      const height = heightOfChart(block.chart, WIDTH);
      const { x, y, width } = flow.across(TITLE + height + AFTER);
      title(doc, block.title, x, y);
      return drawChart(doc, block.chart, { x, y: y + TITLE, width, height });
    }
    case 'pictures':
      return drawPictures(doc, flow, block, pictures);
    case 'words':
      return drawWords(doc, flow, block);
  }
}

/** Pictures in two columns, each with its words; one whose file is not here is told by its words and its digest. */
function drawPictures(
  doc: Doc,
  flow: Flow,
  { title: name, pictures }: Of<'pictures'>,
  files: Pictures,
) {
  pictures.forEach((picture, i) => {
    const file = files[picture.name];
    const say = file ? picture.say : `${picture.say} (file ${picture.name.slice(0, 12)})`;
    const tall = textHeight(doc, 'body', say, COLUMN);
    const box = flow.column(TITLE + (file ? PICTURE_HEIGHT + 4 : 0) + tall + AFTER);
    title(doc, i === 0 ? name : '', box.x, box.y);
    let y = box.y + TITLE;
    if (file) {
      doc.image(file as never, box.x, y, { fit: [COLUMN, PICTURE_HEIGHT] });
      y += PICTURE_HEIGHT + 4;
    }
    doc
      .font('body')
      .fontSize(SIZE)
      .fillColor(ink.text)
      .text(plain(say), box.x, y, { width: COLUMN });
  });
}

/** Label and value; a value that is long goes on in further lines. */
function drawRows(doc: Doc, flow: Flow, { title: name, rows }: Of<'rows'>): void {
  const valueWidth = COLUMN * (1 - LABEL_SHARE);
  const labelWidth = COLUMN * LABEL_SHARE - 6;
  const heights = rows.map(
    ({ label, value }) =>
      Math.max(
        textHeight(doc, 'bold', value, valueWidth),
        textHeight(doc, 'body', label, labelWidth),
      ) + 6,
  );
  const box = flow.column(TITLE + heights.reduce((sum, height) => sum + height, 0) + AFTER);
  title(doc, name, box.x, box.y);
  let y = box.y + TITLE;
  rows.forEach(({ label, value, tone = 'plain' }, i) => {
    doc
      .font('body')
      .fontSize(SIZE)
      .fillColor(ink.muted)
      .text(label, box.x, y, { width: labelWidth });
    doc
      .font('bold')
      .fillColor(toneInk[tone])
      .text(plain(value), box.x + COLUMN * LABEL_SHARE, y, { width: valueWidth, align: 'right' });
    y += heights[i]!;
    rule(doc, box.x, y - 3, COLUMN);
  });
}

/** A table across the page; its head stands again where it goes on over the page. */
function drawTable(doc: Doc, flow: Flow, { title: name, head, rows }: Of<'table'>): void {
  const width = WIDTH / head.length;
  const line = (cells: readonly string[], font: 'body' | 'bold') =>
    Math.max(...cells.map((cell) => textHeight(doc, font, cell, width - 8))) + 6;
  const put = (cells: readonly string[], y: number, x: number, colour: string) => {
    cells.forEach((cell, i) =>
      doc
        .fontSize(SIZE)
        .fillColor(colour)
        .text(plain(cell), x + i * width, y, {
          width: width - 8,
          align: i === 0 ? 'left' : 'right',
        }),
    );
  };
  const headHeight = TITLE + line(head, 'body');
  const begin = (first: number) => {
    const { x, y } = flow.across(headHeight + first);
    title(doc, name, x, y);
    doc.font('body');
    put(head, y + TITLE, x, ink.muted);
    return { x, y: y + headHeight };
  };
  let at: { x: number; y: number } | undefined;
  for (const { cells, tone = 'plain' } of rows) {
    const height = line(cells, 'bold');
    if (!at || at.y + height > BOTTOM) at = begin(height);
    else flow.across(height);
    doc.font('bold');
    put(cells, at.y, at.x, toneInk[tone]);
    at.y += height;
    rule(doc, at.x, at.y - 3, WIDTH);
  }
  flow.across(AFTER);
}

/** Lines of words, each as long as it is. */
function drawWords(doc: Doc, flow: Flow, { title: name, lines }: Of<'words'>): void {
  let isFirst = true;
  for (const { text, tone = 'quiet' } of lines) {
    const height = textHeight(doc, 'body', text, WIDTH) + 3;
    const { x, y } = flow.across(height + (isFirst ? TITLE : 0));
    if (isFirst) title(doc, name, x, y);
    doc
      .font('body')
      .fontSize(SIZE)
      .fillColor(toneInk[tone])
      .text(plain(text), x, y + (isFirst ? TITLE : 0), { width: WIDTH });
    isFirst = false;
  }
  flow.across(AFTER);
}

const rule = (doc: Doc, x: number, y: number, width: number): void => {
  doc
    .moveTo(x, y)
    .lineTo(x + width, y)
    .lineWidth(0.5)
    .stroke(ink.line);
};
