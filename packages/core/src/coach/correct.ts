import { normalCdf, normalDensity } from '../numerics';
import { gaugePa, paPerTurn, type GaugePressure } from '../quantity';
import type { Hypothesis } from './hypothesis';

/** One filter corrected by a reading; its weight scaled to 1 for a perfect forecast. */
export function correct(h: Hypothesis, reading: GaugePressure, variance: number): Hypothesis {
  const spread = h.varSetPoint + variance;
  const surprise = reading - h.setPoint;
  return {
    ...h,
    weight: h.weight * Math.max(normalDensity(reading, h.setPoint, spread), 1e-300),
    setPoint: gaugePa(h.setPoint + (h.varSetPoint / spread) * surprise),
    rate: paPerTurn(h.rate + (h.covariance / spread) * surprise),
    varSetPoint: h.varSetPoint * (1 - h.varSetPoint / spread),
    covariance: h.covariance * (1 - h.varSetPoint / spread),
    varRate: h.varRate - h.covariance ** 2 / spread,
  };
}

/**
 * One filter told only that the set point stands at or over a bound: its normal cut off there, and
 * taken as the normal of the same mean and variance.
 *
 *     λ = φ(α)/(1 − Φ(α))     mean' = mean + σλ     variance' = σ²(1 − λ(λ − α))     α = (bound − mean)/σ
 */
export function atLeast(h: Hypothesis, bound: GaugePressure): Hypothesis {
  const sd = Math.sqrt(h.varSetPoint + 1e-9);
  const alpha = Math.min(6, (bound - h.setPoint) / sd);
  const above = Math.max(1 - normalCdf(alpha), 1e-9);
  const lambda = normalDensity(alpha, 0, 1) / above;
  const delta = Math.min(0.98, Math.max(0, lambda * (lambda - alpha)));
  const gain = h.covariance / (sd * sd);
  return {
    ...h,
    weight: h.weight * above,
    setPoint: gaugePa(h.setPoint + sd * lambda),
    rate: paPerTurn(h.rate + gain * sd * lambda),
    varSetPoint: h.varSetPoint * (1 - delta),
    covariance: h.covariance * (1 - delta),
    varRate: h.varRate - gain * h.covariance * delta,
  };
}
