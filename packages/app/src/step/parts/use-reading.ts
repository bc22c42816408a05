import {
  inSeconds,
  judgeOf,
  roleOf,
  typedSettled,
  type GaugeRole,
  type LoggerFile,
  type Reading,
  type Run,
  type Step,
  type Watched,
} from '@holvek/core';
import { useDesk } from '@/desk/use-desk';
import { useTapping } from '@/desk/use-tapping';
import { latest, useTrace } from '@/gauge-link/trace';
import { canBeRead } from '@/gauge-link/line-gauge';
import { useLineState } from '@/gauge-link/use-lines';
import { useSettling } from '@/gauge-link/use-settling';

export type TypedValue = {
  readonly si: number;
  readonly entered: Reading['entered'];
  /** As the line of the gauge said it, and not as it was typed. */
  readonly isOfLine?: boolean;
};

/** What the eye says of a typed reading of a setting: still moving, or steady with the valve in control or not. */
export type Eye = 'rules' | 'does_not' | 'moving';

/** Where a reading belongs to a record over time: s since that began, and what was said since the reading before. */
type OverTime = {
  readonly elapsed_s?: number;
  readonly between?: Watched[];
  readonly in_control?: boolean;
};

/** Taking a reading for a step: from the linked gauge as it stands, or as typed. */
export function useReading(step: Step, of?: GaugeRole) {
  const { run, trace, add, isLinked, gaugeLines } = useDesk();
  const seen = useTrace(trace);
  const role = of ?? roleOf(step) ?? judgeOf(run.started.plate);
  const gauge = run.gauges[role];
  const tapping = useTapping(gauge);
  const lineState = useLineState(gaugeLines.of(role));
  const speaks = isLinked || canBeRead(lineState);
  const live = speaks ? latest(seen, role) : undefined;
  const state = useSettling(trace, role, speaks ? gauge?.resolution_pa : undefined);

  const record = (reading: Reading, settled: boolean, over: OverTime = {}) =>
    add({
      type: 'reading',
      step_id: step.id,
      role,
      purpose: ('purpose' in step ? step.purpose : undefined) ?? 'setting',
      reading,
      settled,
      ...(seen.sight ? { in_control: !seen.sight.wideOpen } : {}),
      ...over,
    });

  const takeLinked = async (over?: OverTime): Promise<boolean> => {
    if (!gauge || !live) return false;
    const si = state?.state === 'settled' ? roundTo(state.level, gauge.resolution_pa) : live.value;
    return record(
      { si, entered: tapping.written(si), gauge_id: gauge.id, source: 'linked' },
      state?.state === 'settled',
      over,
    );
  };

  const takeTyped = async (value: TypedValue, over?: OverTime): Promise<boolean> => {
    if (!gauge) return false;
    const isSettled = value.isOfLine
      ? state?.state === 'settled'
      : isTypedSettled(run, step, { si: value.si, finest: gauge.resolution_pa });
    return record(readingOf(value, gauge.id), isSettled, over);
  };

  /** As a logger kept it, at the tapping of this gauge. */
  const takeLogged = async (si: number, file: LoggerFile, over: OverTime): Promise<boolean> => {
    if (!gauge) return false;
    const entered = tapping.written(si);
    return record({ si, entered, gauge_id: gauge.id, source: 'file', file }, false, over);
  };

  /** A typed reading of a setting, with what the eye says of it. */
  const takeSeen = async (value: TypedValue, eye: Eye): Promise<boolean> => {
    if (eye !== 'moving') return takeTyped(value, { in_control: eye === 'rules' });
    if (!gauge) return false;
    return record(readingOf(value, gauge.id), false);
  };

  return {
    role,
    gauge,
    live,
    tapping,
    settling: state,
    sight: seen.sight,
    samples: seen.samples[role],
    takeLinked,
    takeTyped,
    takeLogged,
    takeSeen,
  };
}

/** Long enough after the last turn, or two readings that agree. */
function isTypedSettled(
  { started, marks, readings }: Run,
  step: Step,
  { si, finest }: { readonly si: number; readonly finest: number },
): boolean {
  if (step.kind !== 'set') return true;
  const { settle_wait_s: wait, typed_apart_s: apart } = started.house_rules;
  const turnedAt = (marks[step.adjuster] ?? []).findLast(({ kind }) => kind === 'turned')?.atMs;
  const now = Date.now();
  if (turnedAt === undefined || now - turnedAt >= wait * 1000) return true;
  const since = readings
    .filter((taken) => taken.stepId === step.id && taken.atMs > turnedAt)
    .map((taken) => ({ t: taken.atMs / 1000, value: taken.reading.si }));
  return typedSettled([...since, { t: now / 1000, value: si }], finest, inSeconds(apart));
}

/** A figure of a gauge: what a line said, or what somebody read off it. */
export const readingOf = (
  { si, entered, isOfLine }: TypedValue,
  gauge_id: string,
  source: Reading['source'] = 'typed',
): Reading => ({ si, entered, gauge_id, source: isOfLine ? 'linked' : source });

const roundTo = (value: number, step: number) => Math.round(value / step) * step;
