import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const family = join(__dirname, '../../../../node_modules/@expo-google-fonts/atkinson-hyperlegible');
/** The house's letters, as files. */
export const fonts = {
  body: `${family}-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`,
  bold: `${family}-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`,
  figures: `${family}-mono/500Medium/AtkinsonHyperlegibleMono_500Medium.ttf`,
};

export type ReadPdf = { readonly pages: number; readonly words: string };

/** Words and number of pages of a PDF, by Debian's poppler-utils. */
export function readPdf(bytes: Uint8Array): ReadPdf {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-pdf-'));
  try {
    const file = join(folder, 'paper.pdf');
    writeFileSync(file, bytes);
    const run = (command: string, ...args: string[]) =>
      execFileSync(command, args, { encoding: 'utf8' });
    const [, pages] = /Pages:\s+(\d+)/u.exec(run('pdfinfo', file))!;
    return { pages: Number(pages), words: run('pdftotext', '-raw', file, '-') };
  } finally {
    rmSync(folder, { recursive: true });
  }
}
