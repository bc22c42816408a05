import {
  checkWith,
  countersignDigest,
  countersignSchema,
  deviceSigner,
  evidenceFileSchema,
  makeDeviceKey,
  reviseSheet,
  sheetFileSchema,
  verifyEvidence,
  correctionDigest,
  type Countersign,
  type CountersignRules,
  type Ingested,
  type Sheet,
} from '@holvek/core';
import { recordFaults } from '../backup/check';
import { logFiled, logOldCountersigns } from '../sheet/log';
import { crew, codeOf, now, testServer, valve, wholeRun, type TestServer } from '../testing/server';

const { subtle } = globalThis.crypto;
const hand = async () => deviceSigner(subtle, await makeDeviceKey(subtle));
let server: TestServer;
let sheet: Sheet;

beforeEach(async () => {
  server = await testServer();
  const answer = await server.send('POST', '/runs/run-1/events', {
    events: wholeRun('run-1').events,
  });
  const { sheetId } = (await answer.json()) as Ingested;
  sheet = (await (await server.get(`/sheets/${sheetId}`)).json()) as Sheet;
});
afterEach(() => server.store.close());

const want = (over: Partial<CountersignRules> = {}) =>
  server.send('PUT', '/countersign-rules', { duties: ['process'], signer_may: false, ...over });
/** As somebody of the crew says it; the run was signed by the owner. */
async function say(
  over: Partial<Countersign> = {},
  by: 'owner' | 'supervisor' | 'technician' = 'supervisor',
  change: Partial<Countersign> = {},
): Promise<string> {
  const { publicKey, sign } = await hand();
  const said = {
    sheet: sheet.hash,
    by: crew[by].name,
    verdict: 'agreed' as const,
    words: '',
    at_ms: now,
    ...over,
  };
  const signed = { key: publicKey, signature: await sign(countersignDigest(said)) };
  const answer = await (
    await server.as(by)
  ).send('POST', `/sheets/${sheet.id}/countersigns`, {
    ...said,
    signed,
    ...change,
  });
  return answer.ok ? 'taken' : codeOf(answer);
}
const all = async () =>
  countersignSchema.array().parse(await (await server.get('/countersigns')).json());

describe('a second signature', () => {
  test('is wanted by duty, sent back with words, agreed, and then done', async () => {
    expect(await say()).toBe('countersign.not_wanted');
    expect((await want()).status).toBe(200);
    expect(await say({ verdict: 'sent_back', words: 'No photo of the lock' })).toBe('taken');
    expect(await say()).toBe('taken');
    expect(await say({ verdict: 'sent_back', words: 'once more' })).toBe('countersign.done');
    expect((await all()).map(({ verdict, words, by }) => [verdict, words, by])).toEqual([
      ['sent_back', 'No photo of the lock', 'Edda Lorenz'],
      ['agreed', '', 'Edda Lorenz'],
    ]);
  });

  test('is never the signer’s own, unless the owner allows it', async () => {
    await want();
    expect(await say({}, 'owner')).toBe('countersign.own');
    await want({ signer_may: true });
    expect(await say({}, 'owner')).toBe('taken');
  });

  test('is a supervisor’s, and its rule the owner’s', async () => {
    await want();
    expect(await say({}, 'technician')).toBe('person.may_not');
    const supervisor = await server.as('supervisor');
    const put = await supervisor.send('PUT', '/countersign-rules', {
      duties: [],
      signer_may: true,
    });
    expect(put.status).toBe(403);
  });

  test('holds for exactly what was signed, by who is here, under this sheet', async () => {
    await want();
    expect(await say({}, 'supervisor', { words: 'and more' })).toBe('countersign.signature_wrong');
    expect(await say({}, 'supervisor', { at_ms: now + 1 })).toBe('countersign.signature_wrong');
    expect(await say({ by: 'Ines Varga' })).toBe('person.other_name');
    expect(await say({ sheet: 'b'.repeat(64) })).toBe('sheet.not_found');
    expect(await say({ verdict: 'sent_back' })).toBe('request.invalid');
    expect(await all()).toEqual([]);
  });

  test('is not taken by a key that he did not sign in with', async () => {
    await want();
    const own = await hand();
    await (await server.as('supervisor')).get('/session');
    await server.store.tables.sessions.update(
      { key: own.name },
      { where: { person_id: crew.supervisor.id } },
    );
    const { publicKey, sign } = await hand();
    const said = {
      sheet: sheet.hash,
      by: crew.supervisor.name,
      verdict: 'agreed' as const,
      words: '',
      at_ms: now,
    };
    const as = await server.as('supervisor');
    await server.store.tables.sessions.update(
      { key: own.name },
      { where: { person_id: crew.supervisor.id } },
    );
    const post = async (signer: typeof own) =>
      as.send('POST', `/sheets/${sheet.id}/countersigns`, {
        ...said,
        signed: { key: signer.publicKey, signature: await signer.sign(countersignDigest(said)) },
      });
    expect(await codeOf(await post({ name: '', publicKey, sign }))).toBe('countersign.other_key');
    expect((await post(own)).status).toBe(200);
  });

  test('of two at once, one', async () => {
    await want();
    const told = await Promise.all([say(), say(), say()]);
    expect(told.sort()).toEqual(['countersign.done', 'countersign.done', 'taken']);
  });

  test('goes under the latest revision only', async () => {
    await want();
    const { publicKey, sign } = await hand();
    const said = { by: crew.owner.name, why: 'A word was missing', notes: ['Lock 7'], at_ms: now };
    const signature = await sign(correctionDigest(sheet.hash, said));
    const answer = await server.send('POST', `/sheets/${sheet.id}/revisions`, {
      ...said,
      signed: { key: publicKey, signature },
    });
    expect(answer.status).toBe(200);
    expect(await say()).toBe('sheet.already_revised');
    const revised = (await answer.json()) as Sheet;
    expect(revised.body).toMatchObject({ revision: reviseSheet(sheet, said, sheet.hash).revision });
    sheet = revised;
    expect(await say()).toBe('taken');
  });

  test('stays as it was said', async () => {
    await want();
    await say();
    const { sequelize } = server.store;
    await expect(sequelize.query(`UPDATE countersigns SET body = '{}'`)).rejects.toThrow();
    await expect(sequelize.query('DELETE FROM countersigns')).rejects.toThrow();
  });

  test('is wanted by what the register says that the valve is there for', async () => {
    await want({ duties: ['safety'] });
    expect(await say()).toBe('countersign.not_wanted');
    await server.send('PUT', `/valves/${valve.id}`, { ...valve, duty: 'safety' });
    expect(await say()).toBe('taken');
  });
});

