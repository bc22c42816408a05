import { valveAfter, type Valve } from '../exchange';
import type { ElectronicPilotPlate } from '../family';
import { unwrap } from '../result';
import { freezeSheet, sheetBodySchema } from '../sheet';
import {
  cableKey,
  cableSums,
  pointsOf,
  registersView,
  selfTuningOf,
  stepOfKind,
  strokeVerdict,
  terminals,
  terminalsLeft,
  trimNow,
  tuneIsDue,
  voltsLeft,
} from '../step';
import { familyStarted, rehearsedFamily } from '../testing/family-samples';
import { replayTwin, twinOutputs } from '../twin';
import { logDays, shortestInterval } from '../valve';
import { checkEvent } from './check-event';
import type { RunEvent, RunEventDraft } from './event';
import { reduceRun } from './reduce';
import type { Run } from './run';
import { isPassed, runView } from './view';

const draft = familyStarted('electronic_pilot');
const plate = draft.plate as ElectronicPilotPlate;

/** A run that stands before a step, and what may be added to it there. */
function standing(stopBefore: string, over: Partial<ElectronicPilotPlate> = {}) {
  const { events } = rehearsedFamily(
    'electronic_pilot',
    { plate: { ...plate, ...over } },
    { stopBefore },
  );
  const list: RunEvent[] = [...events];
  const run = (): Run => unwrap(reduceRun(list));
  const add = (event: RunEventDraft) => {
    const refused = checkEvent(run(), event);
    if (!refused)
      list.push({
        ...event,
        id: `x${list.length}`,
        run_id: list[0]!.run_id,
        author: 'Ines',
        at_ms: list.at(-1)!.at_ms + 1000,
        lamport: list.length + 1,
      } as RunEvent);
    return refused;
  };
  return { run, add, list };
}

describe('a whole run on an electronic pilot', () => {
  const { run, events } = rehearsedFamily('electronic_pilot');
  const body = unwrap(freezeSheet(run, null));

  test('holds its target by the test gauge, and its sensor by nine points', () => {
    expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body)))).toEqual(body);
    expect(Math.abs(body.settings[0]!.as_left_pa - 520_000)).toBeLessThanOrEqual(4000);
    expect(body.settings[0]!.as_found_pa).not.toBeNull();
    expect(Math.abs(body.tables!.as_found!.worst_error)).toBeGreaterThan(0.01);
    expect(Math.abs(body.tables!.as_left.worst_error)).toBeLessThan(0.002);
    expect(body.verdict).toBe('pass');
  });

  test('says what was left in it', () => {
    const device = body.device!;
    expect(device.cables.map(({ cable }) => cable)).toEqual(['loop', 'power']);
    expect(device.terminals).toHaveLength(terminals.length);
    expect(device.registers.find(({ address }) => address === 40_008)).toMatchObject({ value: 1 });
    expect(device.registers.find(({ address }) => address === 40_006)).toMatchObject({
      value: 520_000,
    });
    expect(device.tuning).toMatchObject({ trim: plate.trim });
    expect(device.log_days).toBeGreaterThan(365);
  });

  test('replayed from its events the unit stands as it was left', () => {
    const twin = replayTwin(events)!;
    expect(twin.wanted).toMatchObject({
      mode: '1',
      set_value: '520000',
      stroked: 'yes',
      power: 'on',
    });
    expect(Math.abs(twinOutputs(twin).outlet - 520_000)).toBeLessThan(25_000);
  });

  test('the register learns for which trim it is tuned, and the next run leaves it alone', () => {
    const valve: Valve = { id: 'ep', tag: 'EP', name: '', place: '', plate, target: draft.target };
    const record = { ...body, rehearsal: false };
    const after = valveAfter(valve, { id: 'x', hash: 'x'.repeat(64), body: record });
    expect(after.plate).toMatchObject({ trim: plate.trim, tuned_trim: plate.trim });
    const next = rehearsedFamily('electronic_pilot', { plate: after.plate });
    expect(next.run.status).toBe('signed');
    expect(selfTuningOf(next.run)).toBeUndefined();
    expect(unwrap(freezeSheet(next.run, null)).device).toMatchObject({
      tuning: null,
      kept_tuning_of: plate.trim,
    });
  });
});

