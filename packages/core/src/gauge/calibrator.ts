import { spanOf, type SignalRange } from '../quantity';
import { err, ok, type Result } from '../result';
import { gradeOf, trustFindings, type GaugeFinding, type GaugeFitness } from './fitness';
import { gaugeError, type Gauge } from './gauge';

export type CalibratorError =
  | { readonly code: 'gauge.cannot_source'; readonly kind: SignalRange['kind'] }
  | { readonly code: 'gauge.tolerance_under_uncertainty'; readonly uncertainty: number };

/**
 * Expanded uncertainty of a calibration point, as a fraction of the input's span, k = 2.
 *
 *     U = √( source² + (2 · scale / √12)² )
 *
 * @param range         the input that the calibrator gives
 * @param scaleReading  finest step that is read of the output, fraction of span
 * @errors  gauge.cannot_source
 */
export function pointUncertainty(
  gauge: Gauge,
  range: SignalRange,
  scaleReading: number,
): Result<number, CalibratorError> {
  const source = sourceError(gauge, range);
  if (source === undefined) return err({ code: 'gauge.cannot_source', kind: range.kind });
  return ok(Math.hypot(source / Math.abs(spanOf(range)), (2 * scaleReading) / Math.sqrt(12)));
}

/**
 * Whether a calibrator can judge a tolerance at all.
 *
 * @errors  gauge.cannot_source · gauge.tolerance_under_uncertainty
 */
export function calibratorFits(
  gauge: Gauge,
  range: SignalRange,
  { tolerance, scaleReading }: { readonly tolerance: number; readonly scaleReading: number },
): Result<number, CalibratorError> {
  const found = pointUncertainty(gauge, range, scaleReading);
  return found.ok && found.value >= tolerance
    ? err({ code: 'gauge.tolerance_under_uncertainty', uncertainty: found.value })
    : found;
}

/** The same as a grade with findings, beside those of gauges; a date that has run out is warned of. */
export function calibratorFitness(
  gauge: Gauge,
  range: SignalRange,
  {
    tolerance,
    scaleReading,
    today,
  }: { readonly tolerance: number; readonly scaleReading: number; readonly today: string },
): GaugeFitness {
  const fits = calibratorFits(gauge, range, { tolerance, scaleReading });
  const findings: GaugeFinding[] = fits.ok ? [] : [fits.error];
  const ratio = fits.ok ? tolerance / fits.value : 0;
  if (fits.ok && ratio < 2) findings.push({ code: 'gauge.tur_low', tur: ratio });
  findings.push(...trustFindings(gauge, today));
  return { grade: gradeOf(findings), findings, testUncertaintyRatio: ratio, position: 0.5 };
}

/** Error of the signal given, SI; a gauge judges a pressure that something else gives. */
function sourceError(gauge: Gauge, { kind, low, high }: SignalRange): number | undefined {
  const [from, to] = [Math.min(low, high), Math.max(low, high)];
  const source = gauge.sources?.find(
    (each) => each.kind === kind && each.low <= from && each.high >= to,
  );
  if (source) return source.error;
  const reaches = kind === 'pressure' && gauge.range_low_pa <= from && gauge.range_high_pa >= to;
  return reaches ? gaugeError(gauge, to) : undefined;
}
