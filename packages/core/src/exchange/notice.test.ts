import { noticeSchema, noticesOn, type Notice } from './notice';

const notice = (id: string, over: Partial<Notice> = {}): Notice => ({
  id,
  valve_id: 'a',
  text: 'Guns off until three',
  by: 'Ines',
  at_ms: 1000,
  ...over,
});

describe('what hangs on a valve', () => {
  test('stands until its hour, or until it is taken down, the latest first', () => {
    const down = { by: 'Edda', at_ms: 1500 };
    const all = [
      notice('old', { at_ms: 500 }),
      notice('new', { until_ms: 3000 }),
      notice('over', { taken_down: down }),
      notice('elsewhere', { valve_id: 'b' }),
    ];
    const ids = (now: number) => noticesOn(all, 'a', now).map(({ id }) => id);
    expect(ids(2999)).toEqual(['new', 'old']);
    expect(ids(3000)).toEqual(['old']);
  });

  test('says something', () => {
    expect(noticeSchema.safeParse(notice('x', { text: '  . ' })).success).toBe(false);
    expect(noticeSchema.safeParse(notice('x', { text: 'a'.repeat(401) })).success).toBe(false);
  });
});
