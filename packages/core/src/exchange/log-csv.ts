import Papa from 'papaparse';
import type { Sample } from '../numerics';
import {
  findUnit,
  hasEitherMark,
  parsePressure,
  toGaugePressure,
  unitAndReference,
  type AbsolutePressure,
} from '../quantity';
import { err, ok, type Result } from '../result';

export type LogIssues = {
  /** Rows that were left out, and why: lines of the first few of each. */
  readonly notNumbers: number;
  readonly repeatedTimes: number;
  readonly backwards: number;
  readonly firstBadLine: number | undefined;
};
export type LogFile = {
  readonly samples: readonly Sample[];
  readonly issues: LogIssues;
  /** Longest gap between two samples, s, and the usual step. */
  readonly longestGap: number;
  readonly usualStep: number;
  readonly unit: string;
  /** When the first sample was taken, ms since 1970 by the logger's own clock; undefined where it tells no date. */
  readonly startsAtMs: number | undefined;
};
export type LogError =
  | { readonly code: 'log.empty' }
  | { readonly code: 'log.no_pressure_column' }
  | { readonly code: 'log.unknown_unit'; readonly unit: string }
  | { readonly code: 'log.unit_not_said' }
  | { readonly code: 'log.no_rows'; readonly lines: number }
  | { readonly code: 'log.cancelled' };

type Options = {
  /** Taken where neither header nor cells name a unit; without it, a log that names none is refused. */
  readonly unit?: string;
  /** Pa absolute, where it was logged: for what was logged above nothing, or below the air outside. */
  readonly barometer: AbsolutePressure;
  readonly onProgress?: (share: number) => void;
  readonly isCancelled?: () => boolean;
};

const CHUNK = 1 << 20;
const NUMBER = /^[+-]?(\d+[.,]?\d*|[.,]\d+)(e[+-]?\d+)?$/iu;

/**
 * A log of time and pressure in whatever a logger writes: commas, semicolons, tabs or bars between;
 * points or commas for decimals; seconds, clock times or dates; units in the header or in the cells,
 * mixed if they must be. Wrong rows are counted and left out, the others kept.
 *
 * @returns samples in s from the first one and Pa, rising in time
 * @errors  log.empty · log.no_pressure_column · log.unknown_unit · log.unit_not_said · log.no_rows · log.cancelled
 */
export function readLogCsv(text: string, options: Options): Result<LogFile, LogError> {
  const plain = text.replace(/^\uFEFF/u, '');
  if (plain.trim() === '') return err({ code: 'log.empty' });
  const reader = new LogReader(options);
  const settings = {
    delimiter: guessDelimiter(plain),
    skipEmptyLines: 'greedy' as const,
    chunkSize: CHUNK,
    chunk: ({ data, meta }: Papa.ParseResult<string[]>, parser: Papa.Parser) => {
      for (const row of data) reader.take(row);
      options.onProgress?.(Math.min(1, meta.cursor / plain.length));
      if (options.isCancelled?.() || reader.error) parser.abort();
    },
  };
  Papa.parse<string[]>(plain, settings as never);
  if (options.isCancelled?.()) return err({ code: 'log.cancelled' });
  return reader.finish();
}

/** The mark that most often stands between cells; a comma only where it is no decimal mark. */
function guessDelimiter(text: string): string {
  const lines = text
    .slice(0, 4000)
    .split(/\r?\n/u)
    .slice(0, 20)
    .filter((line) => line.trim());
  // Most lines, not all: loggers write words of their own above the table.
  const inMost = (mark: string) =>
    lines.filter((line) => line.includes(mark)).length > lines.length / 2;
  return [';', '\t', '|'].find(inMost) ?? ',';
}

