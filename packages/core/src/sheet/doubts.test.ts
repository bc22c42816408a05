import { failedCheck } from '../gauge';
import { gauges } from '../testing/samples';
import { doubtsOf } from './doubts';

const { inlet, outlet } = gauges;
const signed = (day: string) => ({ gauges, signed_at_ms: Date.parse(`${day}T10:00:00Z`) });
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const on = (day: string) => ({ on: day, why: 'Reads high' });

describe('a sheet and its gauges', () => {
  const failing = failedCheck({ ...outlet, calibrated_on: '2026-01-10' }, on('2026-06-01'));

  test('is in doubt where one of them failed a check after it was signed', () => {
    expect(doubtsOf(signed('2026-03-03'), [inlet, failing], dayOf)).toEqual([
      { tag: outlet.tag, failure: failing.failures![0] },
    ]);
  });

  test('is in doubt by a gauge that was taken off during the work, too', () => {
    const { outlet: _, ...left } = gauges;
    const sheet = { ...signed('2026-03-03'), gauges: left, other_gauges: [outlet] };
    expect(doubtsOf(sheet, [inlet, failing], dayOf)).toHaveLength(1);
    expect(doubtsOf({ ...sheet, other_gauges: [] }, [inlet, failing], dayOf)).toEqual([]);
  });

  test('is not where it failed before it was calibrated for this visit, or after another', () => {
    expect(doubtsOf(signed('2025-12-24'), [inlet, failing], dayOf)).toEqual([]);
    expect(doubtsOf(signed('2026-06-20'), [inlet, failing], dayOf)).toEqual([]);
  });

  test('by the calendar of the place: late on the day of the check is still that day', () => {
    const late = { gauges, signed_at_ms: Date.parse('2026-06-02T03:00:00Z') };
    expect(doubtsOf(late, [failing], dayOf)).toEqual([]);
    expect(doubtsOf(late, [failing], (ms) => dayOf(ms - 6 * 3_600_000))).toHaveLength(1);
  });

  test('has nothing to do with gauges that it did not use', () => {
    const other = { ...failing, id: 'g-99', tag: 'G-99' };
    expect(doubtsOf(signed('2026-03-03'), [inlet, outlet, other], dayOf)).toEqual([]);
  });
});
