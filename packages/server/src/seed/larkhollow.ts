import {
  asRecord,
  defaultHouseRules,
  isInstrument,
  procedureOf,
  rehearse,
  startDraft,
  twinOf,
  type Gauge,
  type Rehearsal,
  type Valve,
} from '@holvek/core';
import { keepDocument } from '../db/keep';
import type { Store } from '../db/open';
import { ingest } from '../ingest/ingest';
import { sheetsOf } from '../sheet/shelf';
import { seedPeople } from './people';
import { seedPhotos } from './photos';
import { demoNotice } from './notice';
import { demoPlaces, placed } from './places';
import { demoRepairs } from './repairs';
import { demoSeason } from './season';
import { demoRounds, demoSystems } from './systems';
import { demoGauges, demoValves, type DemoValve } from './valves';

const DAY = 86_400_000;
const people = ['Ines Varga', 'Tomas Brandt'];

type SeedOptions = { readonly now: number; readonly tell?: (line: string) => void };

/**
 * Fills an empty database with Larkhollow: register, gauges, a round, and the history of earlier
 * winters, made by carrying out every run on a twin. A database with valves is left alone.
 */
export async function seedLarkhollow(
  store: Store,
  { now, tell = () => undefined }: SeedOptions,
): Promise<boolean> {
  if ((await store.tables.valves.count()) > 0) return false;
  const gauges = demoGauges(now);
  const valves = demoValves.map(foundToday).map(placed);
  const photos = await seedPhotos(store, now);
  await store.write(async (tables) => {
    const body = (value: unknown) => JSON.stringify(value);
    for (const place of demoPlaces)
      await keepDocument(tables, 'sites', { id: place.id, body: body(place) });
    for (const gauge of gauges)
      await keepDocument(tables, 'gauges', { id: gauge.id, tag: gauge.tag, body: body(gauge) });
    for (const valve of valves)
      await keepDocument(tables, 'valves', { id: valve.id, tag: valve.tag, body: body(valve) });
    for (const round of demoRounds(new Date(now).toISOString().slice(0, 10)))
      await keepDocument(tables, 'rounds', { id: round.id, body: body(round) });
    for (const season of [demoSeason(now)])
      await keepDocument(tables, 'seasons', { id: season.id, body: body(season) });
    for (const system of demoSystems())
      await keepDocument(tables, 'systems', { id: system.id, body: body(system) });
    for (const repair of demoRepairs(now))
      await keepDocument(tables, 'repairs', { id: repair.id, body: body(repair) });
    const word = demoNotice(now);
    await keepDocument(tables, 'notices', { id: word.id, body: body(word) });
    for (const photo of photos)
      await keepDocument(tables, 'photos', { id: photo.id, body: body(photo) });
  });
  await seedPeople(store);
  for (const demo of demoValves) {
    await makeHistory(store, demo, gauges, now);
    tell(
      `${demo.valve.tag} ${demo.valve.name}: ${demo.visits.length} earlier visits${demo.midRun ? ', one run left open' : ''}`,
    );
  }
  return true;
}

/** A valve that was visited is found where it was left, give or take its wander; a new one as it came. */
const foundToday = ({ valve, wander, asItCame }: DemoValve): Valve =>
  isInstrument(valve.plate) || asItCame
    ? valve
    : {
        ...valve,
        twin: { ...valve.twin!, found_pa: valve.target.set_point_pa + (wander.at(-1) ?? 0) },
      };

async function makeHistory(
  store: Store,
  demo: DemoValve,
  gauges: readonly Gauge[],
  now: number,
): Promise<void> {
  const own = demo.valve.twin!;
  let found = isInstrument(demo.valve.plate) ? own.found_pa : demo.valve.target.set_point_pa * 0.86;
  for (const [visit, daysAgo] of demo.visits.entries()) {
    const startAtMs = now - daysAgo * DAY + visit * 5_400_000;
    const isLast = visit === demo.visits.length - 1;
    const condemnedBy = isLast ? demo.condemnedBy : undefined;
    const { events: rehearsed } = await rehearseVisit(store, demo, {
      visit,
      found,
      startAtMs,
      gauges,
      condemnedBy,
    });
    const events = asRecord(rehearsed);
    const result = await ingest(store, events[0]!.run_id, events);
    if (!result.sheetId) throw new Error(`history of ${demo.valve.tag} made no sheet`);
    const sheets = await sheetsOf(store, demo.valve.id);
    // An instrument is found by its error, not by the pressure it was left at.
    const left = isInstrument(demo.valve.plate)
      ? undefined
      : sheets.at(-1)!.body.settings[0]?.as_left_pa;
    found = (left ?? found) + (demo.wander[visit] ?? 0);
  }
  if (demo.midRun) {
    const left = await rehearseVisit(store, demo, {
      visit: demo.visits.length,
      found: demo.valve.target.set_point_pa + (demo.wander.at(-1) ?? 0),
      startAtMs: now - 26 * 60_000,
      gauges,
      stopAfterTurns: 1,
    });
    await ingest(store, left.run.id, asRecord(left.events));
  }
}

type Visit = {
  readonly visit: number;
  readonly found: number;
  readonly startAtMs: number;
  readonly gauges: readonly Gauge[];
  readonly stopAfterTurns?: number;
  readonly condemnedBy?: string | undefined;
};

/** One visit carried out on the valve's twin, with the rate that earlier sheets have taught. */
async function rehearseVisit(
  store: Store,
  { valve, gauges: taken = { inlet: 'G-04', outlet: 'G-12' }, school }: DemoValve,
  { visit, found, startAtMs, gauges, stopAfterTurns, condemnedBy }: Visit,
): Promise<Rehearsal> {
  const inDate = (gauge: Gauge): Gauge => {
    const calibrated = new Date(startAtMs - 100 * DAY);
    const due = new Date(startAtMs + 265 * DAY);
    return {
      ...gauge,
      calibrated_on: calibrated.toISOString().slice(0, 10),
      calibration_due_on: due.toISOString().slice(0, 10),
    };
  };
  const pick = (tag: string) => inDate(gauges.find((gauge) => gauge.tag === tag)!);
  // A run that is still open uses the gauges as they are today.
  const fitted = Object.fromEntries(
    Object.entries(taken).map(([role, tag]) => [
      role,
      stopAfterTurns === undefined ? pick(tag) : gauges.find((gauge) => gauge.tag === tag)!,
    ]),
  );
  const started = startDraft(valve, {
    school: school ?? procedureOf(valve.plate.family).schools[0]!.id,
    gauges: fitted,
    rules: defaultHouseRules,
    sheets: await sheetsOf(store, valve.id),
    twin: { ...valve.twin!, found_pa: found },
  });
  const twin = twinOf({
    ...started,
    id: '',
    run_id: '',
    author: '',
    at_ms: startAtMs,
    lamport: 1,
  })!;
  const runId = `${valve.id}-visit-${visit + 1}`;
  let count = 0;
  return rehearse({
    started,
    runId,
    // Another day, another hand: the same valve is turned with other small errors.
    twin: { ...twin, draws: visit * 101 },
    author: people[visit % people.length]!,
    startAtMs,
    newId: (atMs) =>
      `${atMs.toString(36).padStart(9, '0')}-${runId}-${(count++).toString(36).padStart(3, '0')}`,
    ...(stopAfterTurns === undefined ? {} : { stopAfterTurns }),
    ...(condemnedBy
      ? { judge: ({ id }) => (id === condemnedBy ? ('fails' as const) : ('sound' as const)) }
      : {}),
  });
}
