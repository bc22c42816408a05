import {
  correctionDigest,
  deviceSigner,
  failedCheck,
  fittedSpring,
  makeDeviceKey,
  readJsonFile,
  readReadingsCsv,
  sheetFileSchema,
  unwrap,
  type FleetKind,
  type Ingested,
  type Sheet,
  type ValveSummary,
} from '@holvek/core';
import { codeOf, now, testServer, valve, wholeRun, type TestServer } from '../testing/server';

let server: TestServer;
let id: string;
const HOUR_MS = 3_600_000;
const signed = async (run: string, seed: number, startAtMs = now): Promise<string> => {
  const { events } = wholeRun(run, seed, undefined, startAtMs);
  const answer = await server.send('POST', `/runs/${run}/events`, { events });
  return ((await answer.json()) as Ingested).sheetId!;
};
beforeAll(async () => {
  server = await testServer();
  id = await signed('run-a', 1);
});
afterAll(() => server.store.close());

describe('sheets', () => {
  test('are read by id, and latest first', async () => {
    const sheet = (await (await server.get(`/sheets/${id}`)).json()) as Sheet;
    expect(sheet.body.valve_tag).toBe(valve.tag);
    const second = await signed('run-b', 2, now + 2 * HOUR_MS);
    const all = (await (await server.get('/sheets')).json()) as Sheet[];
    expect(all.map((each) => each.id)).toEqual([second, id]);
  });

  test('each follows the one before, and the chain holds', async () => {
    expect(await (await server.get(`/valves/${valve.id}/verify`)).json()).toMatchObject({
      sheets: 2,
    });
  });

  const rowOf = async () => {
    const rows = (await (await server.get('/summaries')).json()) as ValveSummary[];
    return rows.find(({ valve_id }) => valve_id === valve.id)!;
  };

  test('make the one row that lists ask of their valve', async () => {
    const row = await rowOf();
    expect(row).toMatchObject({ count: 2, needs_answer: false });
    expect(row.visits[0]!.id).toBe(id);
    // A row that is missing is made again.
    await server.store.tables.summaries.destroy({ where: {} });
    expect(await rowOf()).toEqual(row);
  });

  test('teach what others of its kind will begin with', async () => {
    const fleet = async () => (await (await server.get('/fleet')).json()) as FleetKind[];
    const kinds = await fleet();
    expect(kinds.map(({ size_dn, valves }) => [size_dn, valves])).toEqual([
      [null, 1],
      [valve.plate.size_dn, 1],
    ]);
    const shown = (await rowOf()).visits.map(({ body }) => body.settings[0]!.rate_pa_per_turn!);
    const { rate_pa_per_turn: chart } = fittedSpring(valve.plate)!;
    const ratio = Math.log(shown.reduce((sum, rate) => sum + rate, 0) / shown.length / chart);
    // One valve: its kind is guessed between its chart and what it has shown.
    expect(kinds[1]!.mean / ratio).toBeGreaterThan(0.5);
    expect(kinds[1]!.mean / ratio).toBeLessThan(1);
    // What is missing, as in a house from before, is learned again.
    await server.store.tables.lessons.destroy({ where: {} });
    expect(await fleet()).toEqual(kinds);
  });

  test('go out as PDF, CSV and JSON under a name that says which', async () => {
    const pdf = await server.get(`/sheets/${id}.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect(pdf.headers.get('content-disposition')).toMatch(/PRV-07-2026-11-24-r1\.pdf/);
    const bytes = Buffer.from(await pdf.arrayBuffer());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    // Its record flows over to a second page.
    expect(bytes.toString('latin1').match(/\/Type \/Page\b/gu)).toHaveLength(2);
    const csv = unwrap(readReadingsCsv(await (await server.get(`/sheets/${id}.csv`)).text()));
    expect(csv.issues).toEqual([]);
    const json = unwrap(
      readJsonFile(await (await server.get(`/sheets/${id}.json`)).text(), sheetFileSchema),
    );
    expect(json.sheet.id).toBe(id);
  }, 20_000);

  test('one that rests on a gauge which failed since goes out marked so', async () => {
    const sheet = (await (await server.get(`/sheets/${id}`)).json()) as Sheet;
    const [gauge] = Object.values(sheet.body.gauges);
    const sizeOf = async () =>
      (await (await server.get(`/sheets/${id}.pdf`)).arrayBuffer()).byteLength;
    const before = await sizeOf();
    const failed = failedCheck(gauge!, { on: '2099-01-01', why: 'read 12 kPa low' });
    expect((await server.send('PUT', `/gauges/${gauge!.id}`, failed)).status).toBe(200);
    expect(await sizeOf()).toBeGreaterThan(before + 100);
    await server.send('PUT', `/gauges/${gauge!.id}`, gauge);
    expect(await sizeOf()).toBe(before);
  });

  const change = {
    by: 'Ines Varga',
    why: 'Hydrant number was wrong',
    notes: ['Hydrant 14, not 41'],
    at_ms: now + 3 * HOUR_MS,
  };
  const signedChange = async (over: Partial<typeof change> = {}) => {
    const { subtle } = globalThis.crypto;
    const { publicKey, sign } = await deviceSigner(subtle, await makeDeviceKey(subtle));
    const { hash } = (await (await server.get(`/sheets/${id}`)).json()) as Sheet;
    const said = { ...change, ...over };
    return {
      ...said,
      signed: { key: publicKey, signature: await sign(correctionDigest(hash, said)) },
    };
  };

  test('are corrected by nobody who has not signed for what he says', async () => {
    const post = async (body: object) => {
      const answer = await server.send('POST', `/sheets/${id}/revisions`, body);
      return answer.ok ? 'filed' : codeOf(answer);
    };
    const signed = await signedChange();
    expect(await post(change)).toBe('request.invalid');
    expect(await post({ ...signed, by: 'Edda Lorenz' })).toBe('person.other_name');
    for (const over of [{ why: 'Another why' }, { notes: [] }, { at_ms: 5 }])
      expect(await post({ ...signed, ...over })).toBe('revision.signature_wrong');
    expect(await post(await signedChange({ why: '' }))).toBe('request.invalid');
  });

  test('are corrected by a new revision that says why, once', async () => {
    const signed = await signedChange();
    const atOnce = await Promise.all(
      [1, 2, 3, 4].map(() => server.send('POST', `/sheets/${id}/revisions`, signed)),
    );
    expect(atOnce.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
    const revised = (await atOnce.find(({ ok }) => ok)!.json()) as Sheet;
    expect(revised.body).toMatchObject({
      revision: 2,
      notes: change.notes,
      technician: 'Ines Varga',
      corrects: { why: change.why, by: 'Ines Varga', at_ms: change.at_ms, signed: signed.signed },
    });
    const again = await server.send('POST', `/sheets/${id}/revisions`, signed);
    expect(again.status).toBe(409);
    expect(await codeOf(again)).toBe('sheet.already_revised');
    expect(await (await server.get(`/valves/${valve.id}/verify`)).json()).toMatchObject({
      sheets: 3,
    });
  });

  test('a forged sheet is found', async () => {
    const { sequelize } = server.store;
    await sequelize.query('DROP TRIGGER sheets_no_update');
    await sequelize.query(
      `UPDATE sheets SET body = replace(body, 'Ines Varga', 'Somebody') WHERE id = '${id}'`,
    );
    const answer = await server.get(`/valves/${valve.id}/verify`);
    expect(answer.status).toBe(409);
    expect(await codeOf(answer)).toBe('sheet.altered');
  });
});
