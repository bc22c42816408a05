import {
  asRecord,
  defaultHouseRules,
  procedureOf,
  rehearse,
  sheetSchema,
  startDraft,
  twinOf,
  type EventOf,
  type RunEvent,
  type Sheet,
  type Valve,
} from '@holvek/core';
import { demoGauges, demoValves } from '../seed/valves';
import { eventsOf } from '../ingest/rows';
import { now, testServer, type TestServer } from '../testing/server';

const demo = (tag: string) => demoValves.find(({ valve }) => valve.tag === tag)!;
const gaugeOf = (tag: string) => demoGauges(now).find((gauge) => gauge.tag === tag)!;

/** A whole run of a demo valve on its twin, as a phone would send it. */
function runEvents(tag: string, id: string) {
  const { valve, gauges = {}, school } = demo(tag);
  const started = startDraft(valve, {
    school: school ?? procedureOf(valve.plate.family).schools[0]!.id,
    gauges: Object.fromEntries(Object.entries(gauges).map(([side, own]) => [side, gaugeOf(own)])),
    rules: defaultHouseRules,
    sheets: [],
    twin: valve.twin!,
  });
  let n = 0;
  const base = {
    ...started,
    id: '',
    run_id: id,
    author: '',
    at_ms: now,
    lamport: 1,
  } as EventOf<'started'>;
  const { events } = rehearse({
    started,
    runId: id,
    twin: twinOf(base)!,
    author: 'Ines Varga',
    startAtMs: now,
    newId: () => `${id}-${++n}`,
  });
  return asRecord(events);
}

describe('runs by points, bands and flames on the server', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await testServer();
  });
  afterAll(() => server.store.close());

  async function signed(tag: string): Promise<Sheet> {
    const { valve } = demo(tag);
    await server.send('PUT', `/valves/${valve.id}`, valve);
    const id = `${valve.id}-run`;
    const answer = await server.send('POST', `/runs/${id}/events`, { events: runEvents(tag, id) });
    expect(answer.status).toBe(200);
    const sheets = await (await server.get(`/valves/${valve.id}/sheets`)).json();
    return sheetSchema.array().parse(sheets).at(-1)!;
  }

  test.each(['POS-21', 'POS-22', 'PI-31', 'PC-08', 'PS-14', 'BP-15', 'SC-03', 'EP-04'])(
    '%s comes to a sheet that can be handed over',
    async (tag) => {
      const sheet = await signed(tag);
      expect(sheet.body.outcome).toBe('set');
      expect(sheet.body.verdict).toMatch(/^pass/);
      const pdf = await server.get(`/sheets/${sheet.id}.pdf`);
      expect(pdf.headers.get('content-type')).toBe('application/pdf');
      expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(10_000);
      const after = (await (await server.get(`/valves/${demo(tag).valve.id}`)).json()) as Valve;
      expect(after.target).toEqual(demo(tag).valve.target);
      if (after.plate.family === 'electronic_pilot')
        expect(after.plate.tuned_trim).toBe(after.plate.trim);
    },
    60_000,
  );

  test('a batch of points sent twice is one, and every point is kept as it was entered', async () => {
    const { valve } = demo('POS-21');
    await server.send('PUT', `/valves/${valve.id}`, valve);
    const events = runEvents('POS-21', 'pos-twice').slice(0, 14);
    for (let i = 0; i < 2; i++) {
      const answer = await server.send('POST', '/runs/pos-twice/events', { events });
      expect(answer.status).toBe(200);
      expect(((await answer.json()) as { stored: string[] }).stored).toHaveLength(14);
    }
    const kept = (await eventsOf(server.store.tables, 'pos-twice')) as RunEvent[];
    expect(kept).toEqual(events);
    expect(kept.some(({ type }) => type === 'cal_point')).toBe(true);
  });
});
