import {
  asRecord,
  defaultHouseRules,
  rehearse,
  sealEntries,
  sheetSchema,
  solveLadder,
  startDraft,
  systemFrom,
  systemSchema,
  twinOf,
  type EventOf,
  type RunEvent,
  type System,
  type Valve,
} from '@holvek/core';
import { demoGauges, demoValves } from '../seed/valves';
import { demoRounds, demoSystems } from '../seed/systems';
import { codeOf, now, testServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.store.close());

const system = systemFrom('hydraulic', defaultHouseRules, {
  id: 'unit',
  name: 'Unit',
  site_id: 's',
});
const put = (value: unknown, id = 'unit') => server.send('PUT', `/systems/${id}`, value);

describe('systems', () => {
  test('are kept and given back as they were', async () => {
    expect((await put(system)).status).toBe(200);
    expect(systemSchema.array().parse(await (await server.get('/systems')).json())).toEqual([
      system,
    ]);
  });
  test('with rules that clash are kept: to show them is what a ladder is for', async () => {
    const clash: System = {
      ...system,
      rules: [
        ...system.rules,
        { id: 'x', kind: 'at_least', rung: 'load', pa: 9e7, why: 'greed', from: 'own' },
      ],
    };
    expect(solveLadder(clash).ok).toBe(false);
    expect((await put(clash)).status).toBe(200);
  });
  test.each<[string, Partial<System>, number, string]>([
    [
      'two rungs of one name',
      { rungs: [...system.rungs, { ...system.rungs[0]!, id: 'again' }] },
      422,
      'ladder.name_twice',
    ],
    [
      'a loop of feeding',
      {
        rungs: system.rungs.map((rung) =>
          rung.id === 'pump' ? { ...rung, fed_by: 'compensator' } : rung,
        ),
      },
      422,
      'ladder.feeding_loop',
    ],
    [
      'a rule about a rung that is not there',
      { rules: [{ id: 'x', kind: 'at_least', rung: 'ghost', pa: 1, why: '', from: 'own' }] },
      422,
      'ladder.rung_unknown',
    ],
    ['no rung at all', { rungs: [] }, 400, 'request.invalid'],
    ['an id that differs', { id: 'other' }, 400, 'request.ids_differ'],
  ])('%s is refused', async (_, over, status, code) => {
    const answer = await put({ ...system, ...over });
    expect(answer.status).toBe(status);
    expect(await codeOf(answer)).toBe(code);
  });
  test('of Larkhollow: one in need, one in order of its own, one that clashes', () => {
    const [unit, hall, air] = demoSystems().map((each) => solveLadder(each));
    expect(unit!.ok).toBe(true);
    expect(hall!.ok).toBe(true);
    expect(air).toMatchObject({ ok: false, error: { code: 'ladder.clash' } });
    const tags = new Set(demoValves.map(({ valve }) => valve.id));
    for (const { valve_ids: ids } of demoRounds('2026-11-24'))
      for (const id of ids) expect(tags.has(id)).toBe(true);
    const pressures = unit!.ok ? unit!.value.targets.map(({ pa }) => pa / 1e5) : [];
    expect(pressures).toEqual([170, 280, 185, 210, 210, 230, 270]);
  });
  test('have their schema published', async () => {
    expect((await server.get('/schemas/system.v1.json')).status).toBe(200);
  });
});

describe('what a run has changed', () => {
  const demo = demoValves.find(({ valve }) => valve.tag === 'BSV-02')!.valve;
  const gauge = demoGauges(now).find(({ tag }) => tag === 'G-31')!;
  const runEvents = (valve: Valve, id: string) => {
    const started = startDraft(valve, {
      school: 'cool',
      gauges: { inlet: gauge },
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
    return sealEntries(events);
  };
  test('is practice where a twin was used: nothing is learned, and no chain begins', async () => {
    await server.send('PUT', `/valves/${demo.id}`, demo);
    const answer = await server.send('POST', '/runs/bsv-p/events', {
      events: runEvents(demo, 'bsv-p'),
    });
    const { sheetId } = (await answer.json()) as { sheetId: string };
    expect(await (await server.get(`/valves/${demo.id}`)).json()).toEqual(demo);
    expect(await (await server.get(`/valves/${demo.id}/sheets`)).json()).toEqual([]);
    expect(await (await server.get('/sheets')).json()).toEqual([]);
    expect(await (await server.get(`/valves/${demo.id}/verify`)).json()).toEqual({
      sheets: 0,
      entries: 0,
      lines: 0,
    });
    for (const path of ['/practice', `/valves/${demo.id}/practice`]) {
      const [practice] = sheetSchema.array().parse(await (await server.get(path)).json());
      expect(practice).toMatchObject({ id: sheetId, body: { rehearsal: true } });
      expect(practice!.body.previous_hash).toBeNull();
    }
    const pdf = await server.get(`/sheets/${sheetId}.pdf`);
    expect(pdf.headers.get('content-disposition')).toContain('PRACTICE-BSV-02');
    const revised = await server.send('POST', `/sheets/${sheetId}/revisions`, {
      by: 'Tomas',
      why: 'Not a record',
      notes: [],
      at_ms: 1,
      signed: { key: { kty: 'EC', crv: 'P-256', x: 'x', y: 'y' }, signature: 's' },
    });
    expect(revised.status).toBe(409);
    expect(await revised.json()).toMatchObject({ error: { code: 'sheet.is_practice' } });
  });

  test('cannot be a record of a real valve where a twin was used', async () => {
    const [started, ...rest] = runEvents(demo, 'bsv-x');
    const record = { ...started, purpose: 'record' } as RunEvent;
    const events = sealEntries([record, ...rest.slice(0, -1)]);
    const answer = await server.send('POST', '/runs/bsv-x/events', { events });
    expect(answer.status).toBe(409);
    expect(await answer.json()).toMatchObject({ error: { code: 'run.record_on_twin' } });
    expect((await server.get('/runs/bsv-x')).status).toBe(404);
  });

  test('is learned by the register: the spring that is in now', async () => {
    await server.send('PUT', `/valves/${demo.id}`, demo);
    const answer = await server.send('POST', '/runs/bsv-a/events', {
      events: asRecord(runEvents(demo, 'bsv-a')),
    });
    expect(answer.status).toBe(200);
    const [sheet] = sheetSchema
      .array()
      .parse(await (await server.get(`/valves/${demo.id}/sheets`)).json());
    expect(sheet!.body.cracking!.cycles).toHaveLength(3);
    const after = (await (await server.get(`/valves/${demo.id}`)).json()) as Valve;
    expect(after.plate.fitted_spring).toBe('blue');
    expect(after.target).toEqual(demo.target);
    const pdf = await server.get(`/sheets/${sheet!.id}.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(10_000);
  });
});
