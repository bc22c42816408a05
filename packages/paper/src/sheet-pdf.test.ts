import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import {
  freezeSheet,
  hashOf,
  reduceRun,
  runEventSchema,
  unwrap,
  type Block,
  type CountersignState,
  type Sheet,
  type SheetBody,
} from '@holvek/core';
import { z } from 'zod';
import { reportOf, sheetPdf, type Beside } from './sheet-pdf';
import { fonts, readPdf } from './testing/read-pdf';

const root = join(__dirname, '../../..');
const stored = z
  .array(z.object({ name: z.string(), hash: z.string(), events: z.array(runEventSchema) }))
  .parse(
    JSON.parse(readFileSync(join(root, 'packages/core/src/testing/stored-runs.json'), 'utf8')),
  );
const sheetOf = (body: SheetBody): Sheet => ({ id: 'sheet', hash: hashOf(body), body });
const bodies = stored.map(
  ({ name, events }) =>
    [name, unwrap(freezeSheet(unwrap(reduceRun(events)), null))] as [string, SheetBody],
);

/** A small grey picture, JPEG. */
const picture = Uint8Array.from(
  Buffer.from(
    [
      '/9j/2wBDAA0JCgsKCA0LCgsODg0PEyAVExISEyccHhcgLikxMC4pLSwzOko+MzZGNywtQFdBRkxOUlNSMj5aYVpQ',
      'YEpRUk//2wBDAQ4ODhMREyYVFSZPNS01T09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09P',
      'T09PT09PT0//wAARCAAwAEADASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAL/xAAUEAEAAAAAAAAAAAAA',
      'AAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAAAAP/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIRAxEAPwCw',
      'FkQAAAAAAAAAAAAAAAAAAAAAH//Z',
    ].join(''),
    'base64',
  ),
);

const wordsOf = async (sheet: Sheet, beside?: Beside): Promise<string> =>
  readPdf(await sheetPdf(sheet, fonts, beside)).words;
/** Paper breaks lines where it must: words are compared without their spaces. */
const squeezed = (text: string) => text.replace(/[\s\u00A0]+/gu, '');

const saidBy = (block: Block): readonly string[] => {
  switch (block.kind) {
    case 'rows':
      return block.rows.flatMap(({ label, value }) => [label, value]);
    case 'table':
      return [...block.head, ...block.rows.flatMap(({ cells }) => cells)];
    case 'words':
      return block.lines.map(({ text }) => text);
    case 'chart':
      return [block.title];
    case 'pictures':
      return block.pictures.map(({ say }) => say);
  }
};

