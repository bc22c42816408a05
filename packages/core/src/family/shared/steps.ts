import type { OpenEndSpec, Step } from '../../step';

/** Steps that every family has in the same words. */
export const permit: Step = {
  id: 'permit',
  phase: 'ready',
  kind: 'check',
  say: 'Permit in hand, and somebody knows you are here',
  why: 'Pressures on the line will move: people and machines on it must expect it.',
};

export const fitGauges = (say: string): Step => ({
  id: 'fit_gauges',
  phase: 'ready',
  kind: 'act',
  say,
  why: 'Through a cock that is shut, or on a tapping that is dead and at zero. Trust the test gauge, not the tag.',
  makes: [
    { id: 'gauges', say: 'Test gauges on the tappings', putBack: 'Gauges off, tappings plugged' },
  ],
});

/** One nut or cap for each adjuster: loose is an open end, tight again closes it. */
export const nutEnd = (adjuster: string, name: string): OpenEndSpec => ({
  id: `nut_${adjuster}`,
  say: `${name}: nut loose, cap off`,
  putBack: `${name}: nut tight, cap on`,
});

export const lockStep = (adjuster: string, name: string, id = `lock_${adjuster}`): Step => ({
  id,
  phase: 'lock',
  kind: 'lock',
  adjuster,
  say: `${name}: lock nut tight, cap on`,
  why: 'The nut drags the screw with it: the reading after it is the one that counts.',
  closes: [`nut_${adjuster}`],
});

export const putBack: Step = {
  id: 'put_back',
  phase: 'restore',
  kind: 'restore',
  say: 'Put everything back',
  why: 'Say each one as you do it.',
};

export const sign: Step = {
  id: 'sign',
  phase: 'sign',
  kind: 'sign',
  needs: ['no_open_ends'],
  say: 'Sign the sheet',
};
