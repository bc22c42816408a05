import { AtkinsonHyperlegibleMono_500Medium } from '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import type { Sheet } from '@holvek/core';
import type { Beside, Label, PaperFonts, PaperPage } from '@holvek/paper';
import type { LabelLayout } from '@holvek/paper/label-layouts';
import { wrap, type Remote } from 'comlink';
import { Asset } from 'expo-asset';
import { pictures } from '@/data/store';
import type { PaperWorker } from './paper.worker';

const lettersOf = async (font: number): Promise<ArrayBuffer> =>
  (await fetch(Asset.fromModule(font).uri)).arrayBuffer();

async function fonts(): Promise<PaperFonts> {
  const [body, bold, figures] = await Promise.all([
    lettersOf(AtkinsonHyperlegibleNext_400Regular),
    lettersOf(AtkinsonHyperlegibleNext_700Bold),
    lettersOf(AtkinsonHyperlegibleMono_500Medium),
  ]);
  return { body, bold, figures };
}

/** A sheet as PDF, made on this device. */
export const pdfHere = (sheet: Sheet, beside?: Beside): Promise<Uint8Array<ArrayBuffer>> =>
  onPaper(async (worker, letters) =>
    worker.pdf(sheet, letters, { ...beside, pictures: await picturesHere(sheet) }),
  );

/** Files of its pictures that wait on this phone; one that has gone to the server is told by its words. */
async function picturesHere({ body }: Sheet): Promise<NonNullable<Beside['pictures']>> {
  const names = (body.pictures ?? []).map(({ picture }) => picture);
  const files = await Promise.all(
    names.map(async (name) => [name, await pictures.held(name)] as const),
  );
  return Object.fromEntries(files.flatMap(([name, file]) => (file ? [[name, file]] : [])));
}

/** Labels as PDF, made on this device. */
export const labelsHere = (
  labels: readonly Label[],
  size: LabelLayout,
): Promise<Uint8Array<ArrayBuffer>> =>
  onPaper((worker, letters) => worker.labels(labels, size, letters));

/** Pages that are handed out, as PDF, made on this device. */
export const pagesHere = (
  title: string,
  pages: readonly PaperPage[],
): Promise<Uint8Array<ArrayBuffer>> =>
  onPaper((worker, letters) => worker.pages(title, pages, letters));

type Make = (worker: Remote<PaperWorker>, letters: PaperFonts) => Promise<Uint8Array<ArrayBuffer>>;

/** A worker for one piece of paper; one that breaks is told as an error. */
async function onPaper(make: Make): Promise<Uint8Array<ArrayBuffer>> {
  const worker = new Worker(new URL('./paper.worker.ts', import.meta.url));
  const broken = new Promise<never>((_, reject) =>
    worker.addEventListener('error', ({ message }) => reject(new Error(message))),
  );
  try {
    return await Promise.race([make(wrap<PaperWorker>(worker), await fonts()), broken]);
  } finally {
    worker.terminate();
  }
}
