import {
  leftOut,
  moverOf,
  moveTo,
  seasonCost,
  withMoved,
  type Bar,
  type Planned,
  type Routes,
  type Season,
  rulesFor,
} from '@holvek/core';
import { useState } from 'react';
import { useChangeSeason } from '@/data/queries';
import { useMay } from '@/prefs/preferences';
import { planInWorker } from './client';
import { barSentence } from './season-words';
import { withRoutes, type SeasonDesk } from './use-season-desk';

export type PlanActions = {
  /** Whether whoever is here may plan; who may not sees why, and moves nothing. */
  readonly may: boolean;
  /** Share of the planning that is done; undefined while nothing is planned. */
  readonly progress: number | undefined;
  readonly said: string | undefined;
  readonly canUndo: boolean;
  readonly plan: () => void;
  readonly undo: () => void;
  readonly move: (block: number, to: { readonly person: number; readonly day: number }) => void;
  /** Takes it out of the plan. */
  readonly takeOut: (block: number) => void;
  readonly hold: (block: number, isHeld: boolean) => void;
  readonly put: (routes: Routes, said: string) => void;
};

/** Plans, moves, holds; each can be undone, and each is kept like any change of the register. */
export function usePlan(desk: SeasonDesk): PlanActions {
  const change = useChangeSeason();
  const { may } = useMay('plan_season');
  const [progress, setProgress] = useState<number>();
  const [said, setSaid] = useState<string>();
  const [before, setBefore] = useState<readonly (readonly Planned[])[]>([]);
  const { season, made, routes } = desk;
  const keep = (next: Season, words: string) => {
    setBefore((all) => [...all.slice(-30), season.plan]);
    setSaid(words);
    change.mutate(next);
  };
  const put = (next: Routes, words: string) => keep(withRoutes(desk, next), words);
  const barOfBlock = (block: number, bar: Bar) =>
    barSentence(bar, rulesFor(season.rules, made.problem.blocks[block]!.valves[0]!));
  const plan = () => {
    setProgress(0);
    // The worker's last word on how far it is may come after its plan.
    let isOver = false;
    void planInWorker(made.problem, (share) => isOver || setProgress(share))
      .then(({ routes: next }) => {
        const out = leftOut(made, next).length;
        const saved = seasonCost(made.problem, routes) - seasonCost(made.problem, next);
        put(next, saidOfPlan(out, saved));
      })
      .catch(() => setSaid('The plan could not be made; nothing was changed.'))
      .finally(() => {
        isOver = true;
        setProgress(undefined);
      });
  };
  return {
    may,
    progress,
    said,
    canUndo: before.length > 0,
    plan,
    undo: () => {
      const last = before.at(-1);
      if (!last) return;
      setBefore((all) => all.slice(0, -1));
      setSaid('Undone.');
      change.mutate({ ...season, plan: [...last] });
    },
    move: (block, to) => {
      const found = moveTo(moverOf(made.problem, routes, block), to);
      const moved = withMoved(made.problem, routes, block, to);
      if (moved && typeof found !== 'string') put(moved.routes, 'Moved.');
      else if (typeof found === 'string') setSaid(`Not there: ${barOfBlock(block, found)}.`);
    },
    takeOut: (block) =>
      put(
        routes.map((days) => days.map((route) => route.filter((each) => each !== block))),
        'Taken out of the plan.',
      ),
    hold: (block, isHeld) => {
      const own = new Set(made.problem.blocks[block]!.valves);
      const held = season.plan.map(({ locked: wasHeld, ...each }) => {
        const isNow = own.has(each.valve_id) ? isHeld : wasHeld;
        return isNow ? { ...each, locked: true } : each;
      });
      keep({ ...season, plan: held }, isHeld ? 'Held where it is.' : 'Free again.');
    },
    put,
  };
}

const saidOfPlan = (out: number, saved: number): string => {
  const all = out === 0 ? 'Everything that is due has its day.' : `${out} have no day: see below.`;
  return saved > 0 ? `Planned. ${all}` : `No better plan was found. ${all}`;
};
