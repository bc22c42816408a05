import { retryDelay } from './retry-delay';

test('waits grow to a minute and never all fall together', () => {
  expect([0, 1, 2, 3, 4, 40].map((failures) => retryDelay(failures, 0.5))).toEqual([
    4000, 8000, 16_000, 32_000, 60_000, 60_000,
  ]);
  expect([0, 1].map((chance) => retryDelay(0, chance))).toEqual([3000, 5000]);
});
