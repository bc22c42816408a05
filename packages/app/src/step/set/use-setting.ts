import { promptOf, settingView, type SettingView, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { useWait } from './use-wait';
import { useReading, type Eye, type TypedValue } from '../parts/use-reading';
import { useDesk } from '@/desk/use-desk';
import { useInstrumentWord } from '@/desk/use-instrument-word';
import { useKeys } from '@/ui/use-keys';
import type { Units } from '@/units/use-units';

/** A setting as it stands, and the ways to take it on. */
export function useSetting(step: StepOf<'set'>) {
  const { run, add, isLinked, units } = useDesk();
  const { adjuster } = step;
  const view = settingView(run, adjuster);
  const prompt = promptOf(run, step);
  const reading = useReading(step);
  const { gauge, live, settling, takeLinked, takeSeen } = reading;
  const [open, setOpen] = useState<'pad' | 'deaf' | 'amount'>();
  const word = useInstrumentWord();
  const close = () => setOpen(undefined);
  const turnedAt = run.marks[adjuster]?.findLast(({ kind }) => kind === 'turned')?.atMs;
  const wait = useWait(turnedAt, run.started.house_rules.settle_wait_s);
  const last = view.dots.at(-1);
  const shown = live?.value ?? (last && view.sign * last.pressure);
  const isSettled = settling?.state === 'settled';
  const turn = (turns: number) => {
    close();
    void add({ type: 'turned', adjuster, turns });
  };
  const read = () => (isLinked ? void takeLinked() : setOpen('pad'));
  const next = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({
    r: read,
    t: () => prompt.ask === 'turn' && turn(prompt.turns),
    n: () => prompt.ask === 'done' && next(),
    d: () => setOpen('deaf'),
  });
  const unsettled = run.readings.findLast(({ stepId }) => stepId === step.id);
  const resolution = gauge?.resolution_pa;
  return {
    ...reading,
    view,
    prompt,
    open,
    setOpen,
    close,
    wait,
    shown,
    isSettled,
    turn,
    read,
    next,
    typed: (value: TypedValue, eye: Eye) => {
      close();
      void takeSeen(value, eye);
    },
    note:
      last && shown !== undefined
        ? toGoWords(view, shown, { units, resolution })
        : (gauge?.tag ?? ''),
    hint: isLinked ? linkedHint(isSettled) : typedHint(wait, word),
    wasUnsettled: unsettled?.settled === false && prompt.ask === 'read',
  };
}
export type Setting = ReturnType<typeof useSetting>;

const linkedHint = (isSettled: boolean): string =>
  isSettled ? 'It has settled: read it.' : 'Wait for it to settle.';
const typedHint = (wait: number, word: string): string =>
  wait > 0 ? `Wait ${wait} s more, or read it twice.` : `Read the ${word}.`;

/** How far it is from its set point, and on which side. */
function toGoWords(
  { sign, target, spec }: SettingView,
  shown: number,
  { units, resolution }: { readonly units: Units; readonly resolution: number | undefined },
): string {
  const toGo = sign * (target.set_point_pa - shown);
  if (Math.abs(toGo) < target.tolerance_pa) return 'in the lane';
  const isAhead = toGo > 0 === (spec.approach === 'from_below');
  const past = toGo > 0 ? 'under' : 'over';
  return `${units.withUnit(Math.abs(toGo), resolution)} ${isAhead ? 'to go' : past}`;
}
