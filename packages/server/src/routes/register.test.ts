import {
  absolutePa,
  defaultHouseRules,
  digestOf,
  kPa,
  writeValvesCsv,
  type Imported,
  type Valve,
} from '@holvek/core';
import { codeOf, gauges, testServer, valve, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.store.close());

describe('valves', () => {
  test('are kept and given back as they were', async () => {
    expect(await (await server.get(`/valves/${valve.id}`)).json()).toEqual(valve);
    expect(await (await server.get('/valves')).json()).toEqual([valve]);
  });

  test('a plate that cannot work is refused with its reasons', async () => {
    const high = {
      ...valve,
      target: { ...valve.target, set_point_pa: kPa(1200), limit_pa: kPa(1300) },
    };
    const answer = await server.send('PUT', `/valves/${valve.id}`, high);
    expect(answer.status).toBe(422);
    expect(await codeOf(answer)).toBe('valve.target_over_rating');
    expect(await (await server.get(`/valves/${valve.id}`)).json()).toEqual(valve);
  });

  test.each([
    ['an id that differs', `/valves/other`, valve, 400],
    ['a field missing', `/valves/${valve.id}`, { ...valve, plate: undefined }, 400],
    ['a name as long as a book', `/valves/${valve.id}`, { ...valve, name: 'x'.repeat(1e4) }, 400],
    ['a tag that another has', '/valves/twin', { ...valve, id: 'twin' }, 409],
  ])('%s is refused', async (_, path, body, status) => {
    const answer = await server.send('PUT', path, body);
    expect(answer.status).toBe(status);
    expect(await codeOf(answer)).toMatch(/^(request|valve)\./);
  });

  test.each([
    ['a NUL in a reason', { target: { ...valve.target, why: 'a\u0000b' } }, 400],
    ['a bell', { name: 'ring\u0007' }, 400],
    ['a character of C1, as it is', { name: 'next\u0085' }, 400],
    ['a tag of two lines', { tag: 'PRV-1\r\nSet-Cookie: a=b' }, 422],
    ['a name with a tab', { name: 'one\ttwo' }, 422],
  ])('%s is refused, and nothing is changed', async (_, over, status) => {
    const answer = await server.send('PUT', `/valves/${valve.id}`, { ...valve, ...over });
    expect(answer.status).toBe(status);
    expect(await codeOf(answer)).toMatch(/control_characters|not_one_line/);
    expect(await (await server.get(`/valves/${valve.id}`)).json()).toEqual(valve);
  });

  test.each([
    ['two lines and a tab in a reason', 'first\r\n\tsecond'],
    ['what only looks like one', 'a\\u0000 and \\b'],
    ['letters of other scripts', 'Überströmer Ж 阀'],
  ])('%s is kept', async (_, why) => {
    const own = { ...valve, target: { ...valve.target, why } };
    expect((await server.send('PUT', `/valves/${valve.id}`, own)).status).toBe(200);
    expect(await (await server.get(`/valves/${valve.id}`)).json()).toEqual(own);
    await server.send('PUT', `/valves/${valve.id}`, valve);
  });

  test.each([
    '/valves/none',
    '/valves/none/sheets',
    '/valves/none/verify',
    '/runs/none',
    '/sheets/none',
    '/sheets/none.pdf',
    '/schemas/none',
    '/nothing',
  ])('%s is not there, and says so', async (path) => {
    const answer = await server.get(path);
    expect(answer.status).toBe(404);
    expect(await codeOf(answer)).toMatch(/not_found|no_such_path/);
  });
});

describe('sites', () => {
  const site = { id: 'own', name: 'Larkhollow', altitude_m: 640 };
  test('are added and changed, and one out of this world is refused', async () => {
    expect((await server.send('PUT', '/sites/own', site)).status).toBe(200);
    expect(await (await server.get('/sites')).json()).toContainEqual(site);
    const high = await server.send('PUT', '/sites/own', { ...site, altitude_m: 12_000 });
    expect(high.status).toBe(400);
    expect((await server.send('PUT', '/sites/other', site)).status).toBe(400);
    expect(await (await server.get('/sites')).json()).toContainEqual(site);
  });
});

