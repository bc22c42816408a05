import {
  areaOf,
  checkPlace,
  checkPlate,
  checkWith,
  defaultHouseRules,
  driftOf,
  families,
  gaugeFitness,
  gaugePa,
  openEndsOf,
  reduceRun,
  resultUncertainty,
  runEventSchema,
  unwrap,
  verifyEvidence,
} from '@holvek/core';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Store } from '../db/open';
import { evidenceOf } from '../sheet/evidence-file';
import { eventsOf } from '../ingest/rows';
import { sheetsOf } from '../sheet/shelf';
import { seedLarkhollow } from './larkhollow';
import { demoPlaces } from './places';
import { seedFile } from './seed-file';
import { demoGauges, demoValves } from './valves';

const DAY = 86_400_000;
const now = Date.UTC(2026, 10, 24, 7, 30);

describe('Larkhollow', () => {
  let folder: string;
  let store: Store;
  let wasMade: boolean;
  const lines: string[] = [];
  const seeded = () =>
    seedFile(join(folder, 'demo.sqlite'), { now, tell: (line) => lines.push(line) });
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'holvek-'));
    // As a start leaves it that was cut off.
    writeFileSync(join(folder, 'demo.sqlite.seeding'), 'half of a database');
    wasMade = await seeded();
    store = await openStore(join(folder, 'demo.sqlite'));
  }, 180_000);
  afterAll(async () => {
    await store.close();
    rmSync(folder, { recursive: true });
  });

  test('is made beside its place: what a start that was cut off has left does not matter', async () => {
    expect(wasMade).toBe(true);
    expect(existsSync(join(folder, 'demo.sqlite.seeding'))).toBe(false);
    expect(await seeded()).toBe(false);
    expect(lines).toHaveLength(demoValves.length);
  });

  test('has valves of every family, each sound, and their gauges', async () => {
    expect(new Set(demoValves.map(({ valve }) => valve.plate.family))).toEqual(
      new Set(Object.keys(families)),
    );
    expect(
      demoValves.filter(({ valve }) => valve.plate.family === 'reducing').length,
    ).toBeGreaterThanOrEqual(6);
    for (const { valve } of demoValves)
      expect(checkPlate(valve.plate, valve).filter(({ stops }) => stops)).toEqual([]);
    expect(await store.tables.valves.count()).toBe(demoValves.length);
    expect(await store.tables.gauges.count()).toBe(13);
    expect(lines).toHaveLength(demoValves.length);
  });

  test('each stands where its words say, at a place that could be kept by hand', async () => {
    for (const [i, place] of demoPlaces.entries())
      expect([place.id, checkPlace(place, demoPlaces.slice(0, i), [])]).toEqual([
        place.id,
        undefined,
      ]);
    for (const { valve } of demoValves) {
      const row = await store.tables.valves.findByPk(valve.id, { raw: true });
      const { place_id: id } = JSON.parse(row!.body) as { readonly place_id: string };
      const place = demoPlaces.find((each) => each.id === id);
      expect([valve.tag, areaOf(valve.place)]).toEqual([valve.tag, place?.name]);
    }
  });

  test('its whole record holds: sheets, entries, signatures, chains and the log', async () => {
    const file = await evidenceOf(
      store,
      demoValves.map(({ valve }) => valve.id),
    );
    const check = checkWith(globalThis.crypto.subtle);
    const { faults, notes, sheets } = await verifyEvidence(file, { check });
    expect([faults, notes]).toEqual([[], []]);
    expect(sheets).toBe(demoValves.reduce((sum, { visits }) => sum + visits.length, 0));
  });

  test('one valve has drifted over four winters', async () => {
    const { target } = demoValves.find(({ valve }) => valve.tag === 'PRV-12')!.valve;
    const sheets = await sheetsOf(store, 'prv-12');
    const visits = sheets.map(({ body }) => ({
      day: body.signed_at_ms / DAY,
      asFound: gaugePa(body.settings[0]!.as_found_pa!),
      asLeft: gaugePa(body.settings[0]!.as_left_pa),
    }));
    const lane = {
      lower: target.set_point_pa - target.tolerance_pa,
      upper: target.set_point_pa + target.tolerance_pa,
    };
    const drift = unwrap(driftOf(visits, lane, resultUncertainty(demoGauges(now)[1]!)));
    expect(visits).toHaveLength(4);
    expect(drift.isDrifting).toBe(true);
    expect(drift.perDay).toBeGreaterThan(0);
  });

  test('one stands open in the middle of its setting with three open ends', async () => {
    const events = await eventsOf(store.tables, 'prv-07-visit-3');
    const run = unwrap(reduceRun(events.map((event) => runEventSchema.parse(event))));
    expect(run.status).toBe('open');
    expect(openEndsOf(run)).toHaveLength(3);
    expect(run.marks['main']?.some(({ kind }) => kind === 'turned')).toBe(true);
  });

  test('one was never set, one is overdue, and the faults are there', async () => {
    const byTag = new Map(demoValves.map((demo) => [demo.valve.tag, demo]));
    expect(byTag.get('PRV-03')!.visits).toEqual([]);
    expect(Math.min(...byTag.get('PRV-05')!.visits)).toBeGreaterThan(395);
    const faults = demoValves.flatMap(({ valve }) => valve.twin?.faults ?? []);
    expect(faults).toEqual(expect.arrayContaining(['reversed_screw', 'slow_main', 'leaking_seat']));
  });

  test('one gauge is out of date and one has the wrong range', () => {
    const { target } = demoValves[0]!.valve;
    const today = new Date(now).toISOString().slice(0, 10);
    const codes = demoGauges(now).map((gauge) =>
      gaugeFitness(gauge, target, today, defaultHouseRules).findings.map(({ code }) => code),
    );
    expect(codes.filter((list) => list.includes('gauge.out_of_date'))).toHaveLength(1);
    expect(
      codes.some(
        (list) => list.includes('gauge.beyond_range') || list.includes('gauge.tur_too_low'),
      ),
    ).toBe(true);
    expect(codes.some((list) => list.length === 0)).toBe(true);
  });

  test('a database with valves is left alone', async () => {
    expect(await seedLarkhollow(store, { now })).toBe(false);
  });
});
