import type { Hand } from '../hand';
import type { StepEvent } from '../shapes';
import type { GaugeRole } from '../step';
import { markNames, type CaptureMark, type Mark } from './marks';
import type { CaptureRecord } from './shape';

/** Marks of a step with one more, or with one moved. */
export const withMark = (
  marks: readonly CaptureMark[],
  event: StepEvent & { readonly type: 'marked' },
): readonly CaptureMark[] => [
  ...marks.filter(({ eventId }) => eventId !== event.replaces),
  {
    eventId: event.id,
    mark: event.mark,
    cycle: event.cycle,
    pressure: event.reading.si,
    source: 'marked',
    atMs: event.at_ms,
  },
];

/** Marks that a log gives, as further cycles after those that are there. */
export function marksOfLog(
  event: StepEvent & { readonly type: 'log_taken' },
  known: readonly CaptureMark[],
): readonly CaptureMark[] {
  const before = Math.max(0, ...known.map(({ cycle }) => cycle));
  return event.cycles.flatMap((found, i) =>
    markNames.flatMap((mark): CaptureMark[] => {
      const pressure = found[mark];
      if (pressure === undefined) return [];
      const eventId = `${event.id}#${i}${mark}`;
      const cycle = before + i + 1;
      return [{ eventId, mark, cycle, pressure, source: 'log', atMs: event.at_ms }];
    }),
  );
}

/** The files of a step with that of a log, which is told by its digest. */
export const filesWith = (
  { files = [] }: CaptureRecord,
  { name, sha256 }: StepEvent & { readonly type: 'log_taken' },
): Pick<CaptureRecord, 'files'> =>
  sha256 === undefined ? {} : { files: [...files, { name, sha256 }] };

/** Marks what is seen now. */
export function markNow(
  hand: Hand,
  step: { readonly id: string; readonly role: GaugeRole },
  mark: Mark,
  cycle: number,
): void {
  const reading = { ...hand.read(step.role), confirmed: true };
  hand.add({ type: 'marked', step_id: step.id, role: step.role, mark, cycle, reading });
}

/** Lift at which an eye sees the first dribble, and from which it calls the valve tight. */
export const DRIBBLE = 0.02;
export const TIGHT = 0.004;