const csvOf = (...valves: readonly Valve[]) =>
  writeValvesCsv(valves, { unit: 'kPa', barometer: absolutePa(101_325) });

describe('the register as a file', () => {
  test('goes out as CSV', async () => {
    const answer = await server.get('/valves.csv');
    expect(answer.headers.get('content-type')).toContain('text/csv');
    expect(await answer.text()).toBe(csvOf(valve));
  });

  test('good rows come in, wrong ones are named, a known tag keeps its id', async () => {
    const other = { ...valve, id: 'x', tag: 'PRV-70' };
    const lines = csvOf({ ...valve, id: 'changed', name: 'Gully line, lower' }, other)
      .trim()
      .split('\n');
    const csv = [
      ...lines,
      lines.at(-1)!.replace('x,', 'new,').replace('PRV-70', 'PRV-71').replace(',80,', ',wide,'),
    ].join('\n');
    const answer = await server.send('POST', '/valves/import', { csv });
    const { kept, fresh, changed, issues } = (await answer.json()) as Imported;
    expect(kept.sort()).toEqual(['PRV-07', 'PRV-70']);
    expect([fresh, changed]).toEqual([['PRV-70'], ['PRV-07']]);
    expect(issues.map(({ column }) => column)).toEqual(['size']);
    expect(await (await server.get(`/valves/${valve.id}`)).json()).toMatchObject({
      name: 'Gully line, lower',
    });
  });

  const readIn = async (csv: string, preview?: true): Promise<Imported> =>
    (await (
      await server.send('POST', '/valves/import', { csv, ...(preview ? { preview } : {}) })
    ).json()) as Imported;
  const known = async () =>
    (await (await server.get(`/valves/${valve.id}`)).json()) as Partial<Valve>;

  test('a preview says what a file would do, and does nothing', async () => {
    const named = { ...valve, name: 'Only looked at' };
    const csv = csvOf(named, { ...valve, id: 'y', tag: 'PRV-72' });
    const looked = await readIn(csv, true);
    expect(looked).toMatchObject({ fresh: ['PRV-72'], changed: ['PRV-07'], issues: [] });
    expect((await known()).name).not.toBe('Only looked at');
    expect((await server.get('/valves/y')).status).toBe(404);
    expect(await readIn(csv)).toEqual(looked);
    expect((await known()).name).toBe('Only looked at');
    expect(await readIn(csv)).toMatchObject({ fresh: [], changed: [] });
  });

  test('what a file does not speak of stays: serial number, retirement', async () => {
    const about = { serial: 'S-118', seal: 'L-4' };
    const retired = { why: 'Line taken out', on: '2026-11-01' };
    const before = await known();
    await server.send('PUT', `/valves/${valve.id}`, { ...before, about, retired });
    await readIn(csvOf({ ...valve, name: 'Renamed' }).replaceAll('about.', 'unheard of.'));
    expect(await known()).toMatchObject({ name: 'Renamed', about, retired });
  });

  test('a plate that cannot be is named with its line', async () => {
    const plate = { ...valve.plate, outlet_rating_pa: kPa(300) };
    const { kept, issues } = await readIn(
      csvOf(valve, { ...valve, id: 'z', tag: 'PRV-73', plate }),
      true,
    );
    expect(kept).toEqual(['PRV-07']);
    expect(issues[0]).toMatchObject({
      line: 3,
      column: 'PRV-73',
    });
  });

  test('a file of something else changes nothing', async () => {
    const answer = await server.send('POST', '/valves/import', { csv: 'fish,chips\n1,2' });
    expect(answer.status).toBe(422);
    expect(await codeOf(answer)).toBe('csv.missing_columns');
  });
});

