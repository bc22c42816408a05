import {
  checkFile,
  checkWith,
  clientLinkSchema,
  clientViewSchema,
  LONGEST_LINK_MS,
  newClientLinkSchema,
  reviseSheet,
  unwrap,
  type ClientLink,
  type ClientLinkAsked,
  type Ingested,
  type NewClientLink,
} from '@holvek/core';
import { besideOf } from './beside';
import { clientLinkRoutes } from './client-links';
import { fileSheet, sheetById } from '../sheet/shelf';
import {
  codeOf,
  now,
  testServer,
  valve,
  wholePractice,
  wholeRun,
  type TestServer,
} from '../testing/server';

let server: TestServer;
let first: string;
let second: string;
const DAY = 86_400_000;
const filed = async (run: string, events: readonly unknown[]): Promise<string> =>
  ((await (await server.send('POST', `/runs/${run}/events`, { events })).json()) as Ingested)
    .sheetId!;

beforeAll(async () => {
  server = await testServer();
  first = await filed('run-a', wholeRun('run-a').events);
  second = await filed('run-b', wholeRun('run-b', 2, undefined, now + DAY).events);
});
afterAll(() => server.store.close());

type Hand = Pick<TestServer, 'get' | 'send'>;
const asked = (over: Partial<ClientLinkAsked> = {}): ClientLinkAsked => ({
  client: 'Larkhollow water board',
  order: 'LW 118',
  sheet_ids: [first],
  until_ms: Date.now() + 30 * DAY,
  ...over,
});
const made = async (over: Partial<ClientLinkAsked> = {}, by: Hand = server) =>
  newClientLinkSchema.parse(await (await by.send('POST', '/client-links', asked(over))).json());
const listed = async (by: Hand = server): Promise<readonly ClientLink[]> =>
  clientLinkSchema.array().parse(await (await by.get('/client-links')).json());
/** As the client asks: nobody has signed in. */
const read = (path: string) => server.app.request(`/api${path}`);
const view = async ({ path }: Pick<NewClientLink, 'path'>) =>
  clientViewSchema.parse(await (await read(path)).json());
const receive = (path: string, name: string, drawn?: unknown) =>
  server.app.request(`/api${path}/received`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, drawn }),
  });

