import fc from 'fast-check';
import { BACKUP_EVERY_MS, BACKUP_STALE_MS, backupsKept } from './backup';

const DAY = 86_400_000;
const HOUR = DAY / 24;
const at = (day: string, hour = 3) => Date.parse(`${day}T00:00:00Z`) + hour * HOUR;
const daily = (day: string, hour = 3) => ({
  name: `${day}-${hour}`,
  at_ms: at(day, hour),
  why: 'daily' as const,
});
const days = (from: string, count: number) =>
  Array.from({ length: count }, (_, i) =>
    daily(new Date(at(from) - i * DAY).toISOString().slice(0, 10)),
  );

test('one a day is due, and after fifty hours the last is no comfort', () => {
  expect([BACKUP_EVERY_MS, BACKUP_STALE_MS]).toEqual([86_400_000, 180_000_000]);
});

describe('which backups are kept', () => {
  test('of a year and a half: seven days, five weeks, twelve months', () => {
    // A Friday.
    const kept = backupsKept(days('2026-11-27', 540));
    expect([...kept].sort().toReversed()).toEqual(
      [
        ...['2026-11-27', '2026-11-26', '2026-11-25', '2026-11-24', '2026-11-23', '2026-11-22'],
        // The Sundays before, as the last of their weeks.
        ...['2026-11-21', '2026-11-15', '2026-11-08', '2026-11-01'],
        ...['2026-10-31', '2026-09-30', '2026-08-31', '2026-07-31', '2026-06-30', '2026-05-31'],
        ...['2026-04-30', '2026-03-31', '2026-02-28', '2026-01-31', '2025-12-31'],
      ].map((day) => `${day}-3`),
    );
  });

  test('of several on one day, the latest', () => {
    const kept = backupsKept([daily('2026-11-27', 1), daily('2026-11-27', 9)]);
    expect([...kept]).toEqual(['2026-11-27-9']);
  });

  test('three before a change of shape, and all that were made by hand', () => {
    const other = (why: 'before_migration' | 'by_hand') =>
      [1, 2, 3, 4].map((i) => ({ name: `${why}-${i}`, at_ms: i * DAY, why }));
    const kept = backupsKept([...other('before_migration'), ...other('by_hand')]);
    expect([...kept].sort()).toEqual(
      [
        ...[1, 2, 3, 4].map((i) => `by_hand-${i}`),
        ...[2, 3, 4].map((i) => `before_migration-${i}`),
      ].sort(),
    );
  });

  test('the latest always, and thinning out again takes nothing more', () => {
    const made = fc.uniqueArray(fc.integer({ min: 0, max: 900 }), { minLength: 1, maxLength: 80 });
    fc.assert(
      fc.property(made, (ages) => {
        const all = ages.map((age) =>
          daily(new Date(at('2026-11-27') - age * DAY).toISOString().slice(0, 10)),
        );
        const kept = backupsKept(all);
        const latest = all.reduce((a, b) => (a.at_ms > b.at_ms ? a : b));
        const again = backupsKept(all.filter(({ name }) => kept.has(name)));
        return kept.has(latest.name) && [...kept].every((name) => again.has(name));
      }),
    );
  });
});