describe('gauges, rounds and rules', () => {
  test('a gauge is kept; one upside down is not', async () => {
    const gauge = gauges[0]!;
    expect((await server.send('PUT', `/gauges/${gauge.id}`, gauge)).status).toBe(200);
    const upside = { ...gauge, range_low_pa: 9e5, range_high_pa: 1e5 };
    expect(await codeOf(await server.send('PUT', `/gauges/${gauge.id}`, upside))).toBe(
      'gauge.range_upside_down',
    );
    expect(await (await server.get('/gauges')).json()).toContainEqual(gauge);
  });

  test('a change that was made from an older version is refused, and shows what it is now', async () => {
    const path = `/api/valves/${valve.id}`;
    const put = (body: object, over?: unknown, who = 'Ines Varga') =>
      server.app.request(path, {
        method: 'PUT',
        headers: {
          cookie: server.cookie,
          'content-type': 'application/json',
          'x-changed-by': encodeURIComponent(who),
          ...(over ? { 'if-match': `"${digestOf(over)}"` } : {}),
        },
        body: JSON.stringify(body),
      });
    const before = (await (await server.get(`/valves/${valve.id}`)).json()) as Valve;
    const mine = { ...before, name: 'Mine' };
    const yours = { ...before, name: 'Yours' };
    const broken = await server.app.request(path, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', cookie: server.cookie, 'x-changed-by': '%E0' },
      body: JSON.stringify(before),
    });
    expect(broken.status).toBe(200);
    expect((await put(mine, before, 'Jörg')).status).toBe(200);
    const answer = await put(yours, before);
    expect(answer.status).toBe(412);
    expect(await answer.json()).toMatchObject({
      error: { code: 'document.changed', detail: { name: 'Mine' } },
    });
    expect((await put(yours, mine)).status).toBe(200);
    const versions = (await (await server.get(`/valves/${valve.id}/history`)).json()) as {
      who: string;
      body: Valve;
    }[];
    expect(versions.slice(0, 3).map(({ who, body }) => [who, body.name])).toEqual([
      ['Ines Varga', 'Yours'],
      ['Jörg, sent by Ines Varga', 'Mine'],
      ['Ines Varga', before.name],
    ]);
    await put(before);
    const rules = await (await server.get('/house-rules')).json();
    const stale = await server.app.request('/api/house-rules', {
      method: 'PUT',
      headers: {
        cookie: server.cookie,
        'content-type': 'application/json',
        'if-match': '"none"',
      },
      body: JSON.stringify(rules),
    });
    expect(stale.status).toBe(412);
  });

  test('a round is kept', async () => {
    const round = {
      id: 'r',
      name: 'Round',
      site_id: 's',
      day: '2026-11-24',
      valve_ids: [valve.id],
      why_this_order: '',
    };
    expect((await server.send('PUT', '/rounds/r', round)).status).toBe(200);
    expect(await (await server.get('/rounds')).json()).toEqual([round]);
    expect((await server.send('PUT', '/rounds/r', { ...round, day: 'today' })).status).toBe(400);
  });

  test('house rules begin as the defaults and can be changed', async () => {
    expect(await (await server.get('/house-rules')).json()).toEqual(defaultHouseRules);
    const changed = { ...defaultHouseRules, settle_wait_s: 45 };
    expect((await server.send('PUT', '/house-rules', changed)).status).toBe(200);
    expect(await (await server.get('/house-rules')).json()).toEqual(changed);
    expect((await server.send('PUT', '/house-rules', { ...changed, tur_least: -1 })).status).toBe(
      400,
    );
  });

  test('a limit is held against what the owner allows lockup to add', async () => {
    const bears = valve.target.limit_pa + 0.15 * valve.target.set_point_pa;
    const sum = { need_pa: valve.target.set_point_pa, lowest_rating_pa: bears };
    const put = () =>
      server.send('PUT', `/valves/${valve.id}`, { ...valve, target: { ...valve.target, sum } });
    expect((await put()).status).toBe(200);
    const wide = { ...defaultHouseRules, lockup_fraction: 0.2 };
    expect((await server.send('PUT', '/house-rules', wide)).status).toBe(200);
    expect(await codeOf(await put())).toBe('valve.limit_over_lowest');
    await server.send('PUT', `/valves/${valve.id}`, valve);
  });
});

