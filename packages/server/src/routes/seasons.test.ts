import { seasonSchema, type Season } from '@holvek/core';
import ICAL from 'ical.js';
import { codeOf, testServer, valve, type TestServer } from '../testing/server';
import { calendarOf } from '../season/calendar';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.store.close());

const season = (over: Partial<Season> = {}): Season => ({
  id: 'winter',
  name: 'Winter',
  site_id: 'larkhollow',
  from: '2026-11-23',
  weeks: 10,
  crew: [{ person_id: 'p1', week: [240, 240, 240, 240, 240, 0, 0], away: [] }],
  closed: [],
  rules: [],
  around: 20,
  travel: { usual: 15, table: [] },
  plan: [],
  ...over,
});
const put = (value: unknown) => server.send('PUT', '/seasons/winter', value);
const on = (day: string, valve_id = valve.id, person_id = 'p1') => ({ valve_id, day, person_id });

/** Entries of a calendar as a library reads them. */
const entriesOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((each) => {
    const event = new ICAL.Event(each);
    return {
      uid: event.uid,
      day: event.startDate.toString(),
      until: event.endDate.toString(),
      summary: event.summary,
      location: event.location,
      description: event.description,
    };
  });

describe('seasons', () => {
  test('are kept and read back, plan and all', async () => {
    const kept = season({ plan: [on('2026-12-03')] });
    expect((await put(kept)).status).toBe(200);
    const all = seasonSchema.array().parse(await (await server.get('/seasons')).json());
    expect(all).toEqual([kept]);
  });

  test('are refused where they mean nothing', async () => {
    expect((await put({ ...season(), weeks: 0 })).status).toBe(400);
    expect((await put(season({ plan: [on('3 December')] }))).status).toBe(400);
    const other = await server.send('PUT', '/seasons/other', season());
    expect(await codeOf(other)).toBe('request.ids_differ');
  });

  test('are a supervisor’s to plan: a technician sees them and changes none', async () => {
    const technician = await server.as('technician');
    expect((await technician.get('/seasons')).status).toBe(200);
    const answer = await technician.send('PUT', '/seasons/winter', season());
    expect(answer.status).toBe(403);
    expect((await (await server.as('nobody')).get('/seasons/winter/calendar.ics')).status).toBe(
      401,
    );
    expect(
      (await (await server.as('supervisor')).send('PUT', '/seasons/winter', season())).status,
    ).toBe(200);
  });

  test('a plan made over one that has changed meanwhile is not taken', async () => {
    const answer = await server.app.request('/api/seasons/winter', {
      method: 'PUT',
      headers: {
        'content-type': 'application/json',
        'if-match': '"of-yesterday"',
        cookie: server.cookie,
      },
      body: JSON.stringify(season()),
    });
    expect(answer.status).toBe(412);
    expect(await codeOf(answer)).toBe('document.changed');
  });

  test('go out as a calendar that a library reads: one entry a hand and day', async () => {
    const plan = [on('2026-12-03'), on('2026-12-03', 'gone'), on('2026-12-03', valve.id, 'p2')];
    await put(season({ plan }));
    const answer = await server.get('/seasons/winter/calendar.ics');
    expect(answer.headers.get('content-type')).toMatch(/^text\/calendar/u);
    const entries = entriesOf(await answer.text());
    expect(entries.map(({ uid }) => uid)).toEqual([
      'winter-p1-2026-12-03@holvek',
      'winter-p2-2026-12-03@holvek',
    ]);
    expect(entries[0]).toMatchObject({
      day: '2026-12-03',
      until: '2026-12-04',
      summary: valve.tag,
      description: `1. ${valve.tag} ${valve.name}, ${valve.place}`,
    });
    const own = await server.get('/seasons/winter/calendar.ics?person=p2');
    expect(entriesOf(await own.text()).map(({ uid }) => uid)).toEqual([
      'winter-p2-2026-12-03@holvek',
    ]);
    expect((await server.get('/seasons/nowhere/calendar.ics')).status).toBe(404);
  });

  test('an entry whose valves change keeps its name, also over a change of clocks', () => {
    const day = '2027-03-28';
    const uids = [[on(day)], [on(day, 'other'), on(day)]].map((plan) => {
      const text = calendarOf([season({ plan })], new Map([[valve.id, valve]]));
      return entriesOf(text).map((each) => [each.uid, each.day]);
    });
    expect(uids[0]).toEqual([[`winter-p1-${day}@holvek`, day]]);
    expect(uids[1]).toEqual(uids[0]);
  });

  test('a plan with nothing in it is an empty calendar', () => {
    expect(calendarOf([season()], new Map())).toMatch(/^BEGIN:VCALENDAR[\s\S]*END:VCALENDAR/u);
  });
});

describe('a place that is called otherwise', () => {
  const places = { id: 'hollow', name: 'Hollow', altitude_m: 640 };
  const gully = { id: 'gully', name: 'Gully', under: 'hollow' };
  const travel = { usual: 15, table: [{ from: 'Gully', to: 'Pump hall', minutes: 40 }] };

  test('takes its ways and its calendars with it', async () => {
    for (const place of [places, gully])
      expect((await server.send('PUT', `/sites/${place.id}`, place)).status).toBe(200);
    const own = { ...valve, id: 'placed', tag: 'PRV-99', place: '', place_id: 'gully' };
    expect((await server.send('PUT', '/valves/placed', own)).status).toBe(200);
    expect((await put(season({ travel }))).status).toBe(200);
    const about = { kind: 'area', area: 'Gully' };
    expect((await server.send('POST', '/feeds', { about })).status).toBe(200);
    const name = 'Ravine, upper';
    expect((await server.send('PUT', '/sites/gully', { ...gully, name })).status).toBe(200);
    const [kept] = seasonSchema.array().parse(await (await server.get('/seasons')).json());
    // Another valve says in words of its own that it stands in the gully.
    expect(kept?.travel.table).toEqual([
      { from: 'Gully', to: 'Pump hall', minutes: 40 },
      { from: 'Ravine upper', to: 'Pump hall', minutes: 40 },
    ]);
    expect(await (await server.get('/feeds')).json()).toMatchObject([
      { about: { kind: 'area', area: 'Gully' } },
    ]);
    const said = { ...gully, name, permit: 'Ask the keeper.' };
    expect((await server.send('PUT', '/sites/gully', said)).status).toBe(200);
    const after = await (await server.get('/seasons')).json();
    expect(seasonSchema.array().parse(after)).toEqual([kept]);
    // Once nobody says Gully any more, the calendar follows too.
    const moved = { ...valve, place: '', place_id: 'gully' };
    expect((await server.send('PUT', `/valves/${valve.id}`, moved)).status).toBe(200);
    await server.send('POST', '/feeds', { about: { kind: 'area', area: 'Ravine upper' } });
    expect((await server.send('PUT', '/sites/gully', gully)).status).toBe(200);
    expect(await (await server.get('/feeds')).json()).toMatchObject([
      { about: { area: 'Gully' } },
      { about: { area: 'Gully' } },
    ]);
  });
});
