import { renderHook } from '@testing-library/react';
import { mayRemind, useReminder, wantReminders } from './reminder';
import { changePreferences, preferences } from '@/prefs/preferences';

const told: string[] = [];
function letSay(permission: NotificationPermission, answer = permission) {
  class Told {
    static permission = permission;
    static requestPermission = async () => (Told.permission = answer);
    constructor(title: string, { body }: { body: string }) {
      told.push(`${title}: ${body}`);
    }
  }
  Object.assign(globalThis, { Notification: Told });
}
const settled = () => new Promise((done) => setTimeout(done, 0));
beforeEach(() => {
  told.length = 0;
  localStorage.clear();
  changePreferences({ isReminded: true });
});
afterEach(() => Reflect.deleteProperty(globalThis, 'Notification'));

describe('the evening before', () => {
  test('is told once of each day, where the person wants it', async () => {
    letSay('granted');
    const { rerender } = renderHook(({ day }) => useReminder(day, 'Wed 2 Dec', '3 still to pack'), {
      initialProps: { day: '2026-12-02' },
    });
    renderHook(() => useReminder('2026-12-02', 'Wed 2 Dec', 'all packed'));
    await settled();
    expect(told).toEqual(['Wed 2 Dec: 3 still to pack']);
    rerender({ day: '2026-12-03' });
    await settled();
    expect(told).toHaveLength(2);
  });

  test('is not told where nobody wants it, or the browser may not', async () => {
    letSay('default');
    renderHook(() => useReminder('2026-12-02', 'a', 'b'));
    letSay('denied');
    renderHook(() => useReminder('2026-12-02', 'a', 'b'));
    letSay('granted');
    changePreferences({ isReminded: false });
    renderHook(() => useReminder('2026-12-02', 'a', 'b'));
    await settled();
    expect(told).toEqual([]);
  });

  test('the person is asked, and his answer is kept', async () => {
    expect(mayRemind()).toBe('never');
    letSay('default', 'denied');
    expect(mayRemind()).toBe('unknown');
    expect(await wantReminders()).toBe('never');
    expect(preferences().isReminded).toBe(false);
    letSay('default', 'granted');
    expect(await wantReminders()).toBe('yes');
    expect(preferences().isReminded).toBe(true);
  });
});
