import type { Ingested, RunEvent } from '@holvek/core';
import { startedDraft } from '@/testing/samples';
import { Refusal, Unreachable } from './api';
import { openDeviceDb } from './device-db';
import { Outbox } from './outbox';
import { RunShelf } from './run-shelf';

let count = 0;
type Post = (runId: string, events: readonly RunEvent[]) => Promise<Ingested>;
const open = async (post: Post) => {
  const db = openDeviceDb(`outbox-${++count}`);
  const shelf = new RunShelf({ db });
  const outbox = new Outbox(db, { postEvents: post });
  const id = String(await shelf.begin(startedDraft(), 'Edda'));
  return { db, shelf, outbox, id };
};
const all = (events: readonly RunEvent[]): Ingested => ({
  stored: events.map(({ id }) => id),
  refused: [],
});

describe('the outbox', () => {
  test('sends what waits, and is empty afterwards', async () => {
    const sent: number[] = [];
    const { outbox, db } = await open(async (_, events) => (sent.push(events.length), all(events)));
    await outbox.load();
    expect(outbox.snapshot().queued).toBe(1);
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 0, isReachable: true });
    expect(sent).toEqual([1]);
    expect(await (await db).count('events')).toBe(1);
  });

  test('without a network everything stays, and goes when it is back', async () => {
    let isUp = false;
    const { outbox, shelf, id } = await open(async (_, events) => {
      if (!isUp) throw new Unreachable('no answer');
      return all(events);
    });
    await shelf.add(id, { type: 'note', text: 'cold' }, 'Edda');
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 2, isReachable: false });
    isUp = true;
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 0, isReachable: true });
  });

  test('a server in trouble is waited for like a network that is away', async () => {
    const { outbox } = await open(async () => {
      throw new Refusal(503, 'server.busy');
    });
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 1, isReachable: false, refused: [] });
  });

  test('a bug of ours is not called no network: it comes out, and everything stays', async () => {
    const { outbox } = await open(async () => {
      throw new RangeError('a bug');
    });
    await expect(outbox.flush()).rejects.toThrow('a bug');
    expect(outbox.snapshot()).toMatchObject({ queued: 1, isReachable: true });
  });

  test('a bug of ours in what goes before holds up no entry, and comes out', async () => {
    const { db, id } = await open(async (_, events) => all(events));
    const sent: string[] = [];
    const post = async (runId: string, events: readonly RunEvent[]) => {
      sent.push(runId);
      return all(events);
    };
    const first = jest.fn(() => Promise.reject(new TypeError('ours')));
    const outbox = new Outbox(db, { postEvents: post }, first);
    await expect(outbox.flush()).rejects.toThrow('ours');
    expect(sent).toEqual([id]);
    expect(await (await db).count('queued')).toBe(0);
  });

  test('what has to be there goes before the entries', async () => {
    const { db } = await open(async (_, events) => all(events));
    const order: string[] = [];
    const post = async (_: string, events: readonly RunEvent[]) => {
      order.push('entries');
      return all(events);
    };
    const outbox = new Outbox(db, { postEvents: post }, async () => {
      await Promise.resolve();
      order.push('register');
    });
    await outbox.flush();
    expect(order).toEqual(['register', 'entries']);
  });

  test('a place in the queue whose entry was taken back meanwhile is given up, and holds up nobody', async () => {
    const post = jest.fn(async (_: string, events: readonly RunEvent[]) => all(events));
    const { db, outbox, id } = await open(post);
    await (await db).put('queued', { id: '0-ghost', runId: 'run-of-a-ghost' });
    await (await db).put('queued', { id: '0-taken-back', runId: id });
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 0, refused: [], isReachable: true });
    expect(post.mock.calls.map(([runId, events]) => [runId, events.length])).toEqual([[id, 1]]);
  });

  test('a refusal is kept with its reason and does not hold up the rest', async () => {
    const { outbox, db } = await open(async (_, events) => {
      throw new Refusal(409, 'run.already_signed', {
        stored: [],
        refused: events.map(({ id }) => ({ id, code: 'run.already_signed' })),
      });
    });
    await outbox.flush();
    expect(outbox.snapshot().queued).toBe(0);
    expect(outbox.snapshot().refused).toMatchObject([{ code: 'run.already_signed' }]);
    expect(await (await db).count('events')).toBe(1);
    expect(await (await db).count('refused')).toBe(1);
  });

  test('half a batch that was stored is not sent again', async () => {
    const sizes: number[] = [];
    const { outbox, shelf, id } = await open(async (_, events) => {
      sizes.push(events.length);
      return all(events.slice(0, 1));
    });
    await shelf.add(id, { type: 'note', text: 'one more' }, 'Edda');
    await outbox.flush();
    expect(sizes).toEqual([2, 1]);
  });

  test('a sheet that was filed is remembered', async () => {
    const { outbox, id, db } = await open(async (_, events) => ({
      ...all(events),
      sheetId: 'abc',
    }));
    await outbox.flush();
    expect(outbox.snapshot().filed.get(id)).toBe('abc');
    const again = new Outbox(db, { postEvents: async () => all([]) });
    await again.load();
    expect(again.snapshot().filed.get(id)).toBe('abc');
  });

  test('a server that is ill is not a refusal', async () => {
    const { outbox } = await open(async () => {
      throw new Refusal(500, 'server.fault');
    });
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 1, isReachable: false, refused: [] });
  });

  test.each([401, 403, 408, 429, 500, 503])(
    'an answer of %i keeps everything, and holds up no other run',
    async (status) => {
      const { outbox, shelf, id } = await open(async (runId, events) => {
        if (runId === id) throw new Refusal(status, 'server.says_later');
        return all(events);
      });
      const other = String(await shelf.begin(startedDraft(), 'Edda'));
      await outbox.flush();
      expect(other).not.toBe(id);
      expect(outbox.snapshot()).toMatchObject({ queued: 1, refused: [], isReachable: false });
    },
  );

  test.each([
    [400, 'request.invalid'],
    [413, 'request.too_many_events'],
  ])(
    'a batch refused whole with %i is sent in halves: only the entry at fault stays behind',
    async (status, code) => {
      const { outbox, shelf, id } = await open(async (_, events) => {
        if (events.some((event) => event.type === 'note' && event.text === 'bad'))
          throw new Refusal(status, code);
        return all(events);
      });
      for (const text of ['one', 'bad', 'two']) await shelf.add(id, { type: 'note', text }, 'Edda');
      await outbox.flush();
      const { events } = shelf.snapshot().get(id)!;
      expect(outbox.snapshot()).toMatchObject({
        queued: 0,
        refused: [{ id: events[2]!.id, code }],
      });
    },
  );

  test.each([401, 404, 409])(
    'a batch that is refused with %i goes in no halves',
    async (status) => {
      const post = jest.fn(async () => {
        throw new Refusal(status, 'run.closed');
      });
      const { outbox, shelf, id } = await open(post);
      for (const text of ['one', 'two', 'three'])
        await shelf.add(id, { type: 'note', text }, 'Edda');
      await outbox.flush();
      expect(post).toHaveBeenCalledTimes(1);
    },
  );

  test('a server that keeps nothing of a batch, and says nothing of it, is asked again later', async () => {
    const post = jest.fn(async (): Promise<Ingested> => ({ stored: [], refused: [] }));
    const { outbox } = await open(post);
    await outbox.flush();
    expect(outbox.snapshot()).toMatchObject({ queued: 1, refused: [], isReachable: false });
    expect(post).toHaveBeenCalledTimes(1);
  });

  test('a refusal that was seen is let go of, and the entry stays', async () => {
    const { outbox, db, shelf, id } = await open(async (_, events) => ({
      stored: [],
      refused: events.map((event) => ({ id: event.id, code: 'run.abandoned' })),
    }));
    await outbox.flush();
    const [refused] = outbox.snapshot().refused;
    await outbox.letGo(refused!.id);
    expect(outbox.snapshot().refused).toEqual([]);
    expect(await (await db).count('refused')).toBe(0);
    expect(shelf.snapshot().get(id)!.events).toHaveLength(1);
  });

  test('what was refused for a cause that was mended is sent again, all of its run', async () => {
    let isThere = false;
    const { outbox, shelf, id, db } = await open(async (_, events) =>
      isThere
        ? all(events)
        : { stored: [], refused: events.map((e) => ({ id: e.id, code: 'valve.not_found' })) },
    );
    await shelf.add(id, { type: 'note', text: 'waits' }, 'Edda');
    await outbox.flush();
    expect(outbox.snapshot().refused).toHaveLength(2);
    isThere = true;
    await outbox.sendAgain(id);
    expect(outbox.snapshot()).toMatchObject({ queued: 0, refused: [] });
    expect([await (await db).count('refused'), await outbox.waitingOf(id)]).toEqual([0, 0]);
  });

  test('what keeps a signature from being filed is told until it is filed', async () => {
    let waitsFor: string | undefined = 'run.events_missing';
    const { outbox, shelf, id } = await open(async (_, events) => ({
      ...all(events),
      ...(waitsFor ? { waitsFor } : {}),
    }));
    await outbox.flush();
    expect(outbox.snapshot().waiting.get(id)).toBe('run.events_missing');
    waitsFor = undefined;
    await shelf.add(id, { type: 'note', text: 'here' }, 'Edda');
    await outbox.flush();
    expect(outbox.snapshot().waiting.has(id)).toBe(false);
  });
});
