import PDFDocument from 'pdfkit';
import type { Tone } from '@holvek/core';

export type Doc = PDFKit.PDFDocument;

/** Colours on paper: enough on a grey printer too. */
export const ink = {
  text: '#17231F',
  muted: '#5C6963',
  line: '#D8D2C3',
  green: '#0E4841',
  lane: '#CDE6DD',
  brass: '#8A5E12',
  brassSoft: '#F6E7C8',
  stop: '#B8341E',
  stopSoft: '#F8DDD5',
  slate: '#33566B',
} as const;

export const toneInk: Readonly<Record<Tone, string>> = {
  good: ink.green,
  work: ink.brass,
  stop: ink.stop,
  quiet: ink.muted,
  plain: ink.text,
};
export const toneFill: Readonly<Record<Tone, string>> = {
  good: ink.lane,
  work: ink.brassSoft,
  stop: ink.stopSoft,
  quiet: ink.line,
  plain: ink.line,
};

export const LEFT = 48;
export const WIDTH = 499;
export const GAP = 20;
export const COLUMN = (WIDTH - GAP) / 2;
const TOP = 48;
export const BOTTOM = 772;

/** The fonts have no thin space; a plain one stands in for it on paper. */
export const plain = (text: string): string => text.replace(/[\u2009\u202f\u00a0]/gu, ' ');

/** The letters of a sheet: as files, or as what stands in them. */
export type PaperFonts = Readonly<Record<'body' | 'bold' | 'figures', string | ArrayBuffer>>;

/** A document with the house's fonts; A4 unless its pages are given, in points. */
export function openDocument(
  title: string,
  fonts: PaperFonts,
  size: 'A4' | [number, number] = 'A4',
): Doc {
  const doc = new PDFDocument({
    size,
    margin: 0,
    // None of the standard fonts: in a browser they are not there.
    font: '',
    bufferPages: true,
    info: { Title: title, Creator: 'Holvek' },
  });
  for (const [name, letters] of Object.entries(fonts)) doc.registerFont(name, letters);
  return doc;
}

/** Ends a document and gives it whole. */
export async function bytesOf(doc: Doc): Promise<Uint8Array<ArrayBuffer>> {
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  const ended = new Promise<void>((resolve) => doc.on('end', () => resolve()));
  doc.end();
  await ended;
  const whole = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

/**
 * Where the next block goes. Blocks stand in two columns or across the page; one that does not fit
 * begins the next page, so that nothing is ever cut.
 */
export class Flow {
  private ends = [TOP, TOP];

  constructor(private readonly doc: Doc) {}

  /** Room across the page, `height` high. */
  across(height: number): { readonly x: number; readonly y: number; readonly width: number } {
    const y = this.roomFor(Math.max(...this.ends), height);
    this.ends = [y + height, y + height];
    return { x: LEFT, y, width: WIDTH };
  }

  /** Room in the column that ends higher, `height` high. */
  column(height: number): { readonly x: number; readonly y: number; readonly width: number } {
    let at = this.ends[1]! < this.ends[0]! ? 1 : 0;
    if (this.ends[at]! + height > BOTTOM && height <= BOTTOM - TOP) {
      this.newPage();
      at = 0;
    }
    const y = this.ends[at]!;
    this.ends[at] = y + height;
    return { x: LEFT + at * (COLUMN + GAP), y, width: COLUMN };
  }

  private roomFor(y: number, height: number): number {
    if (y + height <= BOTTOM) return y;
    this.newPage();
    return TOP;
  }

  newPage(): void {
    this.doc.addPage({ size: 'A4', margin: 0 });
    this.ends = [TOP, TOP];
  }
}
