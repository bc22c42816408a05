import { digestOf } from '../digest';
import { definitionOf, judgeOf, procedureOf } from '../family';
import { seededRandom } from '../numerics';
import {
  isInstrument,
  ratingOf,
  type AnyPlate,
  type Target,
  type TwinFault,
  type TwinSketch,
} from '../valve';

/** A valve of the register, as far as a case is made of it. */
export type ToPractise = {
  readonly id: string;
  readonly plate: AnyPlate;
  readonly target: Target;
  readonly twin?: TwinSketch | undefined;
};

/** What may be wrong with a valve's twin, by which a person can find it. */
export const faultsOf = ({ plate }: Pick<ToPractise, 'plate'>): readonly TwinFault[] =>
  Object.keys(definitionOf(plate.family).hides ?? {}) as TwinFault[];

/** Ids of the causes by which a fault of a family is rightly named. */
export const causesOfFault = (family: string, fault: TwinFault): readonly string[] =>
  definitionOf(family).hides?.[fault] ?? [];

/** What a person may say was wrong with it: the causes of its family, commonest first. */
export const namedCauses = (family: string) =>
  [...procedureOf(family).causes].sort((a, b) => b.prior - a.prior);

/** Cases in which nothing is wrong: who always finds something is wrong as well. */
const SOUND = 0.25;
/** How far from its target a case is found, share of it, either way. */
const FOUND_OFF = 0.16;

type Wanted = {
  /** By which the same case is made again: a day, or anything else. */
  readonly key: string;
  /** What is wrong with it; drawn, and hidden, where nothing is said. */
  readonly fault?: TwinFault | undefined;
};

/**
 * A twin of one's own valve with something hidden in it, or nothing: the same for the same key, wherever it is made.
 *
 * @returns a sketch as the register keeps them; it is found off its target, never past its limit or rating
 */
export function caseOf(valve: ToPractise, { key, fault }: Wanted): TwinSketch {
  const seed = Number.parseInt(digestOf([valve.id, key, fault ?? null]).slice(0, 7), 16);
  const random = seededRandom(seed);
  const hidden = faultsOf(valve);
  const isSound = random.between(0, 1) < SOUND || hidden.length === 0;
  const drawn = hidden[Math.floor(random.between(0, hidden.length))];
  const faults = fault ? [fault] : isSound || drawn === undefined ? [] : [drawn];
  const { set_point_pa: set, tolerance_pa: tolerance, limit_pa: limit } = valve.target;
  const off = 1 + random.between(-FOUND_OFF, FOUND_OFF);
  const ceiling = Math.min(limit, ratingOf(valve.plate, judgeOf(valve.plate))) - tolerance;
  const found = set > 0 ? Math.min(set * off, ceiling) : Math.max(set * off, limit + tolerance);
  return {
    ...(valve.twin?.found_others ? { found_others: valve.twin.found_others } : {}),
    seed,
    faults,
    found_pa: isInstrument(valve.plate) ? (valve.twin?.found_pa ?? 25) : found,
  };
}

/** The valve that a day's case is made of: the same for everybody, another from day to day; undefined without one. */
export function valveOfDay<V extends ToPractise & { readonly retired?: unknown }>(
  valves: readonly V[],
  day: string,
): V | undefined {
  const fit = valves
    .filter((valve) => valve.retired === undefined && faultsOf(valve).length > 0)
    .sort((a, b) => a.id.localeCompare(b.id));
  const nth = Number.parseInt(digestOf(['case', day]).slice(0, 7), 16);
  return fit[nth % Math.max(1, fit.length)];
}
