import { join } from 'node:path';
import type { PaperFonts } from '@holvek/paper';

/** The letters of a sheet, as files of the packages that ship them. */
export function fontsIn(folder: string): PaperFonts {
  const next = (weight: string) =>
    join(folder, 'atkinson-hyperlegible-next', weight, `AtkinsonHyperlegibleNext_${weight}.ttf`);
  const mono = 'AtkinsonHyperlegibleMono_500Medium.ttf';
  return {
    body: next('400Regular'),
    bold: next('700Bold'),
    figures: join(folder, 'atkinson-hyperlegible-mono', '500Medium', mono),
  };
}
