import './import-meta';
import type { Sheet } from '@holvek/core';
import {
  labelsPdf,
  pagesPdf,
  sheetPdf,
  type Beside,
  type Label,
  type PaperFonts,
  type PaperPage,
} from '@holvek/paper';
import type { LabelLayout } from '@holvek/paper/label-layouts';
import { expose, transfer } from 'comlink';

/** Sheets and labels on paper, made away from the screen by the same code as the server's. */
const paperWorker = {
  async pdf(sheet: Sheet, fonts: PaperFonts, beside?: Beside): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = await sheetPdf(sheet, fonts, beside);
    return transfer(bytes, [bytes.buffer]);
  },
  async pages(
    title: string,
    pages: readonly PaperPage[],
    fonts: PaperFonts,
  ): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = await pagesPdf(title, pages, fonts);
    return transfer(bytes, [bytes.buffer]);
  },
  async labels(
    labels: readonly Label[],
    size: LabelLayout,
    fonts: PaperFonts,
  ): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = await labelsPdf(labels, size, fonts);
    return transfer(bytes, [bytes.buffer]);
  },
};
export type PaperWorker = typeof paperWorker;

expose(paperWorker);
