import type { Sheet } from '@holvek/core';
import type { Beside, Label, PaperPage } from '@holvek/paper';
import type { LabelLayout } from '@holvek/paper/label-layouts';

/** Only the web build makes paper of its own. */
export function pdfHere(sheet: Sheet, beside?: Beside): Promise<Uint8Array<ArrayBuffer>> {
  throw new Error(
    `a PDF of ${sheet.id}, ${beside?.filed ? 'filed' : 'not filed'}, needs a web worker`,
  );
}

export function labelsHere(
  labels: readonly Label[],
  size: LabelLayout,
): Promise<Uint8Array<ArrayBuffer>> {
  throw new Error(`${labels.length} labels of ${size} need a web worker`);
}

export function pagesHere(
  title: string,
  pages: readonly PaperPage[],
): Promise<Uint8Array<ArrayBuffer>> {
  throw new Error(`${pages.length} pages of ${title} need a web worker`);
}
