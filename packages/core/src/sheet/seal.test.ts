import fc from 'fast-check';
import { canonicalJson } from '../digest';
import { unwrap } from '../result';
import {
  byOrder,
  doubleTurns,
  entriesRoot,
  headsOf,
  isGenuine,
  mergeEvents,
  pastOf,
  reduceRun,
  twoTurnsKey,
  type EventOf,
  type RunEvent,
  type RunEventDraft,
} from '../run';
import { rehearsed, startAtMs } from '../testing/samples';
import { freezeSheet } from './freeze';
import { sealedEntry, sealEntries, shownHash, signedEntry } from './seal';

const whole = sealEntries(rehearsed().events);
const signature = whole.at(-1) as EventOf<'signed'>;
const sheetText = (events: readonly RunEvent[]) =>
  canonicalJson(unwrap(freezeSheet(unwrap(reduceRun(events)), null)));

/** The drafts of a rehearsed run: what a hand would enter, before any device has stamped it. */
const drafts = whole.map(({ id: _i, run_id: _r, author: _a, at_ms: _t, lamport: _l, ...rest }) => {
  const { device: _d, seen: _s, hash: _h, ...draft } = rest;
  return draft as RunEventDraft;
});

/** Two hands on one run: each enters what it sees fit, having seen only some of the other's entries. */
class Device {
  known: RunEvent[] = [];
  constructor(private readonly name: string) {}
  enter(draft: RunEventDraft): RunEvent {
    const id = `${this.name}-${this.known.length}`;
    const stamp = { id, runId: 'run-1', author: this.name, device: this.name, atMs: startAtMs };
    const entry = unwrap(sealedEntry(draft, stamp, this.known));
    this.known = mergeEvents(this.known, [entry]);
    return entry;
  }
  hear(events: readonly RunEvent[]): void {
    this.known = mergeEvents(this.known, events);
  }
}

/** A run that one hand carries through, with another's notes seen now and then, and after the end. */
function together(choices: readonly number[]): { all: RunEvent[]; signedBy: Device } {
  const first = new Device('ines');
  const second = new Device('tomas');
  for (const [i, draft] of drafts.entries()) {
    const choice = choices[i % choices.length]!;
    if (choice === 1) second.hear(first.known);
    if (choice >= 1 && i > 0 && second.known.length > 0)
      second.enter({ type: 'note', text: `seen ${i}` });
    if (choice === 2) first.hear(second.known);
    first.enter(draft);
    if (i === 0) second.hear(first.known);
  }
  second.enter({ type: 'note', text: 'too late' });
  return { all: mergeEvents(first.known, second.known), signedBy: first };
}

describe('an entry', () => {
  test('has a hash of all that it says, and any change shows', () => {
    expect(whole.every((entry) => isGenuine(entry))).toBe(true);
    for (const change of [{ author: 'Tomas' }, { at_ms: 1 }, { lamport: 99 }, { seen: [] }])
      expect(isGenuine({ ...whole[5]!, ...change })).toBe(false);
  });

  test('names what nothing had followed', () => {
    expect(headsOf(whole.slice(0, 4))).toEqual([whole[3]!.hash]);
    const fork = [whole[0]!, whole[1]!, { ...whole[2]!, seen: [whole[0]!.hash!] }];
    expect(headsOf(fork)).toHaveLength(2);
  });

  test('entries of before are linked by their digest', () => {
    const plain = rehearsed({ stopBefore: 'no_flow' }).events;
    const stamp = { id: 'x', runId: 'run-1', author: 'I', device: 'd', atMs: startAtMs };
    const next = unwrap(sealedEntry({ type: 'note', text: 'on' }, stamp, plain));
    expect(next.seen).toHaveLength(plain.length);
    expect(pastOf(next, plain)).toEqual({ covered: [...plain].sort(byOrder), missing: [] });
  });

  test('what is entered at once by two is ordered by hash, not by clock or id', () => {
    const [a, b] = ['a', 'b'].map((id) =>
      unwrap(
        sealedEntry(
          { type: 'note', text: id },
          { id, runId: 'run-1', author: 'I', device: id, atMs: startAtMs },
          whole.slice(0, 1),
        ),
      ),
    );
    expect(Math.sign(byOrder(a!, b!))).toBe(a!.hash! < b!.hash! ? -1 : 1);
  });
});

describe('two hands on one screw', () => {
  const turned = (turns: number) => ({ type: 'turned', adjuster: 'main', turns }) as const;
  /** Two devices that both know the run up to the first turn. */
  const both = () => {
    const before = whole.slice(
      0,
      whole.findIndex(({ type }) => type === 'turned'),
    );
    const devices = [new Device('ines'), new Device('tomas')] as const;
    for (const device of devices) device.hear(before);
    return devices;
  };

  test('a turn that both entered at once is asked about', () => {
    const [ines, tomas] = both();
    const entered = [ines.enter(turned(0.5)), tomas.enter(turned(0.5))].sort(byOrder);
    tomas.hear(ines.known);
    const [asked, ...others] = doubleTurns(tomas.known);
    expect(others).toEqual([]);
    expect([asked!.first, asked!.second]).toEqual(entered);
  });

  test('one turn after another is not, nor two turns of one hand', () => {
    const [ines, tomas] = both();
    ines.enter(turned(0.5));
    ines.enter(turned(0.25));
    expect(doubleTurns(ines.known)).toEqual([]);
    tomas.hear(ines.known);
    tomas.enter(turned(0.5));
    expect(doubleTurns(tomas.known)).toEqual([]);
  });

  test('it is asked no more once one was taken back, or both were meant', () => {
    for (const answer of ['one', 'two']) {
      const [ines, tomas] = both();
      ines.enter(turned(0.5));
      tomas.enter(turned(0.5));
      tomas.hear(ines.known);
      const [asked] = doubleTurns(tomas.known);
      tomas.enter(
        answer === 'one'
          ? { type: 'undone', undoes: asked!.second.id }
          : { type: 'observed', key: twoTurnsKey(asked!), value: 'yes' },
      );
      expect(doubleTurns(tomas.known)).toEqual([]);
      const { marks } = unwrap(reduceRun(tomas.known));
      expect(marks['main']!.filter(({ kind }) => kind === 'turned')).toHaveLength(
        answer === 'one' ? 1 : 2,
      );
    }
  });
});

