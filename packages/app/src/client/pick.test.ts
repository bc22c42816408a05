import type { Sheet } from '@holvek/core';
import { offered, signedToday } from './pick';

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
