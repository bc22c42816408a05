import { absolutePa, keptApart, WATCHED_APART_S, type LoggerFile, type Sample } from '@holvek/core';
import { readLogCsv, thinForChart, type LogError, type LogFile } from '@holvek/core/log';
import { readRamps, type RampError, type RampFinding } from '@holvek/core/ramps';
import { expose } from 'comlink';
import { readLoggerFile } from './read-logger-file';

export type LogReport =
  | {
      readonly ok: true;
      readonly file: LoggerFile;
      readonly count: number;
      readonly issues: LogFile['issues'];
      readonly longestGap: number;
      readonly usualStep: number;
      readonly chart: readonly (readonly [number, number])[];
      readonly findings: readonly RampFinding[];
    }
  | { readonly ok: false; readonly error: LogError | RampError };

export type LogHow = {
  /** In which it was logged, where the file does not say. */
  readonly unit?: string;
  /** Pa absolute, where it was logged. */
  readonly barometer: number;
  /** Finest step of the gauge, Pa. */
  readonly resolution: number;
};
const CHART_POINTS = 600;

/** A log as it is, a sample a second. */
export type WatchReport =
  | ({
      readonly ok: true;
      readonly file: LoggerFile;
      /** s from the first, Pa. */
      readonly samples: readonly (readonly [number, number])[];
    } & Pick<LogFile, 'startsAtMs' | 'issues' | 'longestGap' | 'usualStep'> &
      LogSize)
  | { readonly ok: false; readonly error: LogError };
type LogSize = {
  readonly count: number;
  readonly chart: readonly (readonly [number, number])[];
};

/** A log read and fitted away from the screen, so that a million rows do not hold it up.
 * Closing the worker cancels it. */
const logWorker = {
  async read(from: File, how: LogHow, onProgress: OnProgress): Promise<LogReport> {
    const { text, file } = await readLoggerFile(from);
    const log = readLogCsv(text, optionsOf(how, onProgress));
    if (!log.ok) return { ok: false, error: log.error };
    const { samples, issues, longestGap, usualStep } = log.value;
    const ramps = readRamps(samples, how.resolution);
    if (!ramps.ok) return { ok: false, error: ramps.error };
    const about = { issues, longestGap, usualStep };
    return { ok: true, file, ...sizeOf(samples), ...about, findings: ramps.value };
  },

  async readWatch(from: File, how: LogHow, onProgress: OnProgress): Promise<WatchReport> {
    const { text, file } = await readLoggerFile(from);
    const log = readLogCsv(text, optionsOf(how, onProgress));
    if (!log.ok) return { ok: false, error: log.error };
    const { samples, unit: _, ...about } = log.value;
    const kept = keptApart(samples, WATCHED_APART_S);
    return { ok: true, file, ...about, ...sizeOf(samples), samples: kept.map(pairOf) };
  },
};

type OnProgress = (share: number) => void;

const optionsOf = ({ barometer, unit }: LogHow, onProgress: OnProgress) => ({
  barometer: absolutePa(barometer),
  ...(unit === undefined ? {} : { unit }),
  onProgress,
});
const pairOf = ({ t, value }: Sample) => [t, value] as const;
const sizeOf = (samples: readonly Sample[]): LogSize => ({
  count: samples.length,
  chart: thinForChart(samples, CHART_POINTS).map(pairOf),
});
export type LogWorker = typeof logWorker;

expose(logWorker);
