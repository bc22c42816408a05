import { gaugeError, type Gauge } from './gauge';

export type UncertaintyPart = {
  readonly from: 'accuracy' | 'resolution' | 'repeatability';
  readonly standard: number;
};
export type Uncertainty = {
  /** Pa, coverage factor 2 (about 95 %). */
  readonly expanded: number;
  readonly parts: readonly UncertaintyPart[];
};

/**
 * Uncertainty of a pressure read on a gauge.
 *
 *     U = 2 · √( (accuracy/√3)² + (resolution/√12)² + repeatability² )
 *
 * @param repeatability  standard deviation of repeated readings, Pa, 0 when not known
 * @source  GUM: accuracy limit as a rectangle, resolution as a rectangle, the rest as observed
 * @returns Pa at k = 2, with its parts as standard uncertainties
 */
export function readingUncertainty(gauge: Gauge, repeatability = 0): Uncertainty {
  const parts: UncertaintyPart[] = [
    { from: 'accuracy', standard: gaugeError(gauge) / Math.sqrt(3) },
    { from: 'resolution', standard: gauge.resolution_pa / Math.sqrt(12) },
    { from: 'repeatability', standard: repeatability },
  ];
  return { expanded: 2 * Math.hypot(...parts.map(({ standard }) => standard)), parts };
}

/** Expanded uncertainty of a result read once on a gauge, Pa, k = 2; repeatability a quarter division. */
export const resultUncertainty = (gauge: Gauge): number =>
  readingUncertainty(gauge, gauge.resolution_pa / 4).expanded;
