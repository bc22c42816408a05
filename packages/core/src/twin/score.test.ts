import { kPa } from '../quantity';
import { unwrap } from '../result';
import type { RunEvent, RunEventDraft } from '../run';
import { rehearsed, stamp, startedDraft } from '../testing/samples';
import type { TwinFault } from '../valve';
import { scoreOf, SOUND_NAME } from './score';

/** A practice run with these entries after its start. */
function practised(drafts: readonly RunEventDraft[], faults: readonly TwinFault[] = []) {
  const twin = { seed: 1, faults: [...faults], found_pa: kPa(560) };
  const events = [startedDraft({ twin, purpose: 'practice' }), ...drafts].map((draft, i) =>
    stamp(draft, i + 1),
  );
  return unwrap(scoreOf(events as RunEvent[], { provedWell: true }))!;
}
const turned = (turns: number): RunEventDraft => ({ type: 'turned', adjuster: 'main', turns });
const read = (si: number, inControl = true): RunEventDraft => ({
  type: 'reading',
  step_id: 'come_up',
  role: 'outlet',
  purpose: 'setting',
  reading: {
    si,
    entered: { text: String(si / 1000), unit: 'kPa' },
    gauge_id: 'g-12',
    source: 'typed',
  },
  settled: true,
  in_control: inControl,
});

describe('a hand against the master', () => {
  test('who does as the coach says has every point', () => {
    const { events } = rehearsed();
    const score = unwrap(scoreOf(events, { provedWell: true }))!;
    expect(score).toMatchObject({ points: 100, leftOpen: 0, faults: [], hasNoticed: true });
    expect(score.own).toEqual(score.master);
    const turns = events.filter(({ type }) => type === 'turned').length;
    expect(score.own.moves).toBe(turns);
  });

  test('each move more than the master’s costs, five of them as much as any', () => {
    const { master } = practised([]);
    const moves = (more: number) =>
      practised(Array.from({ length: master.moves + more }, () => turned(0.1))).points;
    expect([moves(0), moves(1), moves(2), moves(5), moves(20)]).toEqual([100, 94, 88, 70, 70]);
  });

  test('a lane that is passed counts once until one is back, a limit weighs more', () => {
    const past = kPa(540);
    const { own } = practised([turned(1), read(past), read(past), read(kPa(520)), read(past)]);
    expect(own).toMatchObject({ pastLane: 2, pastLimit: 0 });
    const over = practised([turned(1), read(kPa(661))]);
    expect(over.own).toMatchObject({ pastLane: 1, pastLimit: 1 });
    expect(over.points).toBe(100 - 8 - 30);
    expect(practised([turned(1), read(kPa(660))]).own.pastLimit).toBe(0);
    expect(practised([turned(1), read(kPa(535))]).own.pastLane).toBe(0);
  });

  test('as it was found, and what the valve did not rule, is nobody’s fault', () => {
    expect(practised([read(kPa(700)), turned(-1)]).own).toMatchObject({
      pastLane: 0,
      pastLimit: 0,
    });
    expect(practised([turned(1), read(kPa(700), false)]).own.pastLimit).toBe(0);
  });

  test('a turn that was taken back was none', () => {
    const undo: RunEventDraft = { type: 'undone', undoes: 'e00002' };
    expect(practised([turned(1), undo]).own.moves).toBe(0);
  });

  test('what is left open costs', () => {
    const { events } = rehearsed({ stopAfterTurns: 1 });
    const score = unwrap(scoreOf(events, { provedWell: true }))!;
    expect(score.leftOpen).toBeGreaterThan(0);
    expect(score.points).toBe(Math.max(0, 100 - 15 * score.leftOpen));
  });

  test('a fault that the sheet says nothing of was not found', () => {
    const { events } = rehearsed({ faults: ['leaking_seat'] });
    const [blind, seen] = [true, false].map((well) =>
      unwrap(scoreOf(events, { provedWell: well }))!,
    );
    expect(blind).toMatchObject({ faults: ['leaking_seat'], hasNoticed: false });
    expect(seen!.hasNoticed).toBe(true);
    expect(seen!.points - blind!.points).toBe(25);
  });

  test('what was wrong is found by what tells it; luck costs a little, a wrong name more', () => {
    const { events } = rehearsed({ faults: ['leaking_seat'] });
    const asked = (value: string): RunEvent[] => {
      const { id: _, hash: _hash, seen: _seen, ...last } = events.at(-1)!;
      const entry = {
        ...last,
        id: 'x1',
        lamport: last.lamport,
        type: 'observed',
        key: 'shuts',
        value,
      };
      return [...events.slice(0, -1), entry as unknown as RunEvent];
    };
    const named = (name: string | undefined, of: readonly RunEvent[] = events, provedWell = true) =>
      unwrap(scoreOf(of, { provedWell, named: name }))!;
    expect(named(undefined).found).toBe('nothing_named');
    expect(named('seat_dirty').found).toBe('by_luck');
    expect(named('seat_dirty', asked('yes')).found).toBe('by_luck');
    expect(named('seat_dirty', asked('no')).found).toBe('by_evidence');
    expect(named('seat_dirty', events, false).found).toBe('by_evidence');
    expect(named('air').found).toBe('wrong');
    expect(named(SOUND_NAME).found).toBe('wrong');
    const [best] = [named('seat_dirty', events, false).points];
    expect(named('seat_dirty').points).toBe(best - 5);
    expect(named('air').points).toBe(best - 25 - 15);
  });

  test('nothing wrong is found by saying so, and missed by naming something', () => {
    const { events } = rehearsed();
    const named = (name: string) => unwrap(scoreOf(events, { provedWell: true, named: name }))!;
    expect(named(SOUND_NAME)).toMatchObject({ found: 'by_evidence', points: 100 });
    expect(named('air')).toMatchObject({ found: 'wrong', points: 85 });
  });

  test('both ways can be laid side by side, move by move', () => {
    const { events } = rehearsed();
    const { ownMoves, masterMoves, minutes } = unwrap(scoreOf(events, { provedWell: true }))!;
    expect(ownMoves).toEqual(masterMoves);
    const turns = events.flatMap((event) => (event.type === 'turned' ? [event.turns] : []));
    expect(ownMoves.map((move) => move.turns)).toEqual(turns);
    expect(ownMoves.at(-1)!.pressure).toBeGreaterThan(kPa(500));
    expect(minutes).toBeCloseTo((events.at(-1)!.at_ms - events[0]!.at_ms) / 60_000, 9);
    const { ownMoves: one } = practised([turned(0.5), read(kPa(480)), read(kPa(485)), turned(0.1)]);
    expect(one).toEqual([
      { turns: 0.5, pressure: kPa(485) },
      { turns: 0.1, pressure: undefined },
    ]);
  });

  test('a record has no score', () => {
    const [started, ...rest] = rehearsed().events;
    const record = { ...started!, twin: undefined } as RunEvent;
    expect(unwrap(scoreOf([record, ...rest.slice(0, 3)], { provedWell: true }))).toBeUndefined();
  });
});
