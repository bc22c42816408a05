import type { Block } from '@holvek/core';
import { pagesPdf } from './pages-pdf';
import { fonts, readPdf } from './testing/read-pdf';

const table = (rows: number): Block => ({
  kind: 'table',
  title: 'Thursday, 3 December · Edda',
  head: ['', 'where', 'minutes'],
  rows: Array.from({ length: rows }, (_, i) => ({
    cells: [`${i + 1}. PRV-${i}`, 'Terrace', '25'],
  })),
});
const bring: Block = { kind: 'words', title: 'Bring', lines: [{ text: 'lock spanner' }] };
const page = (title: string, rows: number) => ({
  title,
  under: 'Winter',
  blocks: [table(rows), bring],
});

describe('pages that are handed out', () => {
  test('begin a sheet of paper each, and say which of how many', async () => {
    const pages = [page('Week of 30 Nov', 3), page('Week of 7 Dec', 2)];
    const read = readPdf(await pagesPdf('Winter at the pits', pages, fonts));
    expect(read.pages).toBe(2);
    for (const said of ['Week of 30 Nov', 'Week of 7 Dec', 'PRV-2', 'lock spanner', '2 of 2'])
      expect(read.words).toContain(said);
  });

  test('go on over as many sheets as they take, and lose no row', async () => {
    const read = readPdf(await pagesPdf('Winter', [page('Week of 30 Nov', 90)], fonts));
    expect(read.pages).toBeGreaterThan(1);
    const words = new Set(read.words.split(/\s+/u));
    for (let i = 0; i < 90; i++) expect(words).toContain(`PRV-${i}`);
    expect(read.words).toContain(`${read.pages} of ${read.pages}`);
  });
});