describe('a sheet on paper (needs pdftotext of poppler-utils)', () => {
  test.each(bodies)('%s has every word of its report', async (_, body) => {
    const sheet = sheetOf(body);
    const words = squeezed(await wordsOf(sheet));
    const said = reportOf(sheet).blocks.flatMap(saidBy);
    expect(said.length).toBeGreaterThan(30);
    expect(said.filter((text) => !words.includes(squeezed(text)))).toEqual([]);
  });

  test('a gauge that failed its check since stands before all else, and nothing where none did', async () => {
    const sheet = sheetOf(bodies[0]![1]);
    const failure = { on: '2026-12-03', since: '2026-05-01', why: 'read 12 kPa low' };
    const words = squeezed(await wordsOf(sheet, { doubts: [{ tag: 'G-12', failure }] }));
    expect(words).toContain(squeezed('In doubt: read it again with another gauge'));
    expect(words).toContain(squeezed('G-12 failed its check on 2026-12-03: read 12 kPa low.'));
    expect(words).toContain(squeezed('since 2026-05-01 cannot be vouched for.'));
    expect(words.indexOf('Indoubt')).toBeLessThan(words.indexOf('Cautionsaccepted'));
    expect(squeezed(await wordsOf(sheet, { doubts: [] }))).not.toContain('Indoubt');
  });

  test('says how it stands with its second signature, where one is wanted', async () => {
    const sheet = sheetOf(bodies[0]![1]);
    const key = { kty: 'EC', crv: 'P-256', x: 'AA', y: 'AA' } as const;
    const last = {
      sheet: sheet.hash,
      by: 'Edda Lorenz',
      verdict: 'sent_back' as const,
      words: 'No photo of the seal',
      at_ms: Date.UTC(2026, 10, 27, 9, 5),
      signed: { key, signature: 'AA' },
    };
    const wordsIn = async (second: CountersignState) => squeezed(await wordsOf(sheet, { second }));
    expect(await wordsIn({ kind: 'wanted' })).toContain(squeezed('Signed, to be countersigned'));
    const back = await wordsIn({ kind: 'sent_back', last });
    expect(back).toContain(squeezed('Sent back by Edda Lorenz, 2026-11-27 09:05 UTC'));
    expect(back).toContain(squeezed('No photo of the seal'));
    const agreed = await wordsIn({ kind: 'agreed', last: { ...last, verdict: 'agreed' } });
    expect(agreed).toContain(squeezed('Countersigned by Edda Lorenz, 2026-11-27 09:05 UTC'));
    expect(agreed).not.toContain(squeezed('to be countersigned'));
    expect(await wordsIn({ kind: 'not_wanted' })).not.toContain(squeezed('Second signature'));
  });

  test('a picture is drawn with its words; one whose file is not here is named by its digest', async () => {
    const body = bodies[0]![1];
    const taken = { shows: 'left' as const, by: 'Ines', at_ms: 5 };
    const [here, away] = ['a'.repeat(64), 'b'.repeat(64)];
    const sheet = sheetOf({
      ...body,
      pictures: [
        { ...taken, picture: here },
        { ...taken, picture: away },
      ],
    });
    const bare = await sheetPdf(sheet, fonts);
    const drawn = await sheetPdf(sheet, fonts, { pictures: { [here]: picture.buffer } });
    expect(drawn.length - bare.length).toBeGreaterThan(picture.length / 2);
    const words = readPdf(drawn).words;
    expect(words).toContain('As it was left');
    expect(words).toContain('bbbbbbbbbbbb');
    expect(words).not.toContain('aaaaaaaaaaaa');
  });

  test('who received it stands under it, with the signature that he drew', async () => {
    const sheet = sheetOf(bodies[0]![1]);
    const received = { name: 'Ann Weir', at_ms: Date.UTC(2026, 10, 27, 9, 5) };
    const words = squeezed(await wordsOf(sheet, { received }));
    expect(words).toContain(squeezed('Received by Ann Weir, 2026-11-27 09:05 UTC'));
    expect(squeezed(await wordsOf(sheet))).not.toContain('AnnWeir');
    const stroke = Array.from({ length: 400 }, (_, i): [number, number] => [i, (i * 7) % 200]);
    const plainly = await sheetPdf(sheet, fonts, { received });
    const drawn = await sheetPdf(sheet, fonts, {
      received: { ...received, drawn: [stroke, [[300, 100]]] },
    });
    expect(drawn.length - plainly.length).toBeGreaterThan(400);
    expect(squeezed(readPdf(drawn).words)).toContain(sheet.hash);
  });

  test('long notes, many open ends and reasons go on over further pages, none cut', async () => {
    const body = bodies[0]![1];
    const long = Array.from(
      { length: 40 },
      (_, i) => `note ${i} ${'and so on '.repeat(30)}end${i}`,
    );
    const ends = Array.from({ length: 60 }, (_, i) => ({
      id: `end_${i}`,
      say: `By-pass ${i} open for the job`,
      state: 'left' as const,
      reason: `waits for part ${i}`,
    }));
    const sheet = sheetOf({ ...body, notes: long, open_ends: ends });
    const words = squeezed(await wordsOf(sheet));
    expect(long.filter((note) => !words.includes(squeezed(note)))).toEqual([]);
    expect(ends.filter(({ reason }) => !words.includes(squeezed(reason)))).toEqual([]);
    expect(words).toContain('page2of');
    expect(words).toContain(`SHA-256${sheet.hash}`);
  });

  test('says where it was filed, for whoever holds the paper', async () => {
    const sheet = sheetOf(bodies[0]![1]);
    const hash = '3f2a9c0411aa22bb'.repeat(4);
    const line = {
      seq: 17,
      valve_id: sheet.body.valve_id,
      sheet: sheet.hash,
      at_ms: Date.UTC(2026, 10, 24, 9, 5),
      previous: null,
      hash,
      key: 'ab12'.repeat(16),
      signature: 'x',
    };
    const words = squeezed(await wordsOf(sheet, { filed: line }));
    expect(words).toContain('log17-3f2a9c0411aa22bb·filed2026-11-2409:05UTC');
    expect(words).toContain(`key${'ab12'.repeat(16)}`);
    expect(squeezed(await wordsOf(sheet))).not.toContain('filed2026');
  });

  test('one that is signed and not filed says so on every page, and is in no log', async () => {
    const body = { ...bodies[0]![1], rehearsal: false };
    const long = Array.from({ length: 40 }, (_, i) => `note ${i} ${'and so on '.repeat(30)}`);
    const words = await wordsOf(sheetOf({ ...body, notes: long }), { filed: 'not_yet' });
    const pages = Number(/page \d+ of (\d+)/u.exec(words)![1]);
    expect(pages).toBeGreaterThan(1);
    expect(words.match(/NOT YET FILED/gu)).toHaveLength(pages);
    expect(squeezed(words)).not.toContain('filed2026');
    expect(await wordsOf(sheetOf(body))).not.toContain('NOT YET FILED');
  });
});
