import { parseReply, registerOf, type RegisterKey } from '../device';
import { procedureOf } from '../family';
import { familyStarted } from '../testing/family-samples';
import { PilotDevice } from './pilot-device';
import { twinOf } from './replay';
import { actOnTwin, twinOutputs } from './twin';

function unit(over: Partial<NonNullable<ReturnType<typeof familyStarted>['twin']>> = {}) {
  const draft = familyStarted('electronic_pilot');
  const started = { ...draft, twin: { ...draft.twin!, ...over } };
  const twin = twinOf({ ...started, id: '1', run_id: 'r', author: '', at_ms: 0, lamport: 1 })!;
  const device = new PilotDevice(twin);
  const read = (key: RegisterKey): number => {
    const register = registerOf(key);
    const reply = parseReply(device.ask(`R ${register.address}`), register);
    if (!reply.ok) throw new Error(reply.error.code);
    return reply.value[0]! * register.perCount;
  };
  const write = (key: RegisterKey, counts: number) =>
    device.ask(`W ${registerOf(key).address} ${counts}`);
  const finish = (seconds = 600) => {
    for (let i = 0; i < seconds && ![3, 9].includes(read('state')); i++) device.advance(1);
    return read('state');
  };
  return { device, read, write, finish };
}

describe('the electronics of a pilot', () => {
  test('what is written is held at once, and told again', () => {
    const { device, read, write } = unit();
    expect(write('set_value', 4711)).toBe('= 40006 4711');
    expect(read('set_value')).toBe(471_100);
    expect(device.ask('R 40001 3')).toBe('= 40001 1 0 10000');
  });

  test.each([
    ['R 40019', '! address'],
    ['R 40010 10', '! address'],
    ['W 30001 5', '! read_only'],
    ['W 40008 2', '! range'],
    ['what', '! syntax'],
  ])('«%s» is answered «%s»', (line, answer) => {
    expect(unit().device.ask(line)).toBe(answer);
  });

  test('without its supply it says so, and the valve stays where it is', () => {
    const { device, write } = unit();
    device.move((twin) => actOnTwin(twin, { power: 'off' }));
    const before = device.twin.state[0]!;
    expect(write('manual_output', 900)).toBe('! no_power');
    device.advance(60);
    expect(device.twin.state[0]).toBeCloseTo(before, 9);
  });

  test('half is not half until both ends were found', () => {
    const { device, read, write, finish } = unit();
    write('manual_output', 500);
    device.advance(60);
    expect(Math.abs(read('position') - 0.5)).toBeGreaterThan(0.02);
    expect(write('start_stroke', 1)).toBe('= 1 1');
    expect(write('manual_output', 300)).toBe('! busy');
    expect(finish()).toBe(3);
    expect(read('open_counts') - read('closed_counts')).toBeGreaterThan(2900);
    expect(read('stroke_time')).toBeGreaterThan(17);
    expect(read('stroke_time')).toBeLessThan(23);
    device.advance(60);
    expect(read('position')).toBeCloseTo(0.5, 2);
  });

  test('a stem that is blocked gives too few counts', () => {
    const { read, write, finish } = unit({ faults: ['blocked_stem'] });
    write('start_stroke', 1);
    expect(finish()).toBe(3);
    expect(read('open_counts') - read('closed_counts')).toBeLessThan(0.8 * 3200);
  });

  test('tunes itself, then holds its set value by its own sensor', () => {
    const { device, read, write, finish } = unit({ found_pa: 0 });
    write('start_stroke', 1);
    finish();
    write('start_tune', 1);
    expect(finish()).toBe(3);
    expect(read('tune_period')).toBeGreaterThan(5);
    expect(read('gain')).toBeGreaterThan(0.5);
    write('set_value', 5200);
    write('mode', 1);
    device.advance(400);
    expect(read('pressure') / 1000).toBeCloseTo(520, 0);
    // The sensor is off by up to 2 % of its span, and so is the line.
    expect(Math.abs(twinOutputs(device.twin).outlet - 520_000)).toBeLessThan(25_000);
  });

  test('with the wrong application it runs to one end', () => {
    const { device, read, write, finish } = unit();
    write('start_stroke', 1);
    finish();
    write('application', 2);
    write('set_value', 5200);
    write('mode', 1);
    device.advance(900);
    expect([0, 1]).toContain(Math.round(read('position') * 50) / 50);
  });

  test('gives up a tuning that finds no swing', () => {
    const { device, write, finish } = unit();
    device.move((twin) => actOnTwin(twin, { isolating_cock: 0 }));
    device.advance(30);
    write('start_tune', 1);
    expect(finish(1200)).toBe(9);
  });

  /** Stroked, by hand at half, its contacts allowed; `first` is the code of the one that wins. */
  const overridden = (first: number) => {
    const all = unit();
    all.write('start_stroke', 1);
    all.finish();
    all.write('manual_output', 500);
    all.write('contacts', 1);
    all.write('contact_first', first);
    all.device.advance(60);
    const close = (...closed: string[]) => {
      const state = (name: string) => (closed.includes(name) ? 'closed' : 'open');
      all.device.move((twin) =>
        actOnTwin(twin, {
          contact_shut: state('shut'),
          contact_open: state('open'),
          contact_stay: state('stay'),
        }),
      );
      all.device.advance(60);
      return all.read('position');
    };
    return { ...all, close };
  };

  test.each([
    ['shut', 1, 0],
    ['open', 2, 1],
    ['stay', 3, 0.5],
  ] as const)('of all contacts closed the one that is to win does: %s', (name, code, position) => {
    const { close } = overridden(code);
    expect(close('shut', 'open', 'stay')).toBeCloseTo(position, 2);
    expect(close()).toBeCloseTo(0.5, 2);
    expect(close(name)).toBeCloseTo(position, 2);
  });

  test('where the winner is open, shut comes before open before stay', () => {
    const { close } = overridden(3);
    expect(close('shut', 'open')).toBeCloseTo(0, 2);
    expect(close('open')).toBeCloseTo(1, 2);
    expect(overridden(1).close('open', 'stay')).toBeCloseTo(1, 2);
  });

  test('contacts that may not override do nothing', () => {
    const { close, write } = overridden(1);
    write('contacts', 0);
    expect(close('shut')).toBeCloseTo(0.5, 2);
  });

  test('an analog command moves its set value only where that commands it', () => {
    const at = (source: number, command: number) => {
      const { device, read, write, finish } = unit({ found_pa: 0 });
      write('start_stroke', 1);
      finish();
      write('start_tune', 1);
      finish();
      write('set_value', 5000);
      write('command_source', source);
      device.move((twin) => actOnTwin(twin, { command }));
      write('mode', 1);
      device.advance(400);
      const low = read('range_low');
      return (read('pressure') - low) / (read('range_high') - low);
    };
    expect(at(2, 0.45)).toBeCloseTo(0.45, 2);
    expect(at(1, 0.45)).toBeCloseTo(0.5, 2);
  });

  test('its outputs tell where it stands once they are on, and are silent before', () => {
    const { close, read, write } = overridden(1);
    expect([read('analog_out'), read('contact_out')]).toEqual([0, 0]);
    write('analog_output', 1);
    write('contact_output', 1);
    expect(read('analog_out')).toBeCloseTo(0.012, 4);
    expect(read('contact_out')).toBe(0);
    close('shut');
    expect([read('analog_out'), read('contact_out')]).toEqual([0.004, 1]);
    close('open');
    expect(read('analog_out')).toBeCloseTo(0.02, 6);
    expect(read('contact_out')).toBe(2);
  });

  test('is nothing for another twin', () => {
    const draft = familyStarted('positioner');
    const twin = twinOf({ ...draft, id: '1', run_id: 'r', author: '', at_ms: 0, lamport: 1 })!;
    expect(() => new PilotDevice(twin)).toThrow(/without an actuator/);
    expect(procedureOf('electronic_pilot').initial['power']).toBe('on');
  });
});
