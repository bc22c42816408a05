import { Refusal, Unreachable } from './api';
import { openDeviceDb } from './device-db';
import { changeableLists, KeptChanges, withKept, type Puts } from './kept-changes';

const valve = (id: string, name = 'new') => ({ id, name });
const made = (id: string, atMs: number, over?: unknown, name?: string) => ({
  list: 'valves' as const,
  value: valve(id, name),
  over,
  by: 'Ines',
  atMs,
});
/** Every list is put the same way. */
const putsOf = (put: Puts['valves']): Puts =>
  Object.fromEntries(changeableLists.map((list) => [list, put])) as Puts;

let names = 0;
function kept(put: Puts['valves']) {
  const db = openDeviceDb(`kept-${String(++names)}`);
  const puts = putsOf(put);
  return { db, changes: new KeptChanges(db, puts) };
}

describe('changes of the register without a network', () => {
  test('wait on the phone, through a restart too, and go in their order', async () => {
    const sent: string[] = [];
    let isUp = false;
    const put = (value: { id: string }) => {
      if (!isUp) return Promise.reject(new Unreachable('no network'));
      sent.push(value.id);
      return Promise.resolve();
    };
    const { db, changes } = kept(put);
    await changes.keep(made('b', 2));
    await changes.keep(made('a', 1));
    await changes.flush();
    expect(sent).toEqual([]);
    const again = new KeptChanges(db, putsOf(put));
    await again.load();
    expect(again.snapshot().map(({ value }) => value.id)).toEqual(['a', 'b']);
    isUp = true;
    const taken: string[] = [];
    again.onTaken(({ key }) => taken.push(key));
    await again.flush();
    expect(taken).toEqual(['valves:a', 'valves:b']);
    expect(sent).toEqual(['a', 'b']);
    expect(again.snapshot()).toEqual([]);
    expect(await (await db).count('changes')).toBe(0);
  });

  test('another tab of the phone sees at once what waits, and what has gone', async () => {
    const put = () => (isUp ? Promise.resolve() : Promise.reject(new Unreachable('no network')));
    let isUp = false;
    const db = openDeviceDb(`kept-${String(++names)}`);
    const puts = putsOf(put);
    const tabs: (() => void)[] = [];
    const channel = (own: number) => ({
      addEventListener: (_: string, heard: () => void) => void (tabs[own] = heard),
      // A tab does not hear itself.
      postMessage: () => tabs.forEach((heard, i) => i !== own && heard()),
    });
    const [here, there] = [0, 1].map((own) => new KeptChanges(db, puts, channel(own) as never));
    const count = (wanted: number) =>
      new Promise<void>((done) => {
        const leave = there!.subscribe(() => {
          if (there!.snapshot().length !== wanted) return;
          leave();
          done();
        });
      });
    const shown = count(1);
    await here!.keep(made('a', 1));
    await shown;
    const gone = count(0);
    isUp = true;
    await here!.flush();
    await gone;
    expect(there!.snapshot()).toEqual([]);
  });

  test('a document changed twice goes once, over what was seen first', async () => {
    const put = jest.fn((_value: unknown, _change: unknown) => Promise.resolve());
    const { changes } = kept(put);
    await changes.keep(made('a', 1, { was: 1 }, 'once'));
    await changes.keep(made('a', 5, { was: 2 }, 'twice'));
    await changes.flush();
    expect(put.mock.calls).toEqual([[valve('a', 'twice'), { over: { was: 1 }, by: 'Ines' }]]);
  });

  test('changed again while on its way, it goes once more, over what was sent', async () => {
    const put = jest.fn((_value: unknown, _change: unknown) => Promise.resolve());
    const { changes } = kept(put);
    await changes.keep(made('a', 1, undefined, 'once'));
    put.mockImplementationOnce(() => changes.keep(made('a', 2, undefined, 'twice')));
    await changes.flush();
    expect(changes.snapshot()).toHaveLength(1);
    await changes.flush();
    expect(put.mock.calls[1]).toEqual([
      valve('a', 'twice'),
      { over: valve('a', 'once'), by: 'Ines' },
    ]);
    expect(changes.snapshot()).toEqual([]);
  });

  test('one that is refused stays with its reason and holds up no other', async () => {
    const put = jest.fn((value: { id: string }) =>
      value.id === 'a' ? Promise.reject(new Refusal(409, 'valve.tag_taken')) : Promise.resolve(),
    );
    const { changes } = kept(put);
    await changes.keep(made('a', 1));
    await changes.keep(made('b', 2));
    await changes.flush();
    await changes.flush();
    expect(put).toHaveBeenCalledTimes(2);
    expect(changes.snapshot()).toMatchObject([{ key: 'valves:a', refused: 'valve.tag_taken' }]);
    await changes.letGo('valves:a');
    expect(changes.snapshot()).toEqual([]);
  });

  test.each([401, 408, 429, 500, 503])(
    'a %d says nothing of the change: it waits, and what comes behind it too',
    async (status) => {
      const put = jest.fn((_value: unknown, _change: unknown) => Promise.resolve());
      put.mockRejectedValueOnce(new Refusal(status, 'not.now'));
      const { changes } = kept(put);
      await changes.keep(made('a', 1));
      await changes.keep(made('b', 2));
      await changes.flush();
      expect(put).toHaveBeenCalledTimes(1);
      expect(changes.snapshot().map(({ refused }) => refused)).toEqual([undefined, undefined]);
      await changes.flush();
      expect(changes.snapshot()).toEqual([]);
    },
  );

  test('somebody else has changed it: what they have is kept beside it, and one may be chosen', async () => {
    const put = jest.fn((_value: unknown, _change: unknown) => Promise.resolve());
    put.mockRejectedValueOnce(new Refusal(412, 'document.changed', valve('a', 'theirs')));
    const { changes } = kept(put);
    await changes.keep(made('a', 1, valve('a', 'old'), 'mine'));
    await changes.flush();
    const [refused] = changes.snapshot();
    expect(refused).toMatchObject({ refused: 'document.changed', theirs: valve('a', 'theirs') });
    await changes.sendOver(refused!);
    expect(put.mock.calls[1]).toEqual([
      valve('a', 'mine'),
      { over: valve('a', 'theirs'), by: 'Ines' },
    ]);
    expect(changes.snapshot()).toEqual([]);
  });

  test('what the server has so already is taken: its answer was lost, or another tab was first', async () => {
    const put = jest.fn((_value: unknown, _change: unknown) =>
      Promise.reject(new Refusal(412, 'document.changed', { name: 'mine', id: 'a' })),
    );
    const { changes } = kept(put);
    await changes.keep(made('a', 1, valve('a', 'old'), 'mine'));
    await changes.flush();
    expect(changes.snapshot()).toEqual([]);
  });

  test('a server in trouble says nothing about a change: it is asked again', async () => {
    const put = jest.fn(() => Promise.reject(new Refusal(507, 'disk.full')));
    const { changes } = kept(put);
    await changes.keep(made('a', 1));
    await changes.flush();
    expect(changes.snapshot()).toMatchObject([{ key: 'valves:a' }]);
    expect(changes.snapshot()[0]!.refused).toBeUndefined();
  });

  test('a bug of ours is no refusal: it comes out, and the change waits on', async () => {
    const { changes, db } = kept(() => Promise.reject(new TypeError('ours')));
    await changes.keep(made('a', 1));
    await expect(changes.flush()).rejects.toThrow('ours');
    expect(changes.snapshot()[0]!.refused).toBeUndefined();
    expect(await (await db).count('changes')).toBe(1);
  });

  test.each([401, 408, 429])(
    'an answer of %i says nothing about a change either',
    async (status) => {
      const { changes } = kept(() => Promise.reject(new Refusal(status, 'later')));
      await changes.keep(made('a', 1));
      await changes.flush();
      expect(changes.snapshot()[0]!.refused).toBeUndefined();
    },
  );

  test('one that his role may not make is refused, and stays with that', async () => {
    const { changes } = kept(() => Promise.reject(new Refusal(403, 'role.may_not')));
    await changes.keep(made('a', 1));
    await changes.flush();
    expect(changes.snapshot()).toMatchObject([{ refused: 'role.may_not' }]);
  });

  test('a list shows what waits in place of what was fetched, and what is new behind it', async () => {
    const { changes } = kept(() => Promise.resolve());
    await changes.keep(made('b', 1, undefined, 'changed'));
    await changes.keep(made('c', 2));
    const list = withKept([valve('a', 'old'), valve('b', 'old')], 'valves', changes.snapshot());
    expect(list).toEqual([valve('a', 'old'), valve('b', 'changed'), valve('c')]);
    expect(withKept([valve('a')], 'gauges', changes.snapshot())).toEqual([valve('a')]);
    expect(withKept(undefined, 'valves', [])).toBeUndefined();
  });
});
