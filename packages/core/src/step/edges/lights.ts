import { edgeSearch, middleOf, type EdgeSearch, type Middle, type MiddleError } from '../../coach';
import type { Result } from '../../result';
import { fittedSpring, hasFlame, instrumentRules, judgementOf, type FlamePlate } from '../../valve';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import { settingView } from '../set/setting-view';
import type { LightEvent, TriedLight } from './shape';

/** Key of the answer that says the purge has run. */
export const PURGED = 'purged';

/** What a flame's signal says of a light: lit, and where it is, good or only weak. */
export function flameOf(
  run: Pick<RunState, 'started'>,
  signal: number,
): { readonly lit: boolean; readonly weak: boolean } {
  const { flame_lit: least, flame_good: good } = judgementOf(run.started.house_rules);
  const lit = signal > least;
  return { lit, weak: lit && signal < good };
}

export const triedLight = (event: LightEvent): TriedLight => ({
  eventId: event.id,
  pressure: event.reading.si,
  lit: event.lit,
  ...(event.weak ? { weak: true } : {}),
  purged: event.lit,
});

/** The last light failed and the burner has not been purged since: no spark before that. */
export const mustPurge = (run: RunState): boolean => lightsOf(run).at(-1)?.purged === false;

/** Every try to light of a run. */
export const lightsOf = (run: RunState): readonly TriedLight[] =>
  stepsOfKind(run, 'edges').flatMap((step) => recordOf(run, step).lights);

export const lightsLeft = (run: RunState): number =>
  instrumentRules(run.started.house_rules).lights_most - lightsOf(run).length;

export type LightsView = {
  readonly search: EdgeSearch;
  readonly middle: Result<Middle, MiddleError>;
  readonly mustPurge: boolean;
  readonly left: number;
  /** Turns that bring the gas to the next pressure from the last one read; undefined before any was. */
  readonly turns: number | undefined;
  readonly lowest: number;
  readonly highest: number;
};

const burnerOf = ({ started }: RunState): FlamePlate => {
  if (!hasFlame(started.plate)) throw new Error('edges of a flame on a valve without one');
  return started.plate;
};

/** The flame’s edges as they are known, and the next pressure with the turns to it. */
export function lightsView(run: RunState, now?: number): LightsView {
  const plate = burnerOf(run);
  const spring = fittedSpring(plate);
  const lowest = Math.max(spring?.from_pa ?? 0, plate.maker_low_pa * 0.4);
  const highest = Math.min(spring?.to_pa ?? plate.maker_high_pa * 2, run.started.target.limit_pa);
  const gauge = run.gauges.outlet;
  const search = edgeSearch(lightsOf(run), {
    lowest,
    highest,
    resolution: Math.max((highest - lowest) / 40, 2 * (gauge?.resolution_pa ?? 0)),
    failCost: instrumentRules(run.started.house_rules).light_fail_cost,
    failures: run.started.house_rules.edge_failures ?? 1,
  });
  const middle = middleOf(search, { low: plate.maker_low_pa, high: plate.maker_high_pa });
  const { rate, prior } = settingView(run, 'main');
  const aim = search.isDone && middle.ok ? middle.value.pressure : search.next?.pressure;
  const per = rate ? rate.mean : prior.rate * (prior.direction === 'lowers' ? -1 : 1);
  return {
    search,
    middle,
    mustPurge: mustPurge(run),
    left: lightsLeft(run),
    turns: aim === undefined || now === undefined ? undefined : turnsFor((aim - now) / per),
    lowest,
    highest,
  };
}

/** Turns at once that a flame is followed with. */
const MOST_TURNS = 2;
const turnsFor = (turns: number): number =>
  Math.max(-MOST_TURNS, Math.min(MOST_TURNS, Math.round(turns * 16) / 16));

/** Divisions of the manometer within which the gas stands where it should, at the most and at the least. */
const NEAR = 3;
const NEAREST = 1;

/**
 * Whether the gas stands at a pressure that was asked for: near enough to tell something new, so within
 * half of the way from the nearest pressure that was tried before.
 */
export function isThere(run: RunState, now: number, aim: number): boolean {
  const division = run.gauges.outlet?.resolution_pa ?? 0;
  const tried = lightsOf(run).map(({ pressure }) => Math.abs(pressure - aim));
  const room = Math.min(NEAR * division, Math.max(NEAREST * division, Math.min(...tried) / 2));
  return Math.abs(now - aim) <= room;
}
