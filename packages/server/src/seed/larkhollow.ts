import {
  twinOf, defaultHouseRules, procedureOf, ratePrior, rehearse,
  type Gauge, type Rehearsal,
  type Round,
  type Site, type RunEventDraft, type Valve,
} from '@holvek/core'; // prettier-ignore
import type { Store } from '../db/open';
import { ingest } from '../ingest';
import { sheetsOf } from '../sheet/shelf';
import { demoGauges, demoValves, type DemoValve } from './valves';

const DAY = 86_400_000;
const SITE: Site = { id: 'larkhollow', name: 'Larkhollow', altitude_m: 1240 };
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
  const valves = demoValves.map(({ valve, wander }) => foundToday(valve, wander.at(-1) ?? 0));
  await store.write(async (tables) => {
    const body = (value: unknown) => JSON.stringify(value);
    await tables.sites.create({ id: SITE.id, body: body(SITE) });
    for (const gauge of gauges)
      await tables.gauges.create({ id: gauge.id, tag: gauge.tag, body: body(gauge) });
    for (const valve of valves)
      await tables.valves.create({ id: valve.id, tag: valve.tag, body: body(valve) });
    const round = demoRound(now);
    await tables.rounds.create({ id: round.id, body: body(round) });
  });
  for (const demo of demoValves) {
    await makeHistory(store, demo, gauges, now);
    tell(
      `${demo.valve.tag} ${demo.valve.name}: ${demo.visits.length} earlier visits${demo.midRun ? ', one run left open' : ''}`,
    );
  }
  return true;
}

const foundToday = (valve: Valve, wander: number): Valve => ({
  ...valve,
  twin: { ...valve.twin!, found_pa: valve.target.set_point_pa + wander },
});

const demoRound = (now: number): Round => ({
  id: 'hill-round',
  name: 'Hill round',
  site_id: SITE.id,
  day: new Date(now).toISOString().slice(0, 10),
  valve_ids: ['prv-07', 'prv-05', 'prv-14', 'prv-08', 'prv-03', 'prv-12', 'prv-09'],
  why_this_order:
    'Work already in hand first. Then highest pressure to lowest, upstream before downstream, so that no setting limits the next.',
});

async function makeHistory(
  store: Store,
  demo: DemoValve,
  gauges: readonly Gauge[],
  now: number,
): Promise<void> {
  let found = demo.valve.target.set_point_pa * 0.86;
  for (const [visit, daysAgo] of demo.visits.entries()) {
    const startAtMs = now - daysAgo * DAY + visit * 5_400_000;
    const { events } = await rehearseVisit(store, demo.valve, { visit, found, startAtMs, gauges });
    const result = await ingest(store, events[0]!.run_id, events);
    if (!result.sheetId) throw new Error(`history of ${demo.valve.tag} made no sheet`);
    const sheets = await sheetsOf(store, demo.valve.id);
    found = sheets.at(-1)!.body.as_left_pa + (demo.wander[visit] ?? 0);
  }
  if (demo.midRun) {
    const left = await rehearseVisit(store, demo.valve, {
      visit: demo.visits.length,
      found: demo.valve.target.set_point_pa + (demo.wander.at(-1) ?? 0),
      startAtMs: now - 26 * 60_000,
      gauges,
      stopAfterTurns: 1,
    });
    await ingest(store, left.run.id, left.events);
  }
}

type Visit = {
  readonly visit: number;
  readonly found: number;
  readonly startAtMs: number;
  readonly gauges: readonly Gauge[];
  readonly stopAfterTurns?: number;
};

/** One visit carried out on the valve's twin, with the rate that earlier sheets have taught. */
async function rehearseVisit(
  store: Store,
  valve: Valve,
  { visit, found, startAtMs, gauges, stopAfterTurns }: Visit,
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
  const fitted = stopAfterTurns === undefined
    ? { inlet: pick('G-04'), outlet: pick('G-12') }
    : { inlet: gauges[0]!, outlet: gauges[1]! }; // prettier-ignore
  const earlier = await sheetsOf(store, valve.id);
  const taught = earlier.flatMap(({ body }) =>
    body.rate_pa_per_turn === null || body.clockwise === 'unknown'
      ? []
      : [{ rate: body.rate_pa_per_turn, sd: body.rate_sd_pa_per_turn ?? 0, clockwise: body.clockwise }],
  );
  const procedure = procedureOf(valve.plate.family);
  const sketch = { ...valve.twin!, found_pa: found };
  const started: Extract<RunEventDraft, { type: 'started' }> = {
    type: 'started',
    valve_id: valve.id,
    valve_tag: valve.tag,
    valve_name: valve.name,
    plate: valve.plate,
    target: valve.target,
    school: 'from_zero',
    procedure_version: procedure.version,
    gauges: fitted,
    house_rules: defaultHouseRules,
    prior: ratePrior(valve.plate, taught, defaultHouseRules),
    twin: sketch,
  };
  const twin = twinOf({ ...started, id: '', run_id: '', author: '', at_ms: startAtMs, lamport: 1 })!;
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
  });
}
