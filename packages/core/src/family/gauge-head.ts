import { correctionAt, shownAt, type Gauge } from '../gauge';
import { headCorrection, metres } from '../quantity';
import type { AnyPlate } from '../valve';
import { fluids } from './line-fluid';
import { definitionOf } from './list';

/** What stands in the line to a valve's gauges, by its plate, else by its family, kg/m³; 0 where it weighs nothing. */
export function lineDensityOf(plate: AnyPlate): number {
  const { carries, facts } = definitionOf(plate.family);
  const fluid = carries?.(plate);
  return fluid ? fluids[fluid].density : (facts.lineDensity ?? 0);
}

/**
 * What has to be added to all that a gauge shows, for the column between it and its tapping, Pa.
 *
 * @returns above nothing where the gauge hangs above its tapping
 */
export const headAt = (
  plate: AnyPlate,
  gauge: Pick<Gauge, 'height_above_tapping_m'> | undefined,
): number =>
  gauge === undefined
    ? 0
    : headCorrection(metres(gauge.height_above_tapping_m), lineDensityOf(plate));

/**
 * The pressure at the tapping when a gauge shows so much: by its certificate, and by how high it hangs.
 *
 * @returns Pa gauge
 */
export const atTapping = (plate: AnyPlate, gauge: Gauge | undefined, shown: number): number =>
  shown + (gauge ? correctionAt(gauge, shown) : 0) + headAt(plate, gauge);

/** What a gauge shows when the pressure at its tapping is so much, Pa. */
export function shownBy(plate: AnyPlate, gauge: Gauge | undefined, actual: number): number {
  const there = actual - headAt(plate, gauge);
  return gauge ? shownAt(gauge, there) : there;
}
