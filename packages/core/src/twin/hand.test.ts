import { kPa } from '../quantity';
import type { EventOf } from '../run';
import { settingView } from '../step';
import { rehearsed, stamp, startAtMs, startedDraft } from '../testing/samples';
import { TwinHand } from './hand';
import { twinOf } from './replay';

function newHand() {
  const started = startedDraft({ twin: { seed: 2, faults: [], found_pa: kPa(560) } });
  let count = 0;
  return new TwinHand({
    started,
    runId: 'run-9',
    twin: twinOf(stamp(started, 1) as EventOf<'started'>)!,
    author: 'Ines',
    startAtMs,
    newId: (atMs) => `${atMs}-${++count}`,
  });
}

describe('the hand of a rehearsal', () => {
  test('begins with the start, and knows its run', () => {
    const hand = newHand();
    expect(hand.events).toHaveLength(1);
    expect(hand.events[0]).toMatchObject({
      type: 'started',
      run_id: 'run-9',
      lamport: 1,
      at_ms: startAtMs,
    });
    expect(hand.run.status).toBe('open');
  });

  test('takes its clock from the twin', () => {
    const hand = newHand();
    hand.wait(90);
    hand.add({ type: 'note', text: 'after a minute and a half' });
    expect(hand.events[1]).toMatchObject({ lamport: 2, author: 'Ines' });
    expect(hand.events[1]!.at_ms - startAtMs).toBeCloseTo(90_000, -1);
  });

  test('does nothing that a technician would be refused, and keeps what it had', () => {
    const hand = newHand();
    expect(() => hand.add({ type: 'signed', name: 'Ines', covers: 1 })).toThrow(
      /rehearsal refused: signed/,
    );
    expect(hand.events).toHaveLength(1);
    expect(hand.run.status).toBe('open');
  });

  test('reads whole divisions, in the unit of its gauge', () => {
    const hand = newHand();
    hand.wait(30);
    const { si, entered, gauge_id, source } = hand.read('outlet');
    const gauge = hand.run.gauges.outlet!;
    expect({ gauge_id, source, unit: entered.unit }).toEqual({
      gauge_id: gauge.id,
      source: 'linked',
      unit: gauge.unit,
    });
    expect(Math.abs(si / gauge.resolution_pa - Math.round(si / gauge.resolution_pa))).toBeLessThan(
      1e-6,
    );
  });

  test('waits until the gauge has settled', () => {
    const hand = newHand();
    const before = hand.twin.t;
    expect(hand.settle('inlet')).toBe('settled');
    expect(hand.twin.t).toBeGreaterThan(before);
    expect(hand.twin.t - before).toBeLessThan(300);
  });
});

describe('a rehearsal told to stop', () => {
  test('stops before a step, or after so many turns', () => {
    const before = rehearsed({ stopBefore: 'fit_gauges' });
    expect('fit_gauges' in before.run.done).toBe(false);
    expect(before.moves).toBe(0);
    const half = rehearsed({ stopAfterTurns: 1 });
    expect(half.run.status).toBe('open');
    expect(half.events.filter(({ type }) => type === 'turned')).toHaveLength(1);
    expect(settingView(half.run, 'main').dots.length).toBeGreaterThan(1);
  });
  test('the same seed makes the same history', () => {
    expect(rehearsed({ seed: 4 }).events).toEqual(rehearsed({ seed: 4 }).events);
  });
});
