import { failedCheck } from '../gauge';
import { gauges } from '../testing/samples';
import { doubtsOf } from './doubts';

const { inlet, outlet } = gauges;
const signed = (day: string) => ({ gauges, signed_at_ms: Date.parse(`${day}T10:00:00Z`) });
const on = (day: string) => ({ on: day, why: 'Reads high' });

describe('a sheet and its gauges', () => {
  const failing = failedCheck({ ...outlet, calibrated_on: '2026-01-10' }, on('2026-06-01'));

  test('is in doubt where one of them failed a check after it was signed', () => {
    expect(doubtsOf(signed('2026-03-03'), [inlet, failing])).toEqual([
      { tag: outlet.tag, failure: failing.failures![0] },
    ]);
  });

  test('is not where it failed before it was calibrated for this visit, or after another', () => {
    expect(doubtsOf(signed('2025-12-24'), [inlet, failing])).toEqual([]);
    expect(doubtsOf(signed('2026-06-20'), [inlet, failing])).toEqual([]);
  });

  test('has nothing to do with gauges that it did not use', () => {
    const other = { ...failing, id: 'g-99', tag: 'G-99' };
    expect(doubtsOf(signed('2026-03-03'), [inlet, outlet, other])).toEqual([]);
  });
});
