import { seededRandom } from '../numerics';
import { freeScrew, solidScrew, turnScrew, type Screw, type ScrewParams } from '../plant';
import { targetOf, type Targets } from '../valve';

/** How far off a printed scale may be, as a share, one standard deviation. */
const SCALE_SD = 0.03;

/** What a screw is at when its printed scale stands at its target, Pa. */
export function printedScales(
  ids: readonly string[],
  targets: Targets,
  seed: number,
): Readonly<Record<string, number>> {
  const random = seededRandom(seed * 31 + 7);
  return Object.fromEntries(
    ids.map((id) => [
      id,
      Math.abs(targetOf(targets, id)?.set_point_pa ?? 0) * (1 + SCALE_SD * random.normal()),
    ]),
  );
}

/** Turns above free at which an adjuster is parked that must only just bear on its spring. */
const NEAR_FREE = 1;

/** A screw where a word says: `free`, `near_free` or `full`. */
export const parkScrew = (word: number | string, params: ScrewParams): Screw | undefined =>
  word === 'free'
    ? freeScrew
    : word === 'near_free'
      ? turnScrew(freeScrew, params, params.sense * NEAR_FREE)
      : word === 'full'
        ? solidScrew(params)
        : undefined;