describe('what a client is handed', () => {
  test('is seen by whoever has the address: those sheets, in which matter, by whom, and no other', async () => {
    const link = await made();
    const seen = await view(link);
    expect(seen).toMatchObject({
      client: 'Larkhollow water board',
      order: 'LW 118',
      made_by: 'Ines Varga',
      corrected: [],
    });
    expect(seen.sheets.map(({ id }) => id)).toEqual([first]);
    expect(seen.received).toBeUndefined();
    expect((await read(`${link.path}/${second}.pdf`)).status).toBe(404);
    expect((await read(`${link.path}/${second}.json`)).status).toBe(404);
    expect((await read(`/sheets/${first}`)).status).toBe(401);
  });

  test('is taken away on paper, and as a file that holds by its bytes alone', async () => {
    const { path } = await made();
    const pdf = await read(`${path}/${first}.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(10_000);
    const text = await (await read(`${path}/${first}.json`)).text();
    const check = checkWith(globalThis.crypto.subtle);
    expect(unwrap(await checkFile(text, { check })).result.faults).toEqual([]);
    const spoilt = await checkFile(text.replace('"as_left_pa": 5', '"as_left_pa": 6'), { check });
    expect(unwrap(spoilt).result.faults.length).toBeGreaterThan(0);
  });

  test('has an address that nobody guesses, told once: the house keeps its digest alone', async () => {
    const [one, other] = [await made(), await made()];
    expect(one.path).toMatch(/^\/client\/[\w-]{43}$/u);
    expect(one.path).not.toBe(other.path);
    const rows = JSON.stringify(await server.store.tables.client_links.findAll({ raw: true }));
    for (const { path } of [one, other]) expect(rows).not.toContain(path.split('/').at(-1));
    expect((await read(`/client/${'A'.repeat(43)}`)).status).toBe(404);
    expect((await read('/client/short')).status).toBe(401);
  });

  test('ends when it is ended, and on its day', async () => {
    const link = await made();
    expect((await server.send('DELETE', `/client-links/${link.id}`)).status).toBe(200);
    expect((await listed()).map(({ id }) => id)).not.toContain(link.id);
    expect((await read(link.path)).status).toBe(404);
    expect((await receive(link.path, 'Ann Weir')).status).toBe(404);
    expect((await server.send('DELETE', `/client-links/${link.id}`)).status).toBe(404);
    const until = Date.now() + DAY;
    const short = await made({ until_ms: until });
    const path = short.path;
    const on = async (at: number) =>
      (await clientLinkRoutes(server.store, 'none', () => at).request(path)).ok;
    expect([await on(until - 1), await on(until)]).toEqual([true, false]);
  });

  test('is received once, by name', async () => {
    const { path, id } = await made();
    const answers = await Promise.all([receive(path, 'Ann Weir'), receive(path, 'Bo Marsh')]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const { received } = await view({ path });
    expect(['Ann Weir', 'Bo Marsh']).toContain(received!.name);
    expect((await listed()).find((link) => link.id === id)?.received).toEqual(received);
    expect((await receive(path, '')).status).toBe(400);
  });

  test('is signed for by hand, where somebody has drawn', async () => {
    const drawn = [
      [
        [0, 0],
        [600, 200],
      ],
      [[300, 100]],
    ];
    const { path } = await made();
    for (const wrong of [
      [],
      [[]],
      [[[601, 0]]],
      [[[0, 201]]],
      [[[0, -1]]],
      [[[0.5, 1]]],
      [Array.from({ length: 4001 }, () => [1, 1])],
      Array.from({ length: 201 }, () => [[1, 1]]),
      '<svg onload="x"/>',
    ])
      expect((await receive(path, 'Ann Weir', wrong)).status).toBe(400);
    expect((await view({ path })).received).toBeUndefined();
    expect((await receive(path, 'Ann Weir', drawn)).status).toBe(200);
    expect((await view({ path })).received).toMatchObject({ name: 'Ann Weir', drawn });
    const [sheet] = (await view({ path })).sheets;
    // Whoever received it first, by whatever address, stands on its paper.
    const { received: first } = await besideOf(server.store, sheet!);
    const receipts = (await listed()).flatMap(({ received }) => received?.at_ms ?? []);
    expect(first!.at_ms).toBe(Math.min(...receipts));
    expect((await besideOf(server.store, { ...sheet!, id: 'another' })).received).toBeUndefined();
    const most = Array.from({ length: 4000 }, () => [1, 1]);
    expect((await receive((await made()).path, 'Bo Marsh', [most])).status).toBe(200);
  });

  test('a sheet that was corrected is said to be so', async () => {
    const link = await made({ sheet_ids: [first, second] });
    expect((await view(link)).corrected).toEqual([]);
    const sheet = (await sheetById(server.store, second))!;
    const said = { by: 'Ines Varga', why: 'A note was wrong', notes: [], at_ms: now };
    await server.store.write((tables) =>
      fileSheet(tables, server.store.signer, valve.id, (latest) =>
        reviseSheet(sheet, said, latest ?? sheet.hash),
      ),
    );
    expect((await view(link)).corrected).toEqual([second]);
  });

  test.each<[string, () => Partial<ClientLinkAsked>, number, string]>([
    [
      'for a day that is past',
      () => ({ until_ms: Date.now() - 1 }),
      422,
      'client_link.until_wrong',
    ],
    [
      'for ever',
      () => ({ until_ms: Date.now() + LONGEST_LINK_MS + DAY }),
      422,
      'client_link.until_wrong',
    ],
    ['of a sheet that is not there', () => ({ sheet_ids: ['none'] }), 404, 'sheet.not_found'],
    ['of nothing', () => ({ sheet_ids: [] }), 400, 'request.invalid'],
  ])('none is made %s', async (_, over, status, code) => {
    const answer = await server.send('POST', '/client-links', asked(over()));
    expect([answer.status, await codeOf(answer)]).toEqual([status, code]);
  });

  test('none is made of practice', async () => {
    const practice = await filed('run-p', wholePractice('run-p').events);
    const answer = await server.send('POST', '/client-links', asked({ sheet_ids: [practice] }));
    expect(await codeOf(answer)).toBe('sheet.is_practice');
  });

  test('a technician makes and ends his own, a viewer none; a supervisor sees them all', async () => {
    const [technician, viewer, supervisor] = await Promise.all(
      (['technician', 'viewer', 'supervisor'] as const).map((role) => server.as(role)),
    );
    const own = await made({}, technician!);
    expect((await listed(technician!)).map(({ id }) => id)).toEqual([own.id]);
    expect((await listed(supervisor!)).map(({ id }) => id)).toContain(own.id);
    const others = await made();
    expect((await technician!.send('DELETE', `/client-links/${others.id}`)).status).toBe(404);
    expect((await viewer!.send('POST', '/client-links', asked())).status).toBe(403);
    expect((await technician!.send('DELETE', `/client-links/${own.id}`)).status).toBe(200);
    expect((await supervisor!.send('DELETE', `/client-links/${others.id}`)).status).toBe(200);
  });
});
