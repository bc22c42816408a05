import type { RunEvent } from '@holvek/core';
import { openDeviceLink } from './device-link';
import { readRegister, readRegisters, writeRegister } from './registers';

/** The far end of a line, in the hand of the test. */
class FarEnd {
  readyState: 0 | 1 | 2 | 3 = 0;
  sent: string[] = [];
  onopen: (() => void) | null = null;
  onclose: (() => void) | null = null;
  onmessage: ((message: { data: unknown }) => void) | null = null;
  send = (text: string) => void this.sent.push(text);
  close = () => this.drop();
  up() {
    this.readyState = 1;
    this.onopen?.();
  }
  drop() {
    this.readyState = 3;
    this.onclose?.();
  }
  say(text: string | object) {
    this.onmessage?.({ data: typeof text === 'string' ? text : JSON.stringify(text) });
  }
  get calls() {
    return this.sent.filter((text) => text.startsWith('{')).map((text) => JSON.parse(text));
  }
}
const event = { id: 'e1' } as RunEvent;
/** Lets some milliseconds of the test's own clock pass, and what was waiting on them. */
const pass = (ms = 0) => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function linked(patienceMs = 1000) {
  const ends: FarEnd[] = [];
  const heard: boolean[] = [];
  const link = openDeviceLink({
    events: () => [event],
    onLine: (isUp) => heard.push(isUp),
    open: () => {
      ends.push(new FarEnd());
      return ends.at(-1)!;
    },
    retryMs: 5,
    patienceMs,
  });
  return { ends, link, ask: link.ask!, heard };
}

describe('the line to an electronic pilot', () => {
  test('tells the run as soon as it is open, and calls are answered with the time of effect', async () => {
    const { ends, link } = linked();
    const acted = link.act({ power: 'off' });
    ends[0]!.up();
    await pass();
    expect(ends[0]!.calls).toEqual([
      { run: [event], id: 1 },
      { act: { power: 'off' }, id: 2 },
    ]);
    ends[0]!.say({ id: 2, t: 12.5 });
    await expect(acted).resolves.toBe(12.5);
    link.close();
  });

  test('register lines are answered in turn', async () => {
    const { ends, link, ask } = linked();
    ends[0]!.up();
    const both = Promise.all([readRegister(ask, 'set_value'), readRegister(ask, 'mode')]);
    await pass();
    expect(ends[0]!.sent.slice(1)).toEqual(['R 40006', 'R 40008']);
    ends[0]!.say('= 40006 6400');
    ends[0]!.say('= 40008 1');
    await expect(both).resolves.toEqual([
      { ok: true, value: 640_000 },
      { ok: true, value: 1 },
    ]);
    link.close();
  });

  test('what is written is read back, and what the unit holds then is the answer', async () => {
    const { ends, link, ask } = linked();
    ends[0]!.up();
    const written = writeRegister(ask, 'manual_output', 0.5);
    await pass();
    ends[0]!.say('= 40007 500');
    await pass();
    expect(ends[0]!.sent.slice(1)).toEqual(['W 40007 500', 'R 40007']);
    ends[0]!.say('= 40007 480');
    await expect(written).resolves.toEqual({ ok: true, value: 0.48 });
    link.close();
  });

  test('refusals, nonsense and values beyond the register are told apart', async () => {
    const answers: Record<string, string> = { 'W 40006 100': '! busy', 'R 40001': 'noise' };
    const ask = async (line: string) => answers[line];
    await expect(writeRegister(ask, 'set_value', 10_000)).resolves.toMatchObject({
      error: { code: 'device.refused', refusal: 'busy' },
    });
    await expect(readRegister(ask, 'application')).resolves.toMatchObject({
      error: { code: 'device.garbled' },
    });
    await expect(writeRegister(ask, 'set_value', 1e9)).resolves.toMatchObject({
      error: { code: 'device.out_of_range' },
    });
    await expect(readRegisters(ask, ['mode'])).resolves.toMatchObject({
      error: { code: 'device.no_answer' },
    });
  });

  test('a line that drops answers nothing, is opened again, and is told the run and the speed anew', async () => {
    const { ends, link, ask, heard } = linked();
    ends[0]!.up();
    link.hurry(10);
    const asked = readRegister(ask, 'mode');
    await pass();
    ends[0]!.drop();
    await expect(asked).resolves.toMatchObject({ error: { code: 'device.no_answer' } });
    await pass(20);
    expect(ends).toHaveLength(2);
    ends[1]!.up();
    expect(ends[1]!.calls.map(({ id: _, ...call }) => call)).toEqual([
      { run: [event] },
      { hurry: 10 },
    ]);
    link.close();
    await pass(20);
    expect(ends).toHaveLength(2);
    expect(heard).toEqual([true, false, true]);
  });

  test('no answer in time is no answer, and a late one is not taken for the next', async () => {
    const { ends, link, ask } = linked(10);
    ends[0]!.up();
    const late = readRegister(ask, 'mode');
    await pass(10);
    await expect(late).resolves.toMatchObject({ error: { code: 'device.no_answer' } });
    const next = readRegister(ask, 'application');
    await pass();
    ends[0]!.say('= 40008 1');
    ends[0]!.say('= 40001 2');
    await expect(next).resolves.toEqual({ ok: true, value: 2 });
    link.close();
  });

  test('gauges speak through it as through any other link', async () => {
    const { ends, link } = linked();
    const lines: string[] = [];
    const stop = link.subscribe(
      ({ line }) => lines.push(line),
      () => lines.push('sight'),
    );
    ends[0]!.up();
    const sight = { wideOpen: false, ventRuns: false, flow: 0, fill: 1, opening: 0.5, signal: 0 };
    ends[0]!.say({ lines: [{ role: 'outlet', line: '640.0 kPa', t: 1 }], sight });
    ends[0]!.say({ lines: 'nonsense' });
    ends[0]!.say('{ cut off');
    stop();
    ends[0]!.say({ lines: [{ role: 'outlet', line: '641.0 kPa', t: 2 }], sight });
    expect(lines).toEqual(['640.0 kPa', 'sight']);
    link.close();
  });
});
