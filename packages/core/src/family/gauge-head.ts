import type { Gauge } from '../gauge';
import { headCorrection } from '../quantity';
import type { AnyPlate } from '../valve';
import { definitionOf } from './list';

/** What stands in the line to a family's gauges, kg/m³; 0 where it weighs nothing. */
export const lineDensityOf = ({ family }: Pick<AnyPlate, 'family'>): number =>
  definitionOf(family).facts.lineDensity ?? 0;

/**
 * What has to be added to all that a gauge shows, for the column between it and its tapping, Pa.
 *
 * @returns above nothing where the gauge hangs above its tapping
 */
export const headAt = (
  plate: Pick<AnyPlate, 'family'>,
  gauge: Pick<Gauge, 'height_above_tapping_m'> | undefined,
): number =>
  gauge === undefined ? 0 : headCorrection(gauge.height_above_tapping_m, lineDensityOf(plate));
