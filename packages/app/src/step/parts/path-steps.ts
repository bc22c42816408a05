import type { Run, RunView, Step } from '@holvek/core';

export type PathSteps = {
  /** What was passed last, the oldest first. */
  readonly behind: readonly Step[];
  readonly ahead: readonly Step[];
  /** How many more there are after those shown ahead. */
  readonly beyond: number;
};

const BEHIND = 2;
const AHEAD = 8;

/**
 * The part of a run's path that is drawn around the step in hand: what was done or left out last, and
 * what comes. A step that fell away by an answer is on neither side.
 */
export function pathAround(
  run: Pick<Run, 'steps' | 'done' | 'skipped'>,
  { step, passed }: Pick<RunView, 'step' | 'passed'>,
): PathSteps {
  const at = run.steps.findIndex(({ id }) => id === step?.id);
  if (at < 0) return { behind: [], ahead: [], beyond: 0 };
  const walked = run.steps.slice(0, at).filter(({ id }) => id in run.done || id in run.skipped);
  const coming = run.steps.slice(at + 1).filter(({ id }) => !passed(id));
  return {
    behind: walked.slice(-BEHIND),
    ahead: coming.slice(0, AHEAD),
    beyond: Math.max(0, coming.length - AHEAD),
  };
}