describe('cables before power', () => {
  test('plate figures stand until others are measured', () => {
    const { run, add } = standing('cables');
    expect(voltsLeft(run())).toBe(true);
    const [loop] = cableSums(run());
    // 24 − 11 − 3 − 250 Ω · 20 mA − 2 · 180 m of 0.75 mm² at 20 °C.
    expect(loop!.budget.ok && loop!.budget.value.left).toBeCloseTo(
      5 - 0.02 * ((2 * 2e-8 * 180) / 0.75e-6),
      6,
    );
    add({ type: 'observed', key: cableKey('power', 'length_m'), value: 200 });
    const power = cableSums(run())[1]!;
    expect(power.budget.ok && power.budget.value.left).toBeLessThan(0);
    expect(power.budget.ok && power.budget.value.longest).toBeCloseTo(83.3, 0);
    expect(add({ type: 'step_done', step_id: 'cables' })).toMatchObject({
      guard: { guard: 'volts_left' },
    });
  });

  test('figures that mean nothing are said, and nothing goes on', () => {
    const { run, add } = standing('cables');
    add({ type: 'observed', key: cableKey('loop', 'area_m2'), value: 0 });
    expect(cableSums(run())[0]!.budget).toMatchObject({
      ok: false,
      error: { code: 'valve.loop_nonsense', field: 'area' },
    });
    expect(voltsLeft(run())).toBe(false);
  });

  test('every terminal has to be seen right, and a tick can be taken back', () => {
    const { run, add } = standing('terminals');
    expect(terminalsLeft(run())).toBe(terminals.length);
    for (const { id } of terminals)
      add({ type: 'observed', key: `terminal_${id}`, value: 'right' });
    expect(terminalsLeft(run())).toBe(0);
    add({ type: 'observed', key: 'terminal_earth', value: 'open' });
    expect(add({ type: 'step_done', step_id: 'terminals' })).toMatchObject({ guard: { have: 1 } });
  });
});

describe('registers by hand', () => {
  test('a value read off wrong is not right, and keeps the step', () => {
    const { run, add } = standing('application');
    const step = stepOfKind(run(), 'registers', 'application')!;
    const set = (register: 'application' | 'set_value', value: number) =>
      add({ type: 'register_set', step_id: 'application', register, value, source: 'typed' });
    set('application', 2);
    set('set_value', 520_000);
    expect(registersView(run(), step, 0).map(({ isRight }) => isRight)).toEqual([false, true]);
    expect(add({ type: 'step_done', step_id: 'application' })).toMatchObject({
      guard: { have: 1 },
    });
    set('application', 1);
    expect(add({ type: 'step_done', step_id: 'application' })).toBeUndefined();
  });

  test('trims take the five points as found onto the line', () => {
    const { run } = standing('range');
    const step = stepOfKind(run(), 'registers', 'range')!;
    const { trim_zero: zero, trim_span: span } = Object.fromEntries(
      registersView(run(), step, 0).map(({ key, wanted }) => [key, wanted]),
    );
    const points = pointsOf(run(), 'as_found');
    for (const { at, share } of points) expect((share + zero!) * (1 + span!)).toBeCloseTo(at, 2);
  });

  test('date and time follow the device that writes them', () => {
    const { run } = standing('logging');
    const step = stepOfKind(run(), 'registers', 'logging')!;
    const [day, minute] = registersView(run(), step, Date.UTC(2026, 10, 25, 14, 7));
    expect(day!.wanted).toBe((Date.UTC(2026, 10, 25) - Date.UTC(2000, 0, 1)) / 86_400_000);
    expect(minute!.wanted).toBe(14 * 60 + 7);
  });

  test.each([
    [301, 3480, 'whole'],
    [301, 2500, 'short'],
    [301, 4300, 'long'],
    [3480, 301, 'backwards'],
  ] as const)('a stroke from %d to %d is %s', (closed, open, verdict) => {
    const { run, add } = standing('stroke');
    expect(strokeVerdict(run())).toBeUndefined();
    add({ type: 'stroked', step_id: 'stroke', closed, open, seconds: 20, source: 'typed' });
    expect(strokeVerdict(run())).toBe(verdict);
    expect(add({ type: 'step_done', step_id: 'stroke' }) === undefined).toBe(verdict === 'whole');
  });
});

