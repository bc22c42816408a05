import { readFileSync } from 'node:fs';
import { asRecord } from '@holvek/core';
import { startedDraft } from '@/testing/samples';
import { practised } from '@/testing/signed-run';
import { openDeviceDb } from './device-db';
import { RunShelf } from './run-shelf';

let count = 0;
const open = (now?: () => number) => {
  const db = openDeviceDb(`shelf-${++count}`);
  const make = () => {
    const kept: number[] = [];
    const shelf = new RunShelf({ db, onKept: () => kept.push(1), ...(now ? { now } : {}) });
    return { shelf, kept };
  };
  return { db, make };
};
const begun = async (shelf: RunShelf) => String(await shelf.begin(startedDraft(), 'Edda'));
const confirm = (step_id: string) => ({ type: 'step_done', step_id }) as const;

describe('the shelf of runs', () => {
  test('keeps an entry with its place in the outbox before it counts', async () => {
    const { db, make } = open();
    const { shelf, kept } = make();
    const id = await begun(shelf);
    expect(await shelf.add(id, confirm('stored_pressure'), 'Edda')).toBeUndefined();
    expect(await (await db).count('events')).toBe(2);
    expect(await (await db).count('queued')).toBe(2);
    expect(kept).toHaveLength(2);
    expect(shelf.snapshot().get(id)!.run.done).toHaveProperty('stored_pressure');
  });

  test('an entry of a phone on which nobody has said who he is says so', async () => {
    const shelf = new RunShelf({ db: openDeviceDb('shelf-unnamed') });
    const id = String(await shelf.begin(startedDraft(), ''));
    expect(shelf.snapshot().get(id)!.events[0]!.author).toBe('unnamed');
    await shelf.add(id, { type: 'note', text: 'dry' }, 'Edda');
    expect(shelf.snapshot().get(id)!.events[1]!.author).toBe('Edda');
  });

  test('a closed tab comes back to the same run', async () => {
    const { make } = open();
    const { shelf } = make();
    const id = await begun(shelf);
    await shelf.add(id, confirm('stored_pressure'), 'Edda');
    const { shelf: again } = make();
    expect(again.loaded()).toBe(false);
    await again.load();
    expect(again.loaded()).toBe(true);
    expect(again.snapshot().get(id)!.run).toEqual(shelf.snapshot().get(id)!.run);
  });

  test('two tabs of one phone are one: what is kept in one is seen in the other', async () => {
    const { db } = open();
    const heard = new Set<(message: { data: unknown }) => void>();
    const tab = () => {
      const mine = new Set<(message: { data: unknown }) => void>();
      const tabs = {
        postMessage: (data: unknown) =>
          [...heard].filter((each) => !mine.has(each)).forEach((each) => each({ data })),
        addEventListener: (_: string, listener: (message: { data: unknown }) => void) => {
          heard.add(listener);
          mine.add(listener);
        },
      };
      return new RunShelf({ db, tabs: tabs as never });
    };
    const [left, right] = [tab(), tab()];
    const id = await begun(left);
    const told = new Promise<void>((resolve) => right.subscribe(resolve));
    await told;
    expect(right.snapshot().get(id)!.run).toEqual(left.snapshot().get(id)!.run);
    const back = new Promise<void>((resolve) => left.subscribe(resolve));
    await right.add(id, confirm('stored_pressure'), 'Edda');
    await back;
    expect(left.snapshot().get(id)!.events).toHaveLength(2);
    // The second entry was made over the first: neither tab has lost sight of the other.
    expect(left.snapshot().get(id)!.run.missing).toEqual([]);
  });

  test('what a run refuses is not kept', async () => {
    const { db, make } = open();
    const { shelf } = make();
    const id = await begun(shelf);
    expect(
      await shelf.add(id, { type: 'turned', adjuster: 'main', turns: 40 }, 'Edda'),
    ).toMatchObject({
      code: 'coach.turn_too_large',
    });
    expect(await (await db).count('events')).toBe(1);
  });

  test('entries made at once follow one another, and a clock set back changes no order', async () => {
    let clock = 5_000_000;
    const { make } = open(() => (clock -= 1000));
    const { shelf } = make();
    const id = await begun(shelf);
    await Promise.all(
      ['stored_pressure', 'permit', 'discharge_path'].map((s) => shelf.add(id, confirm(s), 'E')),
    );
    const { events } = shelf.snapshot().get(id)!;
    expect(events.map(({ lamport }) => lamport)).toEqual([1, 2, 3, 4]);
    expect(events[3]!.at_ms).toBeLessThan(events[0]!.at_ms);
  });

  test('entries of another device are merged, whichever comes first', async () => {
    const one = open().make().shelf;
    const id = await begun(one);
    await one.add(id, confirm('stored_pressure'), 'Edda');
    const { events } = one.snapshot().get(id)!;
    const two = open().make().shelf;
    await two.take([events[1]!]);
    expect(two.snapshot().size).toBe(0);
    await two.take(events);
    expect(two.snapshot().get(id)!.run.done).toEqual(one.snapshot().get(id)!.run.done);
  });

  test('a signature that the server has refused is taken back, on every tab; nothing else is', async () => {
    const { db } = open();
    const events = asRecord(practised);
    const runId = events[0]!.run_id;
    const heard: (() => void)[] = [];
    const tabs = {
      postMessage: () => heard.forEach((each) => each()),
      addEventListener: (_: string, listener: (message: { data: unknown }) => void) =>
        heard.push(() => listener({ data: runId })),
    };
    const [shelf, other] = [
      new RunShelf({ db, tabs: tabs as never }),
      new RunShelf({ db, tabs: tabs as never }),
    ];
    await shelf.take(events);
    await other.load();
    const [before, signature] = events.slice(-2);
    await shelf.takeBack(runId, signature!.id);
    expect(shelf.snapshot().get(runId)!.run.status).toBe('signed');
    for (const { id } of [before!, signature!])
      await (await db).put('refused', { id, runId, code: 'entry.other_key' });
    await shelf.takeBack(runId, before!.id);
    expect(shelf.snapshot().get(runId)!.events).toHaveLength(events.length);
    const isSeen = new Promise<void>((resolve) => other.subscribe(resolve));
    await shelf.takeBack(runId, signature!.id);
    await isSeen;
    for (const each of [shelf, other]) {
      expect(each.snapshot().get(runId)!.run.status).toBe('open');
      expect(each.snapshot().get(runId)!.events).toHaveLength(events.length - 1);
    }
    expect(await (await db).get('events', signature!.id)).toBeUndefined();
  });

  test.each([
    ['full storage is said', 'QuotaExceededError', 'storage.full'],
    ['a write that the browser broke off is said', 'AbortError', 'storage.full'],
    ['a bug of ours is not called full storage', 'DataError', undefined],
  ])('%s, and the run stays as it was', async (_, name, code) => {
    const real = await openDeviceDb(`shelf-${name}`);
    let isFull = false;
    const db = new Proxy(real, {
      get: (target, key) => {
        if (isFull && key === 'transaction') throw new DOMException('no room', name);
        const value = Reflect.get(target, key) as unknown;
        return typeof value === 'function' ? value.bind(target) : value;
      },
    });
    const shelf = new RunShelf({ db: Promise.resolve(db) });
    const id = await begun(shelf);
    isFull = true;
    const added = shelf.add(id, confirm('stored_pressure'), 'Edda');
    await (code ? expect(added).resolves.toEqual({ code }) : expect(added).rejects.toThrow());
    expect(shelf.snapshot().get(id)!.run.done).toEqual({});
  });
});

test('the folder of the device’s data is in the repository', () => {
  const ignored = readFileSync(`${__dirname}/../../../../.gitignore`, 'utf8');
  expect(ignored.split('\n').filter((line) => /^(data|dist)\/?$/u.test(line))).toEqual([]);
});
