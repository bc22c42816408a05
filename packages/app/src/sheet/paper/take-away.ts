import {
  hashOf,
  readingRowsOf,
  sheetFile,
  sheetFileName,
  writeReadingsCsv,
  type Sheet,
  type SheetBody,
} from '@holvek/core';
import type { Beside } from '@holvek/paper';
import { saveBlob } from '@/ui/files';
import { pdfHere } from './client';

export type Ending = 'pdf' | 'csv' | 'json';

/** The file as the server has it, with where it was filed; undefined without a network. */
const fromServer = async (id: string, ending: Ending): Promise<Blob | undefined> => {
  try {
    const answer = await fetch(`/api/sheets/${encodeURIComponent(id)}.${ending}`);
    return answer.ok ? await answer.blob() : undefined;
  } catch {
    return undefined;
  }
};

/** The same made on this device, by the same code. */
async function madeHere(sheet: Sheet, ending: Ending, beside: Beside = {}): Promise<Blob> {
  switch (ending) {
    case 'pdf':
      return new Blob([await pdfHere(sheet, beside)], { type: 'application/pdf' });
    case 'csv':
      return new Blob([writeReadingsCsv(readingRowsOf(sheet.body))], { type: 'text/csv' });
    case 'json':
      return new Blob([JSON.stringify(sheetFile(sheet), null, 2)], { type: 'application/json' });
  }
}

/** Hands a sheet to the person as a file, with a network or without. */
export async function takeAway(sheet: Sheet, ending: Ending, beside?: Beside): Promise<void> {
  const blob = (await fromServer(sheet.id, ending)) ?? (await madeHere(sheet, ending, beside));
  saveBlob(sheetFileName(sheet.body, ending), blob);
}

const canShare = (file: File): boolean =>
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- not every browser has it
  navigator.canShare?.({ files: [file] }) ?? false;

/** Whether this device can hand a PDF on to another program or person by itself. */
export const canSharePdf = (): boolean =>
  canShare(new File([], 'sheet.pdf', { type: 'application/pdf' }));

/** Hands a sheet's PDF on; to let it be is no error. */
export async function sharePdf(sheet: Sheet, beside?: Beside): Promise<void> {
  const blob = (await fromServer(sheet.id, 'pdf')) ?? (await madeHere(sheet, 'pdf', beside));
  const name = sheetFileName(sheet.body, 'pdf');
  const file = new File([blob], name, { type: 'application/pdf' });
  await navigator.share({ files: [file], title: name }).catch((error: unknown) => {
    if (!(error instanceof DOMException) || error.name !== 'AbortError') throw error;
  });
}

/** A sheet that is signed on this phone and has no number yet, as PDF; every page says that it is not filed. */
export async function takeUnfiled(body: SheetBody): Promise<void> {
  const bytes = await pdfHere({ id: 'not-filed', hash: hashOf(body), body }, { filed: 'not_yet' });
  saveBlob(sheetFileName(body, 'pdf'), new Blob([bytes], { type: 'application/pdf' }));
}
