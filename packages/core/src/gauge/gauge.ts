import { z } from 'zod';
import { signalKinds } from '../quantity';
import { correctionsSchema, type GaugeCorrection } from './corrections';

const day = z.iso.date();

/** A check that a gauge did not pass: what it read between its last good calibration and then is in doubt. */
export const gaugeFailureSchema = z.object({
  on: day,
  /** The calibration before it. */
  since: day,
  why: z.string().trim().min(3).max(400),
});
export type GaugeFailure = z.infer<typeof gaugeFailureSchema>;

/** A test gauge as its certificate and face describe it. */
export const gaugeSchema = z.object({
  id: z.string().min(1).max(64),
  tag: z.string().min(1).max(40),
  range_low_pa: z.number().min(-101_325).max(1e9),
  range_high_pa: z.number().min(-101_325).max(1e9),
  /** Finest readable step: half a division on a dial, the last digit on a digital one. */
  resolution_pa: z.number().positive().max(1e8),
  /** Of the span, or of the reading, at k = 2 or as the maker's limit: 0.005 is half a per cent. */
  accuracy_fraction: z.number().positive().max(0.2),
  accuracy_of: z.enum(['span', 'reading']).optional(),
  /** What its certificate says has to be added to what it shows. */
  corrections: correctionsSchema.optional(),
  /** What would have had to be added when it came to be calibrated, before anything was adjusted. */
  as_found: correctionsSchema.optional(),
  calibrated_on: day,
  calibration_due_on: day,
  unit: z.string().max(12),
  /** Metres that the gauge hangs above its tapping. */
  height_above_tapping_m: z.number().min(-100).max(100),
  /** Of its last calibration: what stands on it, and who gave it. */
  certificate: z
    .object({ number: z.string().max(80).optional(), laboratory: z.string().max(120).optional() })
    .optional(),
  /** Checks that it failed, the oldest first: kept after it was calibrated anew. */
  failures: z.array(gaugeFailureSchema).max(40).optional(),
  /** Signals that it can give, when it is a calibrator: SI, with its error on them at k = 2. */
  sources: z
    .array(
      z.object({
        kind: z.enum(signalKinds),
        low: z.number().min(-1e9).max(1e9),
        high: z.number().min(-1e9).max(1e9),
        error: z.number().positive().max(1e8),
      }),
    )
    .max(4)
    .optional(),
});
export type Gauge = z.infer<typeof gaugeSchema>;

export const gaugeSpan = ({ range_low_pa, range_high_pa }: Gauge): number =>
  range_high_pa - range_low_pa;

/**
 * Half-width of the gauge's own error, Pa.
 *
 * @param at  where it is read, Pa: what counts where its class is of the reading; the top of its range where
 *            that is not said. Never less than half of what can be read.
 */
export function gaugeError(gauge: Gauge, at: number = gauge.range_high_pa): number {
  const { accuracy_fraction: share, accuracy_of: of = 'span', resolution_pa: step } = gauge;
  return of === 'span'
    ? share * gaugeSpan(gauge)
    : Math.max(share * Math.abs(at), Math.min(step / 2, share * gaugeSpan(gauge)));
}

/** The worst of what a gauge was found off by, where that is beyond its class; undefined where it held. */
export function foundBeyondClass(gauge: Gauge): GaugeCorrection | undefined {
  const beyond = ({ shown_pa: at, add_pa: add }: GaugeCorrection) =>
    Math.abs(add) - gaugeError(gauge, at);
  const worst = [...(gauge.as_found ?? [])].sort((a, b) => beyond(b) - beyond(a))[0];
  return worst && beyond(worst) > 0 ? worst : undefined;
}