/** Takes rows one by one, so that a million of them need no second copy. */
class LogReader {
  error: LogError | undefined;
  private line = 0;
  private timeAt = -1;
  private pressureAt = -1;
  private unit: HeaderUnit | undefined;
  private timeFactor = 1;
  private start: number | undefined;
  private isDated = false;
  private last = Number.NEGATIVE_INFINITY;
  private readonly samples: Sample[] = [];
  private notNumbers = 0;
  private repeated = 0;
  private backwards = 0;
  private firstBad: number | undefined;

  constructor(private readonly options: Options) {}

  take(row: readonly string[]): void {
    if (this.error) return;
    this.line += 1;
    if (this.pressureAt < 0) {
      if (this.readHeader(row)) return;
      // oxlint-disable-next-line typescript/no-unnecessary-condition -- set by the header it has just read
      if (this.error) return;
    }
    const cell = (row[this.pressureAt] ?? '').trim();
    if (!this.unit && NUMBER.test(cell)) {
      this.error = { code: 'log.unit_not_said' };
      return;
    }
    const t = timeOf(row[this.timeAt] ?? '', this.timeFactor);
    const value = this.pressureOf(cell);
    if (t === undefined || value === undefined) {
      this.notNumbers += 1;
      this.firstBad ??= this.line;
      return;
    }
    const start = this.startingAt(t, row);
    if (t === this.last) this.repeated += 1;
    else if (t < this.last) this.backwards += 1;
    else {
      this.samples.push({ t: t - start, value });
      this.last = t;
    }
  }

  /** The time that all others are counted from: the first that could be read. */
  private startingAt(t: number, row: readonly string[]): number {
    if (this.start === undefined) {
      this.start = t;
      this.isDated = DATE.test(row[this.timeAt] ?? '');
    }
    return this.start;
  }

  finish(): Result<LogFile, LogError> {
    if (this.error) return err(this.error);
    if (this.samples.length === 0) return err({ code: 'log.no_rows', lines: this.line });
    let longestGap = 0;
    const steps: number[] = [];
    for (let i = 1; i < this.samples.length; i++) {
      const step = this.samples[i]!.t - this.samples[i - 1]!.t;
      longestGap = Math.max(longestGap, step);
      if (i % Math.ceil(this.samples.length / 2000) === 0) steps.push(step);
    }
    steps.sort((a, b) => a - b);
    return ok({
      samples: this.samples,
      issues: {
        notNumbers: this.notNumbers,
        repeatedTimes: this.repeated,
        backwards: this.backwards,
        firstBadLine: this.firstBad,
      },
      longestGap,
      usualStep: steps[Math.floor(steps.length / 2)] ?? 0,
      unit: this.unit?.spelling ?? this.options.unit ?? '',
      startsAtMs: this.isDated ? this.start! * 1000 : undefined,
    });
  }

  /** True when the row was a header; a file without one is taken as time, pressure. */
  private readHeader(row: readonly string[]): boolean {
    const cells = row.map((cell) => cell.trim());
    const isData = cells.length >= 2 && timeOf(cells[0]!, 1) !== undefined && /\d/u.test(cells[1]!);
    if (isData) {
      [this.timeAt, this.pressureAt] = [0, 1];
      this.unit = this.agreedUnit();
      return false;
    }
    if (this.line > 20) {
      this.error = { code: 'log.no_pressure_column' };
      return false;
    }
    const pressureAt = cells.findIndex(namesPressure);
    if (pressureAt < 0 || cells.length < 2) return true;
    this.readPressureHeading(cells[pressureAt]!);
    this.pressureAt = pressureAt;
    this.timeAt = timeColumn(cells, pressureAt);
    const timeUnit = findUnit(BRACKETS.exec(cells[this.timeAt]!)?.[1] ?? '');
    this.timeFactor = timeUnit?.kind === 'time' ? timeUnit.factor : 1;
    return true;
  }

  private readPressureHeading(heading: string): void {
    const named = unitOfHeading(heading);
    const unknown = named ? undefined : BRACKETS.exec(heading)?.[1];
    if (unknown !== undefined && !this.options.unit)
      this.error = { code: 'log.unknown_unit', unit: unknown };
    this.unit = named ?? this.agreedUnit();
  }