describe('a signature', () => {
  test('is about exactly what its author saw: the root, the count and the sheet', () => {
    const before = whole.slice(0, -1);
    expect(signature).toMatchObject({ covers: before.length, root: entriesRoot(before) });
    const body = unwrap(freezeSheet(unwrap(reduceRun(whole)), null));
    expect(body).toMatchObject({ root: signature.root, covers: signature.covers });
    expect(signature.sheet).toBe(shownHash(body));
    expect(shownHash({ ...body, previous_hash: 'a'.repeat(64) })).toBe(signature.sheet);
  });

  test('alone is signed by the key of its device; where there is no key, it is none the less one', async () => {
    const publicKey = { alg: 'ES256', x: 'x', y: 'y' } as never;
    const key = { publicKey, sign: async (text: string) => `by hand: ${text}` };
    const at = (place: number) => ({
      id: `entry-${place}`,
      runId: 'run-1',
      author: 'Tomas',
      device: 'phone',
      atMs: startAtMs,
    });
    const last = drafts.length - 1;
    const before = whole.slice(0, last);
    const signed = unwrap(await signedEntry(drafts[last]!, at(last), before, key));
    expect(signed).toMatchObject({ type: 'signed', device_signature: { key: publicKey } });
    expect(isGenuine(signed)).toBe(true);
    const bare = unwrap(await signedEntry(drafts[last]!, at(last), before, undefined));
    expect(bare).not.toHaveProperty('device_signature');
    const other = unwrap(await signedEntry(drafts[1]!, at(1), whole.slice(0, 1), key));
    expect(other).not.toHaveProperty('device_signature');
  });

  test('cannot be put under a run that is not ready', () => {
    const open = sealEntries(rehearsed({ stopBefore: 'no_flow' }).events);
    const stamp = { id: 's', runId: 'run-1', author: 'I', device: 'd', atMs: startAtMs };
    expect(sealedEntry({ type: 'signed', name: 'I', covers: 1 }, stamp, open)).toMatchObject({
      ok: false,
      error: { code: 'run.open_ends_left' },
    });
  });

  test('waits for what it has seen and is not here', () => {
    const without = whole.filter((_, i) => i !== 7);
    expect(unwrap(reduceRun(without)).missing).toEqual([whole[7]!.hash]);
    expect(unwrap(reduceRun(whole)).missing).toEqual([]);
  });

  test('of two, the one whose entries are all here counts', () => {
    const stamp = { id: 's2', runId: 'run-1', author: 'T', device: 'd', atMs: startAtMs };
    const other = unwrap(
      sealedEntry({ type: 'signed', name: 'Tomas', covers: 1 }, stamp, whole.slice(0, -1)),
    );
    const note = { ...other, seen: [...other.seen!, 'b'.repeat(64)] };
    expect(unwrap(reduceRun([...whole, note])).signed?.name).toBe(signature.name);
  });

  // 40 runs of two hands, each in 50 orders of arrival: what was signed is the same sheet in all of them.
  test('the same entries in any order, split and doubled, are the same sheet', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 12 }),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true })),
        (choices, chance) => {
          const { all, signedBy } = together(choices);
          const wanted = sheetText(signedBy.known);
          const run = unwrap(reduceRun(all));
          expect(run.late.map(({ type }) => type)).toContain('note');
          expect(run.notes.map(({ text }) => text)).not.toContain('too late');
          for (let order = 0; order < 50; order++) {
            const arrived = shuffled([...all, ...all.slice(0, 9)], chance);
            const half = Math.floor(arrived.length / 2);
            const merged = mergeEvents(arrived.slice(0, half), arrived.slice(half));
            const again = unwrap(reduceRun(merged));
            expect(again.signed).toEqual(run.signed);
            // Freezing is the slow part: the run decides the sheet, and a tenth are frozen as well.
            expect(again).toEqual(run);
            if (order % 10 === 0) expect(sheetText(merged)).toBe(wanted);
          }
        },
      ),
      { seed: 51, numRuns: 40 },
    );
  });
});

function shuffled<T>(list: readonly T[], chance: Iterator<number>): T[] {
  const next = [...list];
  for (let i = next.length - 1; i > 0; i--) {
    const j = Math.floor((chance.next().value as number) * (i + 1));
    [next[i], next[j]] = [next[j]!, next[i]!];
  }
  return next;
}
