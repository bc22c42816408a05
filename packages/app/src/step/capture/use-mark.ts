import { type Mark, type Reading, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { readingOf, useReading, type TypedValue } from '../parts/use-reading';

type Wanted = { readonly mark: Mark; readonly cycle: number };

/** Marks what the valve does: with the linked gauge's reading at the press, else asked for on the pad. */
export function useMark(step: StepOf<'capture'> | StepOf<'search'>) {
  const { add, isLinked } = useDesk();
  const { role, gauge, live, tapping } = useReading(step);
  const [wanted, setWanted] = useState<Wanted>();
  const record = (what: Wanted, reading: Reading, replaces?: string) =>
    add({
      type: 'marked',
      step_id: step.id,
      role,
      ...what,
      reading,
      ...(replaces ? { replaces } : {}),
    });
  const typed = (value: TypedValue): Reading => ({
    ...readingOf(value, gauge?.id ?? 'none'),
    confirmed: true,
  });
  return {
    /** Takes the mark at once where a gauge is linked, else opens the pad for its pressure. */
    mark: (mark: Mark, cycle: number): void => {
      const what = { mark, cycle };
      if (!isLinked || !live || !gauge) return setWanted(what);
      void record(what, {
        si: live.value,
        entered: tapping.written(live.value),
        gauge_id: gauge.id,
        source: 'linked',
        confirmed: true,
      });
    },
    pad: wanted
      ? (value: TypedValue) => {
          setWanted(undefined);
          void record(wanted, typed(value));
        }
      : undefined,
    closePad: () => setWanted(undefined),
    move: (what: Wanted, replaces: string, value: TypedValue) =>
      void record(what, typed(value), replaces),
  };
}
