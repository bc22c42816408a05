import { inTurns } from '../../quantity';
import { instrumentRules } from '../../valve';
import type { Prompt, Seen } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { isThere, lightsView } from './lights';

/** Least turn that is asked for when the gas must move and the screw's rate says none. */
const LEAST = 1 / 16;

/** Purge first where one is owed; then to the next pressure and light; then to the middle. */
export function edgesPrompt(run: RunState, { adjuster }: StepOf<'edges'>, { now }: Seen): Prompt {
  const { search, middle, mustPurge: isOwed, turns } = lightsView(run, now);
  if (isOwed) return { ask: 'purge', seconds: instrumentRules(run.started.house_rules).purge_s };
  if (search.isDone && !middle.ok) return { ask: 'stuck', why: 'outside_maker_range' };
  const aim = aimOfLight(run, now);
  if (aim === undefined) return { ask: 'stuck', why: 'never_lights' };
  if (now === undefined) return { ask: 'read' };
  if (!isThere(run, now, aim))
    return { ask: 'turn', adjuster, turns: inTurns(turns || Math.sign(aim - now) * LEAST) };
  return search.isDone ? { ask: 'done' } : { ask: 'light', pressure: aim };
}

/** The pressure that is wanted next: the search's, or the middle once both edges are known, Pa. */
export function aimOfLight(run: RunState, now?: number): number | undefined {
  const { search, middle } = lightsView(run, now);
  if (!search.isDone) return search.next?.pressure;
  return middle.ok ? middle.value.pressure : undefined;
}
