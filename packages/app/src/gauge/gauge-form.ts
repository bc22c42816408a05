import { fromSI, TEMPERATURE_UNIT, toSI, type Gauge, type GaugeCorrection } from '@holvek/core';
import { z } from 'zod';
import { heightOf } from './height';

const number = (what: string) =>
  z
    .string()
    .trim()
    .regex(/^-?\d*[.,]?\d+$/u, `${what}: a plain number`);
/** A table of a certificate: what it showed, and what is to be added. */
const tableSchema = z
  .array(z.object({ shown: number('Shown'), add: number('To be added') }))
  .max(40, 'Forty points at the most');
/** Units that stand on gauges: a water column, a mercury vacuum gauge and a thermometer too. */
export const faceUnits = [
  'kPa',
  'bar',
  'mbar',
  'psi',
  'MPa',
  'mH2O',
  'mmH2O',
  'inH2O',
  'inHg',
  TEMPERATURE_UNIT,
] as const;
export const gaugeFormSchema = z.object({
  tag: z.string().trim().min(1, 'Every gauge has a tag').max(40),
  unit: z.enum(faceUnits),
  low: number('Low end'),
  high: number('High end'),
  resolution: number('Readable step'),
  accuracy: number('Accuracy'),
  accuracyOf: z.enum(['span', 'reading']),
  height: z
    .string()
    .trim()
    .min(1, 'A height: 0 where it hangs level')
    .refine((text) => heightOf(text) !== undefined, 'A height within 100 m'),
  calibrated: z.iso.date('A day such as 2026-05-31'),
  due: z.iso.date('A day such as 2027-05-31'),
  number: z.string().trim().max(80),
  laboratory: z.string().trim().max(120),
  corrections: tableSchema,
  asFound: tableSchema,
});
export type GaugeTexts = z.infer<typeof gaugeFormSchema>;
export const emptyGauge: GaugeTexts = {
  tag: '',
  unit: 'kPa',
  low: '0',
  high: '',
  resolution: '',
  accuracy: '',
  height: '0',
  calibrated: '',
  due: '',
  number: '',
  laboratory: '',
  accuracyOf: 'span',
  corrections: [],
  asFound: [],
};
const plain = (value: number) => String(Number(value.toPrecision(8)));
const read = (text: string) => Number(text.replace(',', '.'));

const certificateOf = ({ number, laboratory }: GaugeTexts): Pick<Gauge, 'certificate'> => {
  const said = { ...(number ? { number } : {}), ...(laboratory ? { laboratory } : {}) };
  return Object.keys(said).length > 0 ? { certificate: said } : {};
};

const tableTexts = (table: readonly GaugeCorrection[] = [], unit: string) =>
  table.map(({ shown_pa: shown, add_pa: add }) => ({
    shown: plain(fromSI(shown, unit)),
    add: plain(fromSI(add, unit)),
  }));

/** A table in the order of what was shown; none where nothing was written. */
const tableOf = <K extends 'corrections' | 'as_found'>(
  name: K,
  points: GaugeTexts['corrections'],
  unit: string,
): { readonly [N in K]?: GaugeCorrection[] } => {
  const table = points
    .map(({ shown, add }) => ({ shown_pa: toSI(read(shown), unit), add_pa: toSI(read(add), unit) }))
    .sort((a, b) => a.shown_pa - b.shown_pa);
  return (table.length > 0 ? { [name]: table } : {}) as { readonly [N in K]?: GaugeCorrection[] };
};

export const toTexts = (gauge: Gauge): GaugeTexts => ({
  tag: gauge.tag,
  unit: gauge.unit as GaugeTexts['unit'],
  low: plain(fromSI(gauge.range_low_pa, gauge.unit)),
  high: plain(fromSI(gauge.range_high_pa, gauge.unit)),
  resolution: plain(fromSI(gauge.resolution_pa, gauge.unit)),
  accuracy: plain(gauge.accuracy_fraction * 100),
  accuracyOf: gauge.accuracy_of ?? 'span',
  height: plain(gauge.height_above_tapping_m),
  calibrated: gauge.calibrated_on,
  due: gauge.calibration_due_on,
  number: gauge.certificate?.number ?? '',
  laboratory: gauge.certificate?.laboratory ?? '',
  corrections: tableTexts(gauge.corrections, gauge.unit),
  asFound: tableTexts(gauge.as_found, gauge.unit),
});

/** What the form does not ask for stays as it was: signals that it gives, checks that it failed. */
export const toGauge = (texts: GaugeTexts, id: string, before?: Gauge): Gauge => ({
  ...(before?.sources ? { sources: before.sources } : {}),
  ...(before?.failures ? { failures: before.failures } : {}),
  ...certificateOf(texts),
  ...(texts.accuracyOf === 'reading' ? { accuracy_of: 'reading' } : {}),
  ...tableOf('corrections', texts.corrections, texts.unit),
  ...tableOf('as_found', texts.asFound, texts.unit),
  id,
  tag: texts.tag.trim(),
  unit: texts.unit,
  range_low_pa: toSI(read(texts.low), texts.unit),
  range_high_pa: toSI(read(texts.high), texts.unit),
  resolution_pa: toSI(read(texts.resolution), texts.unit),
  accuracy_fraction: read(texts.accuracy) / 100,
  height_above_tapping_m: heightOf(texts.height)!,
  calibrated_on: texts.calibrated,
  calibration_due_on: texts.due,
});
