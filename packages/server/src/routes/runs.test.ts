import {
  earlierHouseRules,
  sealedEntry,
  sealEntry,
  sheetSchema,
  unwrap,
  type Ingested,
  type RunEvent,
  type RunEventDraft,
} from '@holvek/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { concludeWaiting } from '../ingest/conclude-waiting';
import { codeOf, gauges, testServer, valve, wholeRun, type TestServer } from '../testing/server';
import { QueryTypes } from 'sequelize';

const { events } = wholeRun('run-a');
/** What another phone enters, having seen these. */
const entered = (draft: RunEventDraft, known: readonly RunEvent[], id = 'other-1'): RunEvent =>
  unwrap(
    sealedEntry(
      draft,
      { id, runId: 'run-a', author: 'Ines Varga', device: 'other', atMs: events[0]!.at_ms },
      known,
    ),
  );
const note = (text: string) => ({ type: 'note', text }) as const;
const resealed = (event: RunEvent, over: object): RunEvent =>
  sealEntry({ ...event, ...over } as RunEvent);
const refusals = async (answer: Response) =>
  ((await answer.json()) as { error: { detail: Ingested } }).error.detail.refused.map(
    ({ id, code }) => [id, code],
  );
const post = (server: TestServer, batch: readonly unknown[], run = 'run-a') =>
  server.send('POST', `/runs/${run}/events`, { events: batch });
type Begun = Extract<RunEvent, { type: 'started' }>;
const plateOf = (event: RunEvent) => (event as Begun).plate;
const targetOf = (event: RunEvent) => (event as Begun).target;
const rulesOf = (event: RunEvent) => (event as Begun).house_rules;
/** The first reading, with something else in it. */
const readAs = (all: readonly RunEvent[], over: object): object => {
  const { type, step_id, role, purpose, reading, settled } = all.find(
    (event) => event.type === 'reading',
  )!;
  return { type, step_id, role, purpose, settled, reading: { ...reading, ...over } };
};
/** The first reading, as a slip of the finger would have entered it. */
const beyondItsGauge = (all: readonly RunEvent[]): object =>
  readAs(all, { si: 9e6, entered: { text: '9', unit: 'MPa' }, confirmed: undefined });
const runRow = async (server: TestServer, id = 'run-a') =>
  (await (await server.get(`/runs/${id}`)).json()) as {
    run: { status: string; refusal: string | null };
    events: RunEvent[];
  };
const sheets = async (server: TestServer) =>
  sheetSchema.array().parse(await (await server.get(`/valves/${valve.id}/sheets`)).json());

