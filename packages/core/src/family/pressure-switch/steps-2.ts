import type { AnyPlate } from '../../valve';
import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import type { SwitchPlate } from './plate';
import { switchProcedure } from './steps';

const { steps, schools, ...rest } = switchProcedure;

/**
 * Version 2: contacts are dead where the cover comes off; a receiver is asked for its safety valve, a boiler
 * for its limit; the printed scale is a school beside the cycles.
 */
export const switchProcedure2: Procedure = {
  ...rest,
  version: 2,
  schools: [
    ...schools,
    {
      id: 'by_scale',
      name: 'By the printed scale, then verify',
      when: 'The scale is legible and was right before: fewer cycles.',
      method: 'by_pressure',
    },
  ],
  conditions: { on_receiver: (plate: AnyPlate) => (plate as SwitchPlate).serves === 'receiver' },
  steps: amend(steps, [
    { change: 'no_limit', to: { unless: 'on_receiver' } },
    { change: 'siphon', to: { unless: 'on_receiver' } },
    {
      after: 'no_limit',
      add: [
        {
          id: 'safety_valve',
          phase: 'ready',
          kind: 'check',
          when: 'on_receiver',
          say: 'The receiver’s safety valve is there, sealed, and of its rating',
          why: 'It protects the receiver, whatever this switch does.',
          fails: 'No safety valve on the receiver, or none that can be trusted',
        },
        {
          id: 'pipe_clear',
          phase: 'ready',
          kind: 'check',
          when: 'on_receiver',
          say: 'Pipe to the switch clear, water drained',
        },
      ],
    },
    {
      change: 'fit_gauges',
      to: { why: 'Through a cock that is shut, or on a tapping that is dead and at zero.' },
    },
    {
      change: 'cover_off',
      to: {
        say: 'Supply off, locked, proven dead; then cover off, locks of both screws loose',
        caution: {
          hazard: 'electric',
          say: 'Two supplies may meet here. Prove each contact dead with a tester that was tried on a live point.',
        },
        makes: [
          {
            id: 'supply',
            say: 'Supply to the contacts off and locked',
            putBack: 'Cover on, supply on',
          },
          {
            id: 'nut_main',
            say: 'Scale and differential: locks loose, cover off',
            putBack: 'Scale and differential: locks tight, cover on',
          },
        ],
      },
    },
    {
      after: 'cover_off',
      add: [
        {
          id: 'by_the_scale',
          phase: 'park',
          kind: 'act',
          school: 'by_scale',
          say: 'Both screws to their figures by the printed scales',
          why: 'A scale is a first guess. What counts is where the contact snaps.',
          does: { adjuster_main: 'scaled', adjuster_differential: 'scaled' },
        },
      ],
    },
    {
      change: 'set_band',
      to: {
        caution: {
          hazard: 'electric',
          say: 'Cover on before the supply, for each cycle; off, locked and proven dead before each turn.',
        },
        expects: 'The scale moves both points, the differential one of them.',
      },
    },
    {
      change: 'lock',
      to: { say: 'Locks tight, cover on; then the supply on', closes: ['nut_main', 'supply'] },
    },
  ]),
};
