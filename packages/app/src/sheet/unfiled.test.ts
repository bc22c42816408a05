import { freezeSheet, hashOf, reduceRun, unwrap, type Sheet } from '@holvek/core';
import { practised, run } from '@/testing/signed-run';
import { listedSheets } from './unfiled';

const body = unwrap(freezeSheet(run, null));
const sheet: Sheet = { id: 'filed', hash: hashOf(body), body };

describe('sheets as a list shows them', () => {
  test('what was signed here stands first until it is filed', () => {
    expect(listedSheets([], [run], new Set())).toEqual([
      { key: run.id, body, path: `/runs/${run.id}`, isFiled: false },
    ]);
    const other = { ...sheet, body: { ...body, run_id: 'another' } };
    expect(listedSheets([other], [run], new Set()).map(({ isFiled }) => isFiled)).toEqual([
      false,
      true,
    ]);
  });

  test('once it is filed it stands there once', () => {
    expect(listedSheets([sheet], [run], new Set())).toHaveLength(1);
    expect(listedSheets([], [run], new Set([run.id]))).toEqual([]);
  });

  test('practice, and what is not signed, is none', () => {
    expect(listedSheets([], [unwrap(reduceRun(practised))], new Set())).toEqual([]);
    expect(listedSheets([], [{ ...run, status: 'open' }], new Set())).toEqual([]);
  });
});