describe('the log of a run', () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await testServer();
  });
  afterEach(() => server.store.close());

  test('a whole run in one batch becomes a sheet', async () => {
    const answer = await post(server, events);
    expect(answer.status).toBe(200);
    const body = (await answer.json()) as Ingested;
    expect(body.stored).toHaveLength(events.length);
    const [sheet] = await sheets(server);
    expect(sheet?.id).toBe(body.sheetId);
    expect((await runRow(server)).run.status).toBe('signed');
  });

  test('the same batch twice is one', async () => {
    await post(server, events.slice(0, 10));
    const again = (await (await post(server, events.slice(0, 10))).json()) as Ingested;
    expect(again).toMatchObject({ refused: [] });
    expect(again.stored).toHaveLength(10);
    expect((await runRow(server)).events).toHaveLength(10);
  });

  test('one id twice in a batch is one event', async () => {
    await post(server, [events[0], events[1], events[1]]);
    expect((await runRow(server)).events).toHaveLength(2);
  });

  test('batches out of order wait for what the signature covers', async () => {
    const middle = Math.floor(events.length / 2);
    await post(server, events.slice(middle));
    expect((await runRow(server)).run).toMatchObject({
      status: 'signing',
      refusal: 'run.not_started',
    });
    expect(await sheets(server)).toHaveLength(0);
    await post(server, events.slice(0, middle - 1));
    expect((await runRow(server)).run).toMatchObject({
      status: 'signing',
      refusal: 'run.events_missing',
    });
    const aside = entered(note('meanwhile'), events.slice(0, 6), 'aside-1');
    const meanwhile = (await (await post(server, [aside])).json()) as Ingested;
    expect(meanwhile).toEqual({ stored: ['aside-1'], refused: [], waitsFor: 'run.events_missing' });
    const last = (await (await post(server, [events[middle - 1]])).json()) as Ingested;
    expect(last.sheetId).toBeDefined();
    expect(await sheets(server)).toHaveLength(1);
  });

  test('half a batch after the other half gives the same sheet as the whole', async () => {
    for (let i = 0; i < events.length; i += 7) await post(server, events.slice(i, i + 7));
    const other = await testServer();
    await post(other, events);
    expect((await sheets(server))[0]!.hash).toBe((await sheets(other))[0]!.hash);
    await other.store.close();
  });

  test('nothing joins a signed run, and what was refused is named', async () => {
    await post(server, events);
    const late = entered(note('too late'), events.slice(0, 6), 'late-1');
    const answer = await post(server, [events[3], late]);
    expect(answer.status).toBe(409);
    const { error } = (await answer.json()) as { error: { code: string; detail: Ingested } };
    expect(error.code).toBe('run.already_signed');
    expect(error.detail.stored).toEqual([events[3]!.id]);
    expect(error.detail.refused).toEqual([{ id: 'late-1', code: 'run.already_signed' }]);
  });

  test('a signature over an open end is refused, and the run stays open', async () => {
    const open = wholeRun('run-a', 1, 'put_back').events;
    const { hash: _, ...last } = open.at(-1)!;
    const signed = resealed(events.at(-1)!, {
      id: 'sig',
      covers: open.length,
      lamport: last.lamport + 1,
      seen: [open.at(-1)!.hash],
    });
    const answer = await post(server, [...open, signed]);
    expect(await refusals(answer)).toEqual([['sig', 'run.open_ends_left']]);
    expect((await runRow(server)).run.status).toBe('open');
    expect(await sheets(server)).toHaveLength(0);
  });

  test('a run that is given up is no longer open', async () => {
    const begun = events.slice(0, 1);
    await post(server, [...begun, entered({ type: 'abandoned', reason: 'burst main' }, begun)]);
    expect((await runRow(server)).run.status).toBe('abandoned');
    expect(await (await server.get('/runs')).json()).toEqual([]);
  });

  test('events of another run, or of no valve in the register, are refused', async () => {
    const alien = await post(server, [resealed(events[1]!, { run_id: 'run-b' })]);
    expect(alien.status).toBe(409);
    const lost = resealed(events[0]!, { valve_id: 'nowhere' });
    expect(await codeOf(await post(server, [lost]))).toBe('valve.not_found');
    expect((await server.get('/runs/run-a')).status).toBe(404);
  });

  test('half a batch of another run: its own entries are kept, the others named', async () => {
    const other = wholeRun('run-b').events.slice(0, 2);
    const answer = await post(server, [events[0], ...other, events[1]]);
    expect(await refusals(answer)).toEqual(other.map(({ id }) => [id, 'event.other_run']));
    expect((await runRow(server)).events).toHaveLength(2);
  });

  test.each([
    ['no batch', '{"events":[]}', 400],
    ['broken JSON', '{"events":[', 400],
    ['a list', '[1,2]', 400],
    ['wrong types', JSON.stringify({ events: [{ ...events[0], lamport: 'first' }] }), 400],
    [
      'an over-long note',
      JSON.stringify({ events: [{ ...events[1], type: 'note', text: 'x'.repeat(5000) }] }),
      400,
    ],
    ['too many', JSON.stringify({ events: Array.from({ length: 501 }, () => events[1]) }), 413],
    [
      'too many of nothing',
      JSON.stringify({ events: Array.from({ length: 12_000 }, () => 1) }),
      413,
    ],
    ['too large', `{"events":"${'x'.repeat(5_000_000)}"}`, 413],
  ])(
    '%s is answered with %i and a code',
    async (_, body, status) => {
      const answer = await server.send('POST', '/runs/run-a/events', body);
      expect(answer.status).toBe(status);
      expect(await codeOf(answer)).toMatch(/^request\./);
      expect(server.faults).toEqual([]);
    },
    20_000,
  );

  test('an id that another run has used, or that had other words, is refused and not dropped', async () => {
    await post(server, events.slice(0, 3));
    const other = resealed(events[0]!, { run_id: 'run-b' });
    const elsewhere = await post(server, [other], 'run-b');
    expect(elsewhere.status).toBe(409);
    expect(((await elsewhere.json()) as { error: { detail: Ingested } }).error.detail).toEqual({
      stored: [],
      refused: [{ id: other.id, code: 'event.id_taken' }],
    });
    expect((await server.get('/runs/run-b')).status).toBe(404);
    const reworded = await post(server, [
      events[1],
      resealed(events[2]!, { author: 'Somebody else' }),
    ]);
    expect(((await reworded.json()) as { error: { detail: Ingested } }).error.detail).toEqual({
      stored: [events[1]!.id],
      refused: [{ id: events[2]!.id, code: 'event.id_taken' }],
    });
    expect((await runRow(server)).events[2]!.author).toBe(events[2]!.author);
  });

  test.each([
    ['a version of the steps that comes later', { procedure_version: 99 }, 'run.unknown_procedure'],
    ['a way of setting that is not known', { school: 'by_ear' }, 'run.unknown_school'],
  ])('%s is refused with its code, and nothing breaks', async (_, over, code) => {
    const start = resealed(events[0]!, over);
    const answer = await post(server, [start, resealed(events[1]!, { seen: [start.hash] })]);
    expect(answer.status).toBe(409);
    expect(await codeOf(answer)).toBe(code);
    expect((await server.get('/runs/run-a')).status).toBe(404);
    expect(server.faults).toEqual([]);
  });

  test.each([
    ['an adjuster called constructor', { type: 'turned', adjuster: 'constructor', turns: 1 }],
    ['a step called toString', { type: 'step_done', step_id: 'toString' }],
    ['an answer called __proto__', { type: 'observed', key: '__proto__', value: 'yes' }],
    [
      'an id with a NUL in it',
      { type: 'step_done', step_id: 'as_\u0000found' },
      'request.control_characters',
    ],
    ['an id with a line break', { type: 'open_end_closed', open_end: 'cap\noff' }],
  ])('%s is refused at the door', async (_, over, code = 'request.invalid') => {
    const { id, run_id, author, at_ms, lamport } = events[1]!;
    const bad = { id, run_id, author, at_ms, lamport, ...over };
    const answer = await post(server, [events[0], bad]);
    expect(answer.status).toBe(400);
    expect(await codeOf(answer)).toBe(code);
    expect(server.faults).toEqual([]);
  });

  const start = events[0]!;
  const begun = events.slice(0, 3);
  const of = (draft: object) => entered(draft as RunEventDraft, begun);
  test.each<[string, RunEvent, string]>([
    [
      'words changed on the way',
      { ...begun[2]!, author: 'Someone', id: 'x' },
      'event.hash_differs',
    ],
    [
      'no seal',
      (({ hash: _h, seen: _s, ...plain }) => plain)({ ...of(note('x')) }) as RunEvent,
      'event.hash_missing',
    ],
    ['nothing seen', resealed(of(note('x')), { seen: [] }), 'event.unseen'],
    ['a number of its own', resealed(of(note('x')), { lamport: 900 }), 'event.order_wrong'],
    [
      'a field of a later version',
      resealed(of(note('x')), { mood: 'good' }),
      'event.unknown_field',
    ],
    ['a second beginning', entered(start, begun), 'run.started_twice'],
    ['a step that is none', of({ type: 'step_done', step_id: 'moonwalk' }), 'run.unknown_step'],
    [
      'an adjuster that is none',
      of({ type: 'turned', adjuster: 'tail', turns: 1 }),
      'run.unknown_adjuster',
    ],
    [
      'a turn beyond the screw',
      of({ type: 'turned', adjuster: 'main', turns: 50 }),
      'coach.turn_too_large',
    ],
    ['an undo of nothing', of({ type: 'undone', undoes: 'nobody' }), 'run.nothing_to_undo'],
    ['an undo of the beginning', of({ type: 'undone', undoes: start.id }), 'run.cannot_be_undone'],
    ['work that is resumed unpaused', of({ type: 'resumed' }), 'run.not_paused'],
    ['a reading of another gauge', of(readAs(events, { gauge_id: 'g-99' })), 'run.other_gauge'],
    [
      'a reading that is not what was written beside it',
      of(readAs(events, { entered: { text: '7', unit: 'bar' } })),
      'run.not_as_written',
    ],
    [
      'another gauge that the register never had',
      of({ type: 'gauge_swapped', role: 'outlet', gauge: { ...gauges[1]!, id: 'g-99' } }),
      'gauge.not_found',
    ],
    [
      'another gauge, finer than the register’s',
      of({
        type: 'gauge_swapped',
        role: 'outlet',
        gauge: { ...gauges[1]!, accuracy_fraction: 1e-5 },
      }),
      'gauge.never_so',
    ],
    [
      'a reading beyond its gauge that nobody confirmed',
      of(beyondItsGauge(events)),
      'run.beyond_gauge',
    ],
  ])('%s is refused by itself', async (_, bad, code) => {
    const answer = await post(server, [...begun, bad]);
    expect(await refusals(answer)).toEqual([[bad.id, code]]);
    expect((await runRow(server)).events).toHaveLength(begun.length);
    expect(server.faults).toEqual([]);
  });

  test.each<[string, object, string]>([
    ['a plate', { plate: { ...plateOf(start), outlet_rating_pa: 9e6 } }, 'plate.never_so'],
    ['a target', { target: { ...targetOf(start), tolerance_pa: 5e5 } }, 'plate.never_so'],
    ['rules', { house_rules: { ...rulesOf(start), tur_least: 0.1 } }, 'rules.never_so'],
    [
      'a gauge that is finer than it is',
      { gauges: { inlet: gauges[0], outlet: { ...gauges[1], accuracy_fraction: 1e-5 } } },
      'gauge.never_so',
    ],
    ['a gauge of nobody', { gauges: { inlet: { ...gauges[0], id: 'g-99' } } }, 'gauge.not_found'],
  ])('a record begun with %s that the register never had is refused', async (_, over, code) => {
    const answer = await post(server, [resealed(start, over), events[1]]);
    // What follows it names another beginning, which may still come.
    expect(await refusals(answer)).toEqual([[start.id, code]]);
  });

  test('how high a gauge hangs is said at the run, not by the register', async () => {
    const [inlet, outlet] = gauges;
    const hung = { gauges: { inlet, outlet: { ...outlet, height_above_tapping_m: 1.2 } } };
    expect((await post(server, [resealed(start, hung)])).status).toBe(200);
  });

  test('a phone that is behind the register may begin with what stood there', async () => {
    const changed = { ...valve, target: { ...valve.target, tolerance_pa: 22_000 } };
    expect((await server.send('PUT', `/valves/${valve.id}`, changed)).status).toBe(200);
    expect((await post(server, events)).status).toBe(200);
  });

  test('a phone of a version before may begin with the figures that were ordinary then', async () => {
    const [ordinary] = earlierHouseRules;
    const owners = { ...ordinary, months_between_visits: 7 };
    expect((await server.send('PUT', '/house-rules', owners)).status).toBe(200);
    for (const [id, before] of [
      ['before-1', ordinary],
      ['before-2', owners],
    ] as const) {
      const begins = resealed(start, { id, run_id: id, house_rules: before });
      const answer = await server.send('POST', `/runs/${id}/events`, { events: [begins] });
      expect({ id, status: answer.status }).toEqual({ id, status: 200 });
    }
  });

  test('what follows a refused entry is refused too, and a signature over it names it', async () => {
    const bad = of({ type: 'turned', adjuster: 'tail', turns: 1 });
    const after = entered(note('after it'), [...begun, bad], 'other-2');
    const signed = resealed(events.at(-1)!, {
      id: 'sig',
      seen: [bad.hash],
      lamport: bad.lamport + 1,
    });
    await post(server, begun);
    expect(await refusals(await post(server, [bad]))).toEqual([[bad.id, 'run.unknown_adjuster']]);
    expect(await refusals(await post(server, [after]))).toEqual([
      [after.id, 'event.follows_refused'],
    ]);
    const answer = await post(server, [signed]);
    expect(answer.status).toBe(422);
    expect((await answer.json()) as object).toMatchObject({
      error: { detail: { refused: [{ code: 'run.covers_refused', detail: { hash: bad.hash } }] } },
    });
  });

  test('what was refused for want of a valve is taken once the valve is there', async () => {
    const elsewhere = resealed(start, { valve_id: 'prv-new' });
    const next = resealed(events[1]!, { seen: [elsewhere.hash] });
    const first = await post(server, [elsewhere, next]);
    expect(await refusals(first)).toEqual([
      [elsewhere.id, 'valve.not_found'],
      [next.id, 'event.follows_refused'],
    ]);
    await server.send('PUT', '/valves/prv-new', { ...valve, id: 'prv-new', tag: 'PRV-NEW' });
    expect((await post(server, [elsewhere, next])).status).toBe(200);
  });

  test('what another enters at the same time makes no right entry wrong, and stays after the signature', async () => {
    const before = events.slice(0, 20);
    const aside = entered(note('from the other end'), before);
    const answer = await post(server, [...before, aside, ...events.slice(20)]);
    const { sheetId } = (await answer.json()) as Ingested;
    expect(answer.status).toBe(200);
    const late = entered(note('much later'), events.slice(0, 30), 'other-9');
    await post(server, [late]);
    const told = (await (await server.get(`/sheets/${sheetId}/evidence`)).json()) as object;
    expect(told).toMatchObject({
      entries: events.length - 1,
      line: { seq: 1 },
      after_signature: [
        { type: 'note', author: 'Ines Varga' },
        { type: 'note', author: 'Ines Varga' },
      ],
    });
    const other = await testServer();
    await post(other, events);
    expect((await sheets(server))[0]!.hash).toBe((await sheets(other))[0]!.hash);
    await other.store.close();
  });

  test('a phone that did not hear of its sheet is told again', async () => {
    const first = (await (await post(server, events)).json()) as Ingested;
    const again = (await (await post(server, events.slice(-3))).json()) as Ingested;
    expect(again).toEqual({
      stored: events.slice(-3).map(({ id }) => id),
      refused: [],
      sheetId: first.sheetId,
    });
  });

  test.each([
    ['another sheet', { sheet: 'c'.repeat(64) }, 'sheet.differs'],
    ['other entries', { root: 'd'.repeat(64) }, 'run.root_differs'],
    ['another number of them', { covers: 3 }, 'run.root_differs'],
  ])('a signature over %s than came in files nothing', async (_, over, code) => {
    const answer = await post(server, [...events.slice(0, -1), resealed(events.at(-1)!, over)]);
    expect((await answer.json()) as Ingested).toMatchObject({ waitsFor: code });
    expect((await runRow(server)).run).toMatchObject({ status: 'signing', refusal: code });
    expect(await sheets(server)).toHaveLength(0);
  });

  test('a house that starts again looks at what was signed and not filed', async () => {
    await post(server, events.slice(0, -1));
    // As a house that came to another sheet would have left it.
    const last = events.at(-1)!;
    const { id, run_id, type, lamport, at_ms } = last;
    const body = JSON.stringify(last);
    await server.store.tables.events.create({ id, run_id, type, lamport, at_ms, body });
    const refused = { status: 'signing', refusal: 'sheet.differs' };
    await server.store.tables.runs.update(refused, { where: { id: run_id } });
    expect(await concludeWaiting(server.store)).toBe(1);
    expect((await runRow(server)).run).toMatchObject({ status: 'signed', refusal: null });
    expect(await sheets(server)).toHaveLength(1);
    expect(await concludeWaiting(server.store)).toBe(0);
  });

  test('what still differs stays as it was, and one that breaks keeps no other from being filed', async () => {
    await post(server, [
      ...events.slice(0, -1),
      resealed(events.at(-1)!, { sheet: 'c'.repeat(64) }),
    ]);
    const broken = { id: 'a-broken', valve_id: null, status: 'signing', refusal: null };
    await server.store.tables.runs.create({ ...broken, last_at_ms: 1 });
    const body = '{"type":"none"}';
    const entry = { id: 'x', run_id: 'a-broken', type: 'none', lamport: 1, at_ms: 1, body };
    await server.store.tables.events.create(entry);
    const told: unknown[] = [];
    expect(await concludeWaiting(server.store, (error) => told.push(error))).toBe(0);
    expect(told).toHaveLength(1);
    expect((await runRow(server)).run).toMatchObject({
      status: 'signing',
      refusal: 'sheet.differs',
    });
  });

  test('of writes that go together, one that fails takes nothing of the others with it', async () => {
    const foreign = { ...events[2]!, run_id: 'run-b' };
    const [good, , bad, more] = await Promise.all([
      post(server, [events[0], events[1]]),
      server.store.write(() => Promise.reject(new Error('the pen broke'))).catch(() => 'broke'),
      post(server, [foreign]),
      post(server, [events[2]]),
    ]);
    expect([good, bad, more].map(({ status }) => status)).toEqual([200, 409, 200]);
    expect((await runRow(server)).events).toHaveLength(3);
  });

  test('many phones at once lose nothing', async () => {
    await post(server, [events[0]]);
    await Promise.all(events.slice(1, 21).map((event) => post(server, [event])));
    expect((await runRow(server)).events).toHaveLength(21);
  });
});

describe('a real file', () => {
  test('keeps runs and sheets over a restart, and lets nobody change them', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'holvek-'));
    const file = join(folder, 'deep/holvek.sqlite');
    const first = await testServer(file);
    await post(first, events);
    const [before] = await sheets(first);
    await first.store.close();
    const second = await testServer(file);
    expect(await sheets(second)).toEqual([before]);
    for (const table of ['events', 'sheets'])
      for (const sql of [
        `UPDATE ${table} SET body = '{}'`,
        `DELETE FROM ${table}`,
        `INSERT OR REPLACE INTO ${table} SELECT * FROM ${table} LIMIT 1`,
      ])
        await expect(second.store.sequelize.query(sql)).rejects.toMatchObject({
          parent: { message: expect.stringContaining('append-only') },
        });
    const pragma = (name: string) =>
      second.store.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT });
    expect(await pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await pragma('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
    expect(await pragma('synchronous')).toEqual([{ synchronous: 2 }]);
    await second.store.close();
    rmSync(folder, { recursive: true });
  });
});
