import { measureOfUnit, type Measure } from '../quantity';
import type { HouseRules } from '../valve';
import type { CalibratorError } from './calibrator';
import { openFailure } from './failures';
import { gaugeError, gaugeSpan, type Gauge } from './gauge';

export type GaugeFinding =
  | { readonly code: 'gauge.out_of_date'; readonly due: string }
  | { readonly code: 'gauge.failed_check'; readonly on: string; readonly why: string }
  | { readonly code: 'gauge.range_too_low'; readonly position: number }
  | { readonly code: 'gauge.range_too_high'; readonly position: number }
  | { readonly code: 'gauge.other_measure' }
  | { readonly code: 'gauge.beyond_range' }
  | { readonly code: 'gauge.tur_low'; readonly tur: number }
  | { readonly code: 'gauge.tur_too_low'; readonly tur: number }
  | { readonly code: 'gauge.resolution_coarse' }
  | CalibratorError;

export type GaugeFitness = {
  /** unfit: cannot judge this setting. usable: warned and recorded. */
  readonly grade: 'fits' | 'usable' | 'unfit';
  readonly findings: readonly GaugeFinding[];
  readonly testUncertaintyRatio: number;
  /** Where the set point lies in the range, 0 … 1. */
  readonly position: number;
};

const SPOILS = new Set<GaugeFinding['code']>([
  'gauge.other_measure',
  'gauge.beyond_range',
  'gauge.tur_too_low',
  'gauge.failed_check',
  'gauge.cannot_source',
  'gauge.tolerance_under_uncertainty',
]);

/**
 * Whether a gauge may judge a setting: range, ratio of tolerance to gauge error, date, resolution.
 *
 * @param setting  set point and tolerance, Pa gauge; strict where it protects people: a gauge out of date is unfit then
 * @param today    ISO date
 */
export function gaugeFitness(
  gauge: Gauge,
  setting: {
    readonly set_point_pa: number;
    readonly tolerance_pa: number;
    readonly isStrict?: boolean;
    /** What is set by it; pressure where it is not said. */
    readonly measures?: Measure;
  },
  today: string,
  rules: HouseRules,
): GaugeFitness {
  const findings: GaugeFinding[] = [];
  const position = (setting.set_point_pa - gauge.range_low_pa) / gaugeSpan(gauge);
  const tur = setting.tolerance_pa / gaugeError(gauge, setting.set_point_pa);
  if (measureOfUnit(gauge.unit) !== (setting.measures ?? 'pressure'))
    findings.push({ code: 'gauge.other_measure' });
  if (!(position >= 0 && position <= 1)) findings.push({ code: 'gauge.beyond_range' });
  else if (position < rules.gauge_low_fraction)
    findings.push({ code: 'gauge.range_too_high', position });
  else if (position > rules.gauge_high_fraction)
    findings.push({ code: 'gauge.range_too_low', position });
  if (tur < rules.tur_least) findings.push({ code: 'gauge.tur_too_low', tur });
  else if (tur < rules.tur_wanted) findings.push({ code: 'gauge.tur_low', tur });
  if (gauge.resolution_pa > setting.tolerance_pa / 2)
    findings.push({ code: 'gauge.resolution_coarse' });
  findings.push(...trustFindings(gauge, today));
  const isStale = findings.some(({ code }) => code === 'gauge.out_of_date');
  const grade = setting.isStrict && isStale ? 'unfit' : gradeOf(findings);
  return { grade, findings, testUncertaintyRatio: tur, position };
}

/** Whether its readings may be trusted at all on a day, whatever it is to judge. */
export function trustFindings(gauge: Gauge, today: string): readonly GaugeFinding[] {
  const failure = openFailure(gauge);
  return [
    ...(gauge.calibration_due_on < today
      ? [{ code: 'gauge.out_of_date', due: gauge.calibration_due_on } as const]
      : []),
    ...(failure ? [{ code: 'gauge.failed_check', on: failure.on, why: failure.why } as const] : []),
  ];
}

/** What a gauge, or a calibrator, with these findings is good for. */
export function gradeOf(findings: readonly GaugeFinding[]): GaugeFitness['grade'] {
  if (findings.length === 0) return 'fits';
  return findings.some(({ code }) => SPOILS.has(code)) ? 'unfit' : 'usable';
}
