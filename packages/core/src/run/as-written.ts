import { atTapping, measureOf, shownBy } from '../family';
import type { Gauge } from '../gauge';
import {
  measureOfUnit,
  parsePressure,
  parseQuantity,
  parseReading,
  STANDARD_ATMOSPHERE,
  type Entered,
  type ParsedQuantity,
  type SignalKind,
} from '../quantity';
import type { EntryDraft, Reading } from '../step';
import { isInstrument } from '../valve';
import type { Run } from './run';

/** Why the figure of an entry is not evidence: another gauge than the run has, or not what was written. */
export type WrittenError =
  | { readonly code: 'run.other_gauge'; readonly gauge: string }
  | { readonly code: 'run.not_as_written'; readonly text: string; readonly unit: string };

/** Barometers between the deepest shore and the highest work, Pa absolute. */
const LEAST_BAROMETER = 20_000;
const MOST_BAROMETER = 110_000;
/** What is left of a figure that went through the same arithmetic twice. */
const HAIR = 1e-6;

/**
 * Holds the figure of an entry to the words beside it: what the gauge showed, by its certificate and by how
 * high it hangs, is the figure that counts.
 *
 * A typed figure is its text to a hair; one by a line, or from a log, may lie within what its gauge can tell, since the text
 * is its last line and the figure what it came to rest at.
 */
export function writtenError(run: Run, draft: EntryDraft): WrittenError | undefined {
  if (draft.type === 'cal_point') return pointError(run, draft);
  if (!('reading' in draft)) return undefined;
  const { reading, role } = draft;
  const gauge = run.gauges[role];
  if (gauge && gauge.id !== reading.gauge_id)
    return { code: 'run.other_gauge', gauge: reading.gauge_id };
  return isAsWritten(run, gauge, reading) ? undefined : notAsWritten(reading.entered);
}

const notAsWritten = ({ text, unit }: Entered): WrittenError => ({
  code: 'run.not_as_written',
  text,
  unit,
});

function isAsWritten(run: Run, gauge: Gauge | undefined, { si, entered, source }: Reading) {
  const { plate } = run.started;
  if (measureOfUnit(entered.unit) !== measureOf(plate)) return false;
  const parsed = parseReading(entered.text, entered.unit, STANDARD_ATMOSPHERE);
  if (!parsed.ok) return false;
  const { si: written, reference, lastDigit } = parsed.value;
  const finest = (gauge?.resolution_pa ?? 0) + lastDigit;
  if (reference === 'absolute') {
    const barometer = written + STANDARD_ATMOSPHERE - shownBy(plate, gauge, si);
    return barometer >= LEAST_BAROMETER && barometer <= MOST_BAROMETER;
  }
  return isWithin(si, atTapping(plate, gauge, written), source === 'typed' ? 0 : finest);
}

/** Within so much, and a hair of the figure, of `least` at least. */
const isWithin = (si: number, written: number, apart: number, least = 1): boolean =>
  Math.abs(si - written) <= apart + HAIR * Math.max(least, Math.abs(written));

type Point = Extract<EntryDraft, { readonly type: 'cal_point' }>;

/**
 * What an instrument gives stands in the kind of its output, and in that of its input where it is asked at which
 * signal an end is reached: no gauge of the run is between.
 */
function pointError(run: Run, { output, entered, source }: Point): WrittenError | undefined {
  const { plate } = run.started;
  if (!isInstrument(plate)) return undefined;
  const isSo = [plate.output.kind, plate.input.kind].some((kind) => {
    const parsed = writtenSignal(kind, entered);
    const apart = source === 'linked' ? (parsed?.lastDigit ?? 0) : 0;
    return parsed !== undefined && isWithin(output, parsed.si, apart, 0);
  });
  return isSo ? undefined : notAsWritten(entered);
}

function writtenSignal(kind: SignalKind, { text, unit }: Entered): ParsedQuantity | undefined {
  const parsed =
    kind === 'pressure'
      ? parsePressure(text, unit, STANDARD_ATMOSPHERE)
      : parseQuantity(text, kind, unit);
  return parsed.ok ? parsed.value : undefined;
}