describe('tuning only when valve or trim have changed', () => {
  const answer = (same: 'yes' | 'no', now?: string) => {
    const { run, add } = standing('trim', { tuned_trim: plate.trim });
    add({ type: 'observed', key: 'trim_same', value: same });
    add({ type: 'step_done', step_id: 'trim' });
    if (now) add({ type: 'observed', key: 'trim_now', value: now });
    return run();
  };

  test('the same trim: nothing is asked, nothing is due', () => {
    const run = answer('yes');
    expect(tuneIsDue(run)).toBe(false);
    expect(runView(run).step!.id).toBe('stroke');
  });

  test('another trim: it is named, and tuning is due', () => {
    expect(runView(answer('no')).step!.id).toBe('trim_now');
    const run = answer('no', 'Cage, DN 100');
    expect(tuneIsDue(run)).toBe(true);
    expect(trimNow(run)).toBe('Cage, DN 100');
  });

  test('never tuned: due, whatever is answered', () => {
    expect(tuneIsDue(standing('trim').run())).toBe(true);
  });
});

test('the log card: how long it lasts, and the shortest interval that reaches the next visit', () => {
  expect(logDays({ card_bytes: 40 * 86_400, interval_s: 1 })).toBe(1);
  const shortest = shortestInterval(64e6, 12);
  expect(logDays({ card_bytes: 64e6, interval_s: shortest })).toBeGreaterThanOrEqual(365.28);
  expect(logDays({ card_bytes: 64e6, interval_s: shortest - 1 })).toBeLessThan(365.28);
  expect(shortestInterval(1e15, 12)).toBe(1);
});

describe('masters, contacts and outputs', () => {
  const wantedAfter = (answers: Readonly<Record<string, string>>, stepId = 'commands') => {
    const { run, add } = standing('commands');
    for (const [key, value] of Object.entries(answers)) add({ type: 'observed', key, value });
    const step = run().steps.find(({ id }) => id === stepId);
    if (step?.kind !== 'registers') return undefined;
    return Object.fromEntries(
      registersView(run(), step, 0).map(({ key, wanted }) => [key, wanted]),
    );
  };

  test.each([
    ['itself', 1, 0],
    ['analog', 2, 0],
    ['bus', 3, 0],
    ['contact', 1, 1],
  ])('commanded by %s: source %d, contacts %d', (master, command_source, contacts) => {
    expect(wantedAfter({ master })).toEqual({
      command_source,
      contacts,
      analog_output: 0,
      contact_output: 0,
    });
  });

  test('an output is on where it is wired, and off where it is not', () => {
    expect(wantedAfter({ analog_wired: 'yes', contacts_wired: 'no' })).toMatchObject({
      analog_output: 1,
      contact_output: 0,
    });
    expect(wantedAfter({ analog_wired: 'no', contacts_wired: 'yes' })).toMatchObject({
      analog_output: 0,
      contact_output: 1,
    });
  });

  test.each([
    ['shut', 1],
    ['open', 2],
    ['stay', 3],
  ])('the contact that wins, %s, is keyed in as %d', (contacts_first, code) => {
    const wanted = wantedAfter({ master: 'contact', contacts_first }, 'contact_order');
    expect(wanted).toEqual({ contact_first: code });
  });

  test('where no contact overrides, none is ordered and none is tried', () => {
    const { run, add } = standing('commands');
    const isAsked = (step: string) => !isPassed(run(), step);
    add({ type: 'observed', key: 'master', value: 'bus' });
    expect(['contact_order', 'contact_tried'].map(isAsked)).toEqual([false, false]);
    add({ type: 'observed', key: 'master', value: 'contact' });
    expect(['contact_order', 'contact_tried'].map(isAsked)).toEqual([true, true]);
  });
});
