import { captureView, promptOf, type Mark, type StepOf } from '@holvek/core';
import { useEffect } from 'react';
import { useMark } from './use-mark';
import { useReading } from '../parts/use-reading';
import { useTurn } from '../parts/use-turn';
import { useDesk } from '@/desk/use-desk';

/** The proving cycles as far as they have come, and the ways to take them on. */
export function useCapture(step: StepOf<'capture'>) {
  const { run, add, isLinked, drive, units } = useDesk();
  const view = captureView(run, step);
  const prompt = promptOf(run, step);
  const marking = useMark(step);
  const { down } = step.ramp;
  const isUntouched = isLinked && view.cycles.length === 0;
  useEffect(() => {
    // It comes from its setting open: every cycle begins shut.
    if (isUntouched) drive(down);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the step is met
  }, [step.id]);
  const isOpen = prompt.ask === 'mark' && prompt.mark === 'reseated';
  const reading = useReading(step);
  const shown = reading.live?.value;
  const never = () => {
    drive(down);
    // As found that is a finding of its own; a valve that was set and never opens is out of service.
    if (step.purpose === 'as_found') {
      const upTo =
        shown === undefined ? 'its limit' : units.withUnit(shown, reading.gauge?.resolution_pa);
      void add({ type: 'step_skipped', step_id: step.id, reason: `Did not open up to ${upTo}` });
      return;
    }
    void add({ type: 'note', text: `Never opened in ${step.say.toLowerCase()}` }).then(() =>
      add({ type: 'condemned', step_id: step.id, reason: 'The valve never opened' }),
    );
  };
  return {
    ...reading,
    step,
    view,
    prompt,
    marking,
    turn: useTurn(step.id, step.adjuster),
    never,
    hasFullFlow: view.cycles.at(-1)?.fullFlow !== undefined,
    /** Cycle that is in hand, of those that are wanted. */
    cycle: Math.min(view.cycles.length + (isOpen ? 0 : 1), view.wanted),
    press: (name: Mark) => {
      marking.mark(name, view.nextCycle);
      if (name === 'reseated') drive(down);
    },
  };
}
export type Capture = ReturnType<typeof useCapture>;
