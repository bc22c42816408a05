import type { Job, Sheet } from '@holvek/core';
import { offered, signedToday, toldBy } from './pick';

const HOUR = 3_600_000;
const noon = new Date(2026, 10, 3, 12).getTime();
const sheet = (id: string, over: object = {}): Sheet =>
  ({
    id,
    hash: `hash-${id}`,
    body: { rehearsal: false, technician: 'Edda', signed_at_ms: noon, ...over },
  }) as unknown as Sheet;

describe('sheets that may be handed to a client', () => {
  test('are records, the latest first, and of several revisions the last', () => {
    const all = [
      sheet('old', { signed_at_ms: noon - HOUR }),
      sheet('wrong'),
      sheet('mended', { signed_at_ms: noon + HOUR, corrects: { hash: 'hash-wrong', why: 'note' } }),
      sheet('played', { rehearsal: true }),
    ];
    expect(offered(all).map(({ id }) => id)).toEqual(['mended', 'old']);
    expect(offered(Array.from({ length: 50 }, (_, i) => sheet(`s${i}`)))).toHaveLength(40);
  });

  test('his own of today are meant at first', () => {
    const all = [
      sheet('mine'),
      sheet('hers', { technician: 'Ines' }),
      sheet('yesterday', { signed_at_ms: noon - 24 * HOUR }),
    ];
    expect(signedToday(all, 'Edda', '2026-11-03')).toEqual(['mine']);
  });
});

describe('what the sheets say of their client', () => {
  const of = (job?: Job) => ({ body: { job } as Sheet['body'] });
  const estates = { client: 'Larkhollow Estates', order: 'LH-2207', permit: 'W-118' };

  test('is what all of them say', () => {
    expect(toldBy([of(estates), of(estates)])).toEqual({
      client: 'Larkhollow Estates',
      order: 'LH-2207',
    });
    expect(toldBy([of({ permit: 'W-118' })])).toEqual({ client: '', order: 'W-118' });
  });

  test('is nothing where they differ, where one is silent, and where there is none', () => {
    const nothing = { client: '', order: '' };
    const other = { client: 'The lodge', order: 'LH-2300' };
    expect(toldBy([of(estates), of(other)])).toEqual(nothing);
    expect(toldBy([of(estates), of()])).toEqual(nothing);
    expect(toldBy([])).toEqual(nothing);
  });
});
