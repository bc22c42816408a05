import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { cause, ask } from '../shared/causes';
import { burnerProcedure } from './steps';

const { steps, causes, ...rest } = burnerProcedure;

/**
 * Version 2: never gas without a flame or a spark. It is purged first, lit with the spark on, the flame is
 * proved, and only then is anything read, burning.
 */
export const burnerProcedure2: Procedure = {
  ...rest,
  version: 2,
  causes: [
    ...causes,
    cause({
      id: 'too_small',
      title: 'The flame is too small to reach the scanner',
      tell: 'It burns blue and steady, and the signal stays low.',
      doThis: 'Up a little, away from the low edge; then look how the scanner is sighted.',
      check: ask(
        'Does the flame reach where the scanner looks?',
        'reach',
        ['Yes', 'yes'],
        ['No', 'no'],
      ),
      prior: 0.15,
      noChange: 0.4,
      likelihood: { reach: { no: 0.9, yes: 0.1 } },
    }),
  ],
  steps: amend(steps, [
    {
      change: 'hold_trial',
      to: { say: 'Run switch ready to hold the burner in its pilot trial' },
    },
    {
      after: 'fit_gauges',
      add: [
        {
          id: 'look_at_spark',
          phase: 'ready',
          kind: 'check',
          say: 'Gas shut, spark on for a moment: blue and steady at the electrode, no soot on it',
          why: 'Dull orange or wandering: gap, lead or transformer first. No gas will mend a spark.',
          fails: 'The spark is weak, or the electrode sooted',
        },
        {
          id: 'purged',
          phase: 'ready',
          kind: 'check',
          say: 'The whole purge has run, damper open, nothing smelt',
          why: 'What has gathered must be out before anything is lit.',
          fails: 'The purge does not run through',
          caution: {
            hazard: 'gas',
            say: 'Never gas without a flame or a spark. After every light that fails: this again, whole.',
          },
        },
      ],
    },
    {
      change: 'gas_on',
      to: {
        say: 'Spark on, then pilot gas: lit within the trial',
        why: 'The spark is there before the gas is.',
        caution: {
          hazard: 'gas',
          say: 'Stand aside of the door. Not lit within its trial: gas shut at once, and the whole purge.',
        },
      },
    },
    {
      after: 'gas_on',
      add: [
        {
          id: 'flame_proved',
          phase: 'line_up',
          kind: 'check',
          say: 'Flame seen, and its signal strong and steady',
          fails: 'It did not light, or the signal is weak',
        },
      ],
    },
    {
      change: 'as_found',
      to: {
        say: 'Read the pilot gas as found, burning',
        why: 'Only a burning pilot shows its working pressure.',
      },
    },
    {
      change: 'late_spark',
      to: {
        makes: [
          {
            id: 'ignition',
            say: 'Ignition withheld for the late spark',
            putBack: 'Ignition lead and every jumper back, and shown',
          },
        ],
      },
    },
  ]),
};
