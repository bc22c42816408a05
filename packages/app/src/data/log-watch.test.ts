import { hashOfLine, type LogLine } from '@holvek/core';
import { Refusal, Unreachable } from './api';
import { openDeviceDb } from './device-db';
import { LogWatch } from './log-watch';

const chain = (sheets: readonly string[]): LogLine[] => {
  const lines: LogLine[] = [];
  for (const sheet of sheets) {
    const previous = lines.at(-1)?.hash ?? null;
    const said = {
      seq: lines.length + 1,
      valve_id: 'prv-1',
      sheet: sheet.repeat(64),
      at_ms: 1,
      previous,
    };
    lines.push({ ...said, hash: hashOfLine(said), key: 'f'.repeat(64), signature: 'x' });
  }
  return lines;
};

let count = 0;
const watching = () => {
  let lines: readonly LogLine[] = [];
  let isUp = true;
  const server = {
    log: async (after: number) => {
      if (!isUp) throw new Unreachable('no answer');
      const last = lines.at(-1);
      return {
        head: { seq: last?.seq ?? 0, hash: last?.hash ?? null },
        lines: lines.filter(({ seq }) => seq > after),
      };
    },
  };
  const watch = new LogWatch(openDeviceDb(`log-${++count}`), server);
  const show = async (next: readonly LogLine[]) => {
    lines = next;
    await watch.look();
    return watch.snapshot();
  };
  return { watch, show, down: () => (isUp = false) };
};

describe('the log as a phone has seen it', () => {
  test('may grow, and its head is kept', async () => {
    const { show } = watching();
    expect(await show([])).toEqual({ head: { seq: 0, hash: null }, fault: undefined });
    await show(chain(['a', 'b']));
    const grown = chain(['a', 'b', 'c']);
    expect(await show(grown)).toEqual({
      head: { seq: 3, hash: grown[2]!.hash },
      fault: undefined,
    });
  });

  test.each([
    ['lost its end', ['a'], 'log.head_lost'],
    ['lost everything', [], 'log.head_lost'],
    ['been written anew', ['a', 'x', 'c'], 'log.head_changed'],
  ])('that has %s is told of, and what was seen stays', async (_, sheets, code) => {
    const { show, watch } = watching();
    const seen = await show(chain(['a', 'b']));
    expect((await show(chain(sheets))).fault?.code).toBe(code);
    expect(watch.snapshot().head).toEqual(seen.head);
    // It stays wrong however often one looks, until one says that this is another server.
    expect((await show(chain(sheets))).fault?.code).toBe(code);
    await watch.beginAnew();
    expect(watch.snapshot().fault).toBeUndefined();
  });

  test('with a gap after what was seen is told of', async () => {
    const { show } = watching();
    await show(chain(['a']));
    const gap = chain(['a', 'b', 'c']).filter(({ seq }) => seq !== 2);
    expect((await show(gap)).fault).toEqual({ code: 'log.line_missing', seq: 2 });
  });

  test('without a network nothing is said', async () => {
    const { show, watch, down } = watching();
    const seen = await show(chain(['a']));
    down();
    await watch.look();
    expect(watch.snapshot()).toEqual(seen);
  });

  test.each([
    ['a refusal is no fault of the log', new Refusal(429, 'asked.too_often'), undefined],
    ['a bug of ours is not called no network', new TypeError('ours'), TypeError],
  ])('%s', async (_, thrown, comesOut) => {
    const server = { log: () => Promise.reject(thrown) };
    const watch = new LogWatch(openDeviceDb(`log-${++count}`), server);
    const looked = watch.look();
    await (comesOut ? expect(looked).rejects.toThrow(comesOut) : looked);
    expect(watch.snapshot().fault).toBeUndefined();
  });
});
