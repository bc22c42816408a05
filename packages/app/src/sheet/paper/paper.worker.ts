import './import-meta';
import type { LogLine, Sheet } from '@holvek/core';
import { sheetPdf, type PaperFonts } from '@holvek/paper';
import { expose, transfer } from 'comlink';

/** A sheet on paper, made away from the screen by the same code as the server's. */
const paperWorker = {
  async pdf(sheet: Sheet, fonts: PaperFonts, line?: LogLine): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = await sheetPdf(sheet, fonts, line);
    return transfer(bytes, [bytes.buffer]);
  },
};
export type PaperWorker = typeof paperWorker;

expose(paperWorker);
