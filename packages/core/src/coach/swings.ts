import type { Sample } from '../numerics';
import type { Seconds } from '../quantity';
import { heightOf } from './record';

/** Divisions that are a swing, and that it comes back by, within s. */
const SWINGS = 6;
const SWINGS_BACK = 3;
const SWINGS_SPAN: Seconds = 24;

/** How far it has swung of late, to and fro; undefined where it has not. */
export function swingOf(samples: readonly Sample[], resolution: number): number | undefined {
  const end = samples.at(-1)!.t;
  const late = samples.filter(({ t }) => t >= end - SWINGS_SPAN);
  const swing = heightOf(late);
  return swing > SWINGS * resolution && turnsBack(late, SWINGS_BACK * resolution) >= 2
    ? swing
    : undefined;
}

/** How often the reading reverses by more than a band. */
function turnsBack(samples: readonly Sample[], band: number): number {
  let turns = 0;
  let extreme = samples[0]!.value;
  let heading = 0;
  for (const { value } of samples) {
    if (heading >= 0 && value > extreme) extreme = value;
    else if (heading <= 0 && value < extreme) extreme = value;
    else if (Math.abs(value - extreme) > band) {
      if (heading !== 0) turns += 1;
      heading = value > extreme ? 1 : -1;
      extreme = value;
    }
    if (heading === 0 && Math.abs(value - samples[0]!.value) > band) {
      heading = value > samples[0]!.value ? 1 : -1;
      extreme = value;
    }
  }
  return turns;
}
