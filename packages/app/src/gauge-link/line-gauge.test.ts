import { absolutePa, shippedFormats, type LineFormat } from '@holvek/core';
import { canBeRead, LineGauge } from './line-gauge';
import type { LineEars } from './open-source';

const [plain, asked] = shippedFormats as [LineFormat, LineFormat];

/** A gauge on a line that the test speaks for. */
async function onLine(format = plain) {
  const sent: string[] = [];
  let ears: LineEars | undefined;
  let closed = 0;
  let t = 0;
  const gauge = new LineGauge({
    role: 'outlet',
    gauge: { unit: 'kPa', range_low_pa: 0, range_high_pa: 1_000_000 },
    format,
    barometer: absolutePa(101_325),
    clock: () => t,
  });
  const heard: [string, number][] = [];
  gauge.subscribe(
    ({ line, t: at }) => heard.push([line, at]),
    () => undefined,
  );
  const isOpen = await gauge.open((baud, given) => {
    ears = given;
    return Promise.resolve({
      send: (text) => {
        sent.push(`${baud} ${text}`);
        return Promise.resolve();
      },
      close: () => {
        closed += 1;
        return Promise.resolve();
      },
    });
  });
  return {
    gauge,
    heard,
    sent,
    isOpen,
    ears: ears!,
    closed: () => closed,
    at: (seconds: number) => {
      t = seconds;
    },
  };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('a gauge on a line', () => {
  test('that is not there is shown, and read nowhere', async () => {
    const { gauge, heard, ears, at } = await onLine();
    ears.onSimulated();
    ears.onText('\r\n416.0 kPa\r\n');
    at(90);
    jest.advanceTimersByTime(2000);
    expect(gauge.snapshot()).toMatchObject({ isOpen: true, shown: 416_000 });
    expect([heard, canBeRead(gauge.snapshot())]).toEqual([[], false]);
  });

  test('is read as its format says, from the first whole line on', async () => {
    const { gauge, heard, ears, at } = await onLine();
    ears.onText('.2 kPa\r\n');
    at(1);
    ears.onText('416.0 k');
    ears.onText('Pa\r\n417.5 kPa\r\n');
    expect(heard).toEqual([
      ['416000 Pa', 1],
      ['417500 Pa', 1],
    ]);
    expect(gauge.snapshot()).toMatchObject({
      isOpen: true,
      shown: 417_500,
      raw: ['416.0 kPa', '417.5 kPa'],
      trouble: undefined,
    });
    await gauge.close();
  });

  test('is asked as often as its format says, at its speed, and no more once it is closed', async () => {
    const { gauge, sent, closed } = await onLine(asked);
    jest.advanceTimersByTime(1600);
    expect(sent).toEqual(['19200 P?\r\n', '19200 P?\r\n', '19200 P?\r\n']);
    await gauge.close();
    jest.advanceTimersByTime(5000);
    expect([sent.length, closed(), gauge.snapshot().isOpen]).toEqual([3, 1, false]);
  });

  test('says that it is silent, and that it speaks again', async () => {
    const { gauge, ears, at } = await onLine();
    ears.onText('\n1 bar\n');
    at(6);
    jest.advanceTimersByTime(1000);
    expect(gauge.snapshot().trouble?.code).toBe('line.silent');
    expect(canBeRead(gauge.snapshot())).toBe(false);
    ears.onText('1.1 bar\n');
    expect(gauge.snapshot().trouble).toBeUndefined();
    expect(canBeRead(gauge.snapshot())).toBe(true);
    // More than its range is said, and is what it shows.
    ears.onText('11 bar\n');
    expect(gauge.snapshot().trouble?.code).toBe('line.over_range');
    expect(canBeRead(gauge.snapshot())).toBe(true);
    await gauge.close();
  });

  test('says that it does not stir after the valve was touched', async () => {
    const { gauge, ears, at } = await onLine();
    ears.onText('\n1 bar\n');
    at(10);
    gauge.touched();
    for (let t = 11; t <= 31; t++) {
      at(t);
      ears.onText('1 bar\n');
    }
    expect(gauge.snapshot().trouble?.code).toBe('line.frozen');
    await gauge.close();
  });

  test('says that it has gone, and that it speaks in another way', async () => {
    const { gauge, ears, heard } = await onLine();
    ears.onText('\n@@\n@@\n@@\n@@\n');
    expect(gauge.snapshot().trouble).toEqual({
      code: 'line.unread',
      error: { code: 'line.unmatched' },
    });
    expect(heard).toEqual([]);
    ears.onGone();
    expect(gauge.snapshot()).toMatchObject({ isOpen: false, trouble: { code: 'line.gone' } });
    expect(canBeRead(gauge.snapshot())).toBe(false);
  });

  test('is not open where the person chose none', async () => {
    const gauge = new LineGauge({
      role: 'inlet',
      gauge: { unit: 'kPa', range_low_pa: 0, range_high_pa: 1 },
      format: plain,
      barometer: absolutePa(101_325),
    });
    expect(await gauge.open(() => Promise.resolve(undefined))).toBe(false);
    expect(gauge.snapshot().isOpen).toBe(false);
  });
});
