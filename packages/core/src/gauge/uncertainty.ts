import { gaugeError, type Gauge } from './gauge';

export const uncertaintySources = [
  'accuracy',
  'resolution',
  'reading',
  'repeatability',
  'height',
  'eye',
] as const;
export type UncertaintySource = (typeof uncertaintySources)[number];
/** Standard uncertainty, Pa, and what it comes from. */
export type UncertaintyPart = {
  readonly from: UncertaintySource;
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
 * @param at             where it is read, Pa, for a class of the reading
 * @source  GUM: accuracy limit as a rectangle, resolution as a rectangle, the rest as observed
 * @returns Pa at k = 2, with its parts as standard uncertainties
 */
export function readingUncertainty(gauge: Gauge, repeatability = 0, at?: number): Uncertainty {
  const parts: UncertaintyPart[] = [
    { from: 'accuracy', standard: gaugeError(gauge, at) / Math.sqrt(3) },
    { from: 'resolution', standard: gauge.resolution_pa / Math.sqrt(12) },
    { from: 'repeatability', standard: repeatability },
  ];
  return { expanded: 2 * Math.hypot(...parts.map(({ standard }) => standard)), parts };
}

/** Expanded uncertainty of a result read once on a gauge, Pa, k = 2; repeatability a quarter division. */
export const resultUncertainty = (gauge: Gauge, at?: number): number =>
  readingUncertainty(gauge, gauge.resolution_pa / 4, at).expanded;

export type SettingDoubts = {
  /** Where it was left, Pa. */
  readonly at?: number | undefined;
  /** Standard deviation of repeated cycles, Pa, and how many there were. */
  readonly cycles?: { readonly deviation: number; readonly count: number } | undefined;
  /** What stands in the line to the gauge, kg/m³; 0 where it weighs nothing. */
  readonly lineDensity?: number;
  /** How well the height of the gauge is known, m either way. */
  readonly heightKnown?: number;
  /** Caught by eye, at the first dribble, rather than read at rest or found in a log: within so many divisions. */
  readonly byEye?: number | undefined;
};

/**
 * Uncertainty of a setting as it is left, with all that it is made of.
 *
 *     U = 2 · √( (accuracy/√3)² + (division/√12)² + (division/4)² + (s/√n)² + (ρ·g·Δh/√3)² + (eye · division)² )
 *
 * the height only where the gauge hangs off its tapping, the last only where an eye caught it.
 *
 * @source  GUM: bounds as rectangles, what was observed as a standard deviation of the mean
 * @returns Pa at k = 2; its parts as standard uncertainties, those that are nothing left out
 */
export function settingUncertainty(
  gauge: Gauge,
  { at, cycles, lineDensity = 0, heightKnown = 0, byEye = 0 }: SettingDoubts = {},
): Uncertainty {
  const { resolution_pa: division, height_above_tapping_m: height } = gauge;
  const all: readonly UncertaintyPart[] = [
    { from: 'accuracy', standard: gaugeError(gauge, at) / Math.sqrt(3) },
    { from: 'resolution', standard: division / Math.sqrt(12) },
    { from: 'reading', standard: division / 4 },
    { from: 'repeatability', standard: cycles ? cycles.deviation / Math.sqrt(cycles.count) : 0 },
    {
      from: 'height',
      standard: height === 0 ? 0 : (lineDensity * 9.80665 * heightKnown) / Math.sqrt(3),
    },
    { from: 'eye', standard: byEye * division },
  ];
  const parts = all.filter(({ standard }) => standard > 0);
  return { expanded: 2 * Math.hypot(...parts.map(({ standard }) => standard)), parts };
}