describe('the log', () => {
  test('takes up what was said before such words had a line, once and in their order', async () => {
    await want();
    const { tables } = server.store;
    const { publicKey: key, sign } = await hand();
    const older = [1, 2].map((at_ms) => ({
      sheet: sheet.hash,
      by: crew.supervisor.name,
      verdict: 'sent_back' as const,
      words: 'no lock',
      at_ms,
    }));
    for (const said of [...older, { ...older[0]!, sheet: 'f'.repeat(64) }]) {
      const signed = { key, signature: await sign(countersignDigest(said)) };
      await tables.countersigns.create({
        sheet: said.sheet,
        body: JSON.stringify({ ...said, signed }),
      });
    }
    expect(await logOldCountersigns(server.store)).toBe(2);
    expect(await logOldCountersigns(server.store)).toBe(0);
    const lines = await tables.log.findAll({ order: [['seq', 'ASC']], raw: true });
    expect(lines.slice(-2).map((line) => [line.valve_id, line.sheet])).toEqual(
      older.map((said) => [valve.id, countersignDigest(said)]),
    );
  });

  test('a line that is about nothing here is told of a record', async () => {
    await want();
    await say();
    expect(await recordFaults(server.store)).toEqual([]);
    await server.store.write((tables) =>
      logFiled(tables, server.store.signer, { hash: 'e'.repeat(64), valve_id: valve.id }),
    );
    expect(await recordFaults(server.store)).toEqual([
      'what line 3 of the log is about is not here',
    ]);
  });
});

describe('in what leaves the house', () => {
  test('it stands in the record and beside its sheet, and holds there', async () => {
    await want();
    expect(await say({ verdict: 'sent_back', words: 'no lock' })).toBe('taken');
    expect(await say()).toBe('taken');
    const record = evidenceFileSchema.parse(
      await (await server.get(`/valves/${valve.id}/evidence.json`)).json(),
    );
    const verdicts = record.countersigns!.map(({ verdict }) => verdict);
    expect(verdicts).toEqual(['sent_back', 'agreed']);
    const verified = await verifyEvidence(record, { check: checkWith(subtle) });
    expect(verified.faults).toEqual([]);
    expect(verified.notes.map(({ code }) => code)).not.toContain('countersign.not_in_log');
    const lacking = { ...record, countersigns: record.countersigns!.slice(1) };
    const { faults } = await verifyEvidence(lacking, { check: checkWith(subtle) });
    expect(faults.map(({ code }) => code)).toEqual(['sheet.dropped']);
    const file = sheetFileSchema.parse(await (await server.get(`/sheets/${sheet.id}.json`)).json());
    expect(file.countersigns).toEqual(record.countersigns);
  });
});
