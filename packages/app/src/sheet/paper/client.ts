import type { Sheet } from '@holvek/core';

/** Only the web build makes paper of its own. */
export function pdfHere(sheet: Sheet): Promise<Uint8Array<ArrayBuffer>> {
  throw new Error(`a PDF of ${sheet.id} needs a web worker`);
}