  private agreedUnit(): HeaderUnit | undefined {
    const { unit } = this.options;
    return unit === undefined ? undefined : unitOfHeading(unit);
  }

  /** Pa gauge; undefined where it is no number, or could be read two ways. */
  private pressureOf(text: string): number | undefined {
    const { unit } = this;
    const { barometer } = this.options;
    if (unit && NUMBER.test(text) && !hasEitherMark(text)) {
      const value = Number(text.replace(',', '.')) * unit.factor;
      const gauge = toGaugePressure(value, unit.reference, barometer);
      return gauge.ok ? gauge.value : undefined;
    }
    const parsed = parsePressure(text, unit?.spelling ?? '', barometer);
    return parsed.ok ? parsed.value.si : undefined;
  }
}

const BRACKETS = /[([]\s*([^)\]]+?)\s*[)\]]/u;

/** The column that is headed like a time, else the first that is not the pressure. */
function timeColumn(cells: readonly string[], pressureAt: number): number {
  const named = cells.findIndex(
    (cell, i) => i !== pressureAt && /time|zeit|date|\bt\b|sec|min|\(s\)/iu.test(cell),
  );
  if (named >= 0) return named;
  return pressureAt === 0 ? 1 : 0;
}

type HeaderUnit = {
  /** As it was written: with what it counts from. */
  readonly spelling: string;
  readonly factor: number;
  readonly reference: 'gauge' | 'absolute' | 'vacuum';
};

const wordsOf = (heading: string): readonly string[] =>
  heading.split(/[\s_()[\],;:]+/u).filter((word) => word !== '');

const namesPressure = (heading: string): boolean =>
  /press|druck/iu.test(heading) ||
  wordsOf(heading).some((word) => /^p\d*$/iu.test(word)) ||
  unitOfHeading(heading) !== undefined;

/** "pressure psig", "P_bar_g", "p (kPa)", "outlet [psi] abs": the longest ending that is a unit. */
function unitOfHeading(heading: string): HeaderUnit | undefined {
  const words = wordsOf(heading);
  for (let from = 0; from < words.length; from++) {
    const spelling = words.slice(from).join(' ');
    const found = unitAndReference(spelling);
    if (found) return { spelling, factor: found.unit.factor, reference: found.reference };
  }
  return undefined;
}

const DATE = /\d{4}-\d{2}-\d{2}/u;

/** Seconds: a number, h:mm:ss, or a date with time. */
function timeOf(cell: string, factor: number): number | undefined {
  const text = cell.trim();
  if (NUMBER.test(text)) return Number(text.replace(',', '.')) * factor;
  const clock = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/u.exec(text);
  if (clock)
    return clock[3] === undefined
      ? Number(clock[1]) * 60 + Number(clock[2])
      : Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3].replace(',', '.'));
  if (!DATE.test(text)) return undefined;
  const ms = Date.parse(text.replace(' ', 'T'));
  return Number.isFinite(ms) ? ms / 1000 : undefined;
}

/** At most `most` samples for a chart: the smallest and largest of each stretch are kept. */
export function thinForChart(samples: readonly Sample[], most: number): readonly Sample[] {
  if (samples.length <= most) return samples;
  const stretch = Math.ceil((2 * samples.length) / most);
  const kept: Sample[] = [];
  for (let from = 0; from < samples.length; from += stretch) {
    let low = samples[from]!;
    let high = low;
    for (let i = from; i < Math.min(samples.length, from + stretch); i++) {
      const sample = samples[i]!;
      if (sample.value < low.value) low = sample;
      if (sample.value > high.value) high = sample;
    }
    kept.push(...(low === high ? [low] : low.t < high.t ? [low, high] : [high, low]));
  }
  return kept;
}
