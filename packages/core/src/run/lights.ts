import { edgeSearch, middleOf, type EdgeSearch, type Middle, type MiddleError } from '../coach';
import type { Result } from '../result';
import { fittedSpring, instrumentRules, type BurnerPlate } from '../valve';
import type { EventOf } from './event';
import { settingView } from './setting-view';
import type { Run, TriedLight } from './state';

/** Key of the answer that says the purge has run. */
export const PURGED = 'purged';

/** Signal from which a flame counts as lit, and from which it counts as good, 0 … 1. */
export const flameLevels = { lit: 0.5, good: 0.65 } as const;

export const triedLight = (event: EventOf<'light_tried'>): TriedLight => ({
  eventId: event.id,
  pressure: event.reading.si,
  lit: event.lit,
  ...(event.weak ? { weak: true } : {}),
  purged: event.lit,
});

/** The last light failed and the burner has not been purged since: no spark before that. */
export const mustPurge = ({ lights }: Pick<Run, 'lights'>): boolean => lights.at(-1)?.purged === false;

export const lightsLeft = (run: Run): number =>
  instrumentRules(run.started.house_rules).lights_most - run.lights.length;

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

const burnerOf = ({ started }: Run): BurnerPlate => {
  if (started.plate.family !== 'burner_pilot') throw new Error('edges of a flame on a valve without one');
  return started.plate;
};

/** The flame’s edges as they are known, and the next pressure with the turns to it. */
export function lightsView(run: Run, now?: number): LightsView {
  const plate = burnerOf(run);
  const spring = fittedSpring(plate);
  const lowest = Math.max(spring?.from_pa ?? 0, plate.maker_low_pa * 0.4);
  const highest = Math.min(spring?.to_pa ?? plate.maker_high_pa * 2, run.started.target.limit_pa);
  const gauge = run.gauges.outlet;
  const search = edgeSearch(run.lights, {
    lowest,
    highest,
    resolution: Math.max((highest - lowest) / 40, 2 * (gauge?.resolution_pa ?? 0)),
    failCost: instrumentRules(run.started.house_rules).light_fail_cost,
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
    turns: aim === undefined || now === undefined ? undefined : sixteenths((aim - now) / per),
    lowest,
    highest,
  };
}

const sixteenths = (turns: number): number => Math.round(turns * 16) / 16;
