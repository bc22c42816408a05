import { aimOfLight, flameOf, lightsView, promptOf, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { readingOf, useReading, type TypedValue } from '../parts/use-reading';
import { useTurn } from '../parts/use-turn';
import { useDesk } from '@/desk/use-desk';
import { latest, useTrace } from '@/gauge-link/trace';

/** The search for a flame's edges as far as it has come, and the ways to take it on. */
export function useEdges(step: StepOf<'edges'>) {
  const { run, add, trace, isLinked } = useDesk();
  const { gauge, live, settling, tapping } = useReading(step);
  const seen = useTrace(trace);
  const turn = useTurn(step.id, step.adjuster);
  const [typedNow, setTypedNow] = useState<TypedValue>();
  const [isTyping, setTyping] = useState(false);
  const lastRead = run.readings.findLast(({ role }) => role === 'outlet')?.reading.si;
  const now = live?.value ?? typedNow?.si ?? lastRead;
  const value =
    isLinked && live ? { si: live.value, entered: tapping.written(live.value) } : typedNow;
  /** Keeps what a try to light came to. */
  const light = (lit: boolean, weak: boolean) => {
    if (!gauge || !value) return;
    const source = isLinked ? ('linked' as const) : ('typed' as const);
    const reading = readingOf(value, gauge.id, source);
    const how = weak ? { lit, weak } : { lit };
    void add({ type: 'light_tried', step_id: step.id, role: 'outlet', ...how, reading });
    setTypedNow(undefined);
  };
  return {
    view: lightsView(run, now),
    prompt: promptOf(run, step, { now }),
    aim: aimOfLight(run, now),
    turn,
    gauge,
    settling,
    isSettled: settling?.state === 'settled',
    now,
    hasTyped: typedNow !== undefined,
    isTyping,
    type: () => setTyping(true),
    stopTyping: () => setTyping(false),
    typed: (typed: TypedValue) => {
      setTyping(false);
      setTypedNow(typed);
    },
    light,
    /** Lights against the stand-in, whose signal says what came of it. */
    lightLinked: () => {
      const signal = latest(seen, 'travel')?.value ?? 0;
      const { lit, weak } = flameOf(run, signal);
      light(lit, weak);
    },
  };
}
export type Edges = ReturnType<typeof useEdges>;