describe('the server', () => {
  test('is healthy, and describes itself', async () => {
    expect(await (await server.get('/health')).json()).toEqual({
      ok: true,
      storage: 'room',
    });
    const { openapi, paths } = (await (await server.get('/openapi.json')).json()) as {
      openapi: string;
      paths: object;
    };
    expect(openapi).toBe('3.0.3');
    expect(Object.keys(paths)).toEqual(
      expect.arrayContaining(['/valves', '/runs/{id}/events', '/sheets/{id}', '/gauges/{id}']),
    );
  });

  test('publishes the schemas of its files', async () => {
    const schema = (await (await server.get('/schemas/sheet.v1.json')).json()) as {
      $schema: string;
    };
    expect(schema.$schema).toContain('json-schema.org');
  });

  test('sends its security headers', async () => {
    const { headers } = await server.get('/health');
    expect(headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });

  test('met no fault in all of this', () => {
    expect(server.faults).toEqual([]);
  });
});

describe('places', () => {
  const site = { id: 'own', name: 'Larkhollow', altitude_m: 640 };
  test('lie within one another, and are not closed over what is in use', async () => {
    const put = (id: string, more: object) =>
      server.send('PUT', `/sites/${id}`, { id, name: id, ...more });
    expect((await put('hall', { under: 'own' })).status).toBe(200);
    const ring = await put('own', { under: 'hall', altitude_m: 640 });
    expect([ring.status, await codeOf(ring)]).toEqual([422, 'place.under_itself']);
    expect(await codeOf(await put('shed', {}))).toBe('place.no_altitude');
    const closed = { why: 'torn down', on: '2026-11-01' };
    const used = { ...valve, id: 'in-hall', tag: 'IN-HALL', place_id: 'hall' };
    expect((await server.send('PUT', '/valves/in-hall', used)).status).toBe(200);
    const refused = await put('hall', { under: 'own', closed });
    expect([refused.status, await codeOf(refused)]).toEqual([422, 'place.has_valves']);
    const moved = { ...used, place_id: 'own' };
    expect((await server.send('PUT', '/valves/in-hall', moved)).status).toBe(200);
    expect((await put('hall', { under: 'own', closed })).status).toBe(200);
    const sites = (await (await server.get('/sites')).json()) as { readonly id: string }[];
    expect(sites.find(({ id }) => id === 'hall')).toMatchObject({ closed });
    expect(sites.find(({ id }) => id === 'own')).toEqual(site);
  });
});

describe('tags', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await testServer();
  });
  afterAll(() => server.store.close());

  test('a tag that differs by case or gaps alone is taken; a new one may be it once it is free', async () => {
    const put = (id: string, tag: string) =>
      server.send('PUT', `/valves/${id}`, { ...valve, id, tag });
    const like = ` ${valve.tag.toLowerCase()}`;
    expect(await codeOf(await put('like', like))).toBe('valve.tag_taken');
    expect((await put('other', 'ZZ-1')).status).toBe(200);
    expect(await codeOf(await put('other', like))).toBe('valve.tag_taken');
    // Its own tag, spelled otherwise, is no other's.
    expect((await put(valve.id, like.trim())).status).toBe(200);
    expect(await codeOf(await put('like', valve.tag))).toBe('valve.tag_taken');
    expect((await put(valve.id, valve.tag)).status).toBe(200);
    expect((await put('other', 'ZZ-2')).status).toBe(200);
    expect((await put('third', 'zz-1')).status).toBe(200);
  });
});
