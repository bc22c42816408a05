import { absolutePa } from '@holvek/core';
import { readLogCsv, thinForChart, type LogError, type LogFile } from '@holvek/core/log';
import { readRamps, type RampError, type RampFinding } from '@holvek/core/ramps';
import { expose } from 'comlink';

export type LogReport =
  | {
      readonly ok: true;
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

/** A log read and fitted away from the screen, so that a million rows do not hold it up.
 * Closing the worker cancels it. */
const logWorker = {
  read(text: string, how: LogHow, onProgress: (share: number) => void): LogReport {
    const log = readLogCsv(text, {
      barometer: absolutePa(how.barometer),
      ...(how.unit === undefined ? {} : { unit: how.unit }),
      onProgress,
    });
    if (!log.ok) return { ok: false, error: log.error };
    const { samples, issues, longestGap, usualStep } = log.value;
    const ramps = readRamps(samples, how.resolution);
    if (!ramps.ok) return { ok: false, error: ramps.error };
    const chart = thinForChart(samples, CHART_POINTS).map(({ t, value }) => [t, value] as const);
    return {
      ok: true,
      count: samples.length,
      issues,
      longestGap,
      usualStep,
      chart,
      findings: ramps.value,
    };
  },
};
export type LogWorker = typeof logWorker;

expose(logWorker);
