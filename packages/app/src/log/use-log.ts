import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { openLogWorker } from './client';
import type { LogHow, LogWorker } from './log.worker';
import { useBarometer } from '@/units/use-barometer';

type State<Report> =
  | { readonly at: 'waiting' }
  | { readonly at: 'reading'; readonly share: number }
  | { readonly at: 'unreadable'; readonly name: string }
  | { readonly at: 'read'; readonly file: File; readonly report: Report };

/** How a worker reads a log. */
type Read<Report> = (
  log: ReturnType<typeof openLogWorker>['log'],
  ...asked: Parameters<LogWorker['read']>
) => Promise<Report>;

/** A log on its way from a file to what it shows: read in a worker, whose end cancels it. */
export function useLog<Report>(resolution: number, read: Read<Report>) {
  const barometer = useBarometer();
  const [state, setState] = useState<State<Report>>({ at: 'waiting' });
  const workerRef = useRef<ReturnType<typeof openLogWorker> | undefined>(undefined);
  const stop = () => {
    workerRef.current?.close();
    workerRef.current = undefined;
    setState({ at: 'waiting' });
  };
  useEffect(() => () => workerRef.current?.close(), []);
  const take = async (file: File | undefined, unit?: string) => {
    if (!file) return;
    setState({ at: 'reading', share: 0 });
    const worker = openLogWorker();
    workerRef.current = worker;
    const how: LogHow = { ...(unit === undefined ? {} : { unit }), barometer, resolution };
    const told = proxy((share: number) => setState({ at: 'reading', share }));
    const report = await read(worker.log, file, how, told).catch(() => undefined);
    // It was stopped, and its answer was on the way.
    if (workerRef.current !== worker) return;
    worker.close();
    setState(report ? { at: 'read', file, report } : { at: 'unreadable', name: file.name });
  };
  return { state, stop, take };
}
export type LogReading<Report> = ReturnType<typeof useLog<Report>>;
