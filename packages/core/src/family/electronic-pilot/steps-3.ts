import type { Procedure, Step } from '../../step';
import { amend } from '../shared/amend';
import { electronicPilotProcedure2 } from './steps-2';

const { steps, ...rest } = electronicPilotProcedure2;

const byContacts = { key: 'master', value: 'contact' };
const wired = (key: string, say: string, label: string): Step => ({
  id: key,
  phase: 'ready',
  kind: 'ask',
  say,
  why: 'An output that is on with nothing on it raises a fault; one that is off with a wire on it is silent.',
  asks: {
    key,
    kind: 'choice',
    label,
    choices: [
      { value: 'no', say: 'No' },
      { value: 'yes', say: 'Yes, wired' },
    ],
  },
});

/** Version 3: who commands it, which contact wins, and which of its outputs are wired go into registers of their own. */
export const electronicPilotProcedure3: Procedure = {
  ...rest,
  version: 3,
  steps: amend(steps, [
    {
      change: 'contacts_first',
      to: {
        why: 'What must never fail wins: on most lines that is shut.',
        asks: {
          key: 'contacts_first',
          kind: 'choice',
          label: 'Contact that wins',
          choices: [
            { value: 'shut', say: 'Shut' },
            { value: 'open', say: 'Open' },
            { value: 'stay', say: 'Stay where it is' },
          ],
        },
      },
    },
    {
      after: 'contacts_first',
      add: [
        wired('analog_wired', 'Is anything wired to its analog output?', 'Analog output'),
        wired('contacts_wired', 'Is anything wired to its contact outputs?', 'Contact outputs'),
      ],
    },
    {
      after: 'application',
      add: [
        {
          id: 'commands',
          phase: 'set',
          kind: 'registers',
          registers: ['command_source', 'contacts', 'analog_output', 'contact_output'],
          say: 'Who commands it, and its outputs',
          why: 'One master. What is wired is on, what is not is off.',
        },
        {
          id: 'contact_order',
          phase: 'set',
          kind: 'registers',
          onlyIf: byContacts,
          registers: ['contact_first'],
          say: 'Which contact wins',
        },
      ],
    },
    {
      after: 'run',
      add: [
        {
          id: 'contact_tried',
          phase: 'prove',
          kind: 'check',
          onlyIf: byContacts,
          say: 'Winning contact closed together with another: it obeys the winner, and comes back when both open',
          why: 'An override that was never tried is a hope.',
          caution: { hazard: 'moving_parts', say: 'It moves by itself, at its full speed.' },
          fails: 'Its contacts do not override as they should',
        },
      ],
    },
  ]),
};
