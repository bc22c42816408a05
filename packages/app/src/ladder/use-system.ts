import {
  dragRung,
  foundBeside,
  settingPlan,
  solveLadder,
  type FoundBeside,
  type HouseRules,
  type Ladder,
  type LadderError,
  type SettingPlan,
  type System,
} from '@holvek/core';
import { useMemo, useState } from 'react';

export type SystemView = {
  /** What is drawn: solved, or with one rung held by hand; undefined in a clash. */
  readonly ladder: Ladder | undefined;
  readonly error: LadderError | undefined;
  readonly beside: readonly FoundBeside[];
  readonly plan: SettingPlan | undefined;
  readonly drag: DragState | undefined;
  readonly hold: (rung: string, pa: number) => void;
  readonly release: () => void;
};
export type DragState = {
  readonly rung: string;
  readonly pa: number;
  readonly gaveWay: readonly { readonly rung: string; readonly by: number }[];
  /** Set when the rules forbid it: the rung is drawn where it last could stand. */
  readonly clash: Extract<LadderError, { code: 'ladder.clash' }> | undefined;
};

/** A system solved, compared with what was found, ordered; and what gives way to a hand on a rung. */
export function useSystem(system: System, rules: HouseRules): SystemView {
  const [held, setHeld] = useState<{ readonly rung: string; readonly pa: number }>();
  const [standing, setStanding] = useState<Ladder>();
  const solved = useMemo(() => solveLadder(system), [system]);
  const dragged = useMemo(
    () => (held && solved.ok ? dragRung(system, held.rung, held.pa) : undefined),
    [held, solved, system],
  );
  const ladder = dragged?.ok
    ? dragged.value.ladder
    : held && standing
      ? standing
      : solved.ok
        ? solved.value
        : undefined;
  const plan = useMemo(
    () =>
      solved.ok
        ? settingPlan(system, solved.value, { parkedLowPa: rules.parked_low_pa })
        : undefined,
    [rules.parked_low_pa, solved, system],
  );
  return {
    ladder,
    error: solved.ok ? undefined : solved.error,
    beside: ladder ? foundBeside(system, ladder) : [],
    plan,
    drag: held && {
      ...held,
      gaveWay: dragged?.ok ? dragged.value.gaveWay : [],
      clash:
        dragged && !dragged.ok && dragged.error.code === 'ladder.clash' ? dragged.error : undefined,
    },
    hold: (rung, pa) => {
      setHeld({ rung, pa });
      const tried = dragRung(system, rung, pa);
      if (tried.ok) setStanding(tried.value.ladder);
      else setStanding((now) => now ?? (solved.ok ? solved.value : undefined));
    },
    release: () => {
      setHeld(undefined);
      setStanding(undefined);
    },
  };
}
