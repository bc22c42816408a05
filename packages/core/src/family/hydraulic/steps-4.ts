import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { hydraulicProcedure3 } from './steps-3';

const { steps, ...rest } = hydraulicProcedure3;

const whereLoaded = { key: 'runs_loaded', value: 'yes' } as const;

/**
 * Version 4: what drives the motor and the heaviest load are measured, loaded once, before anything is isolated;
 * what is set is judged by what was measured. Where it cannot be run loaded, the plate's own figure counts.
 */
export const hydraulicProcedure4: Procedure = {
  ...rest,
  version: 4,
  steps: amend(steps, [
    {
      after: 'fit_gauges',
      add: [
        {
          id: 'can_load',
          phase: 'ready',
          kind: 'ask',
          say: 'Can it be run loaded once, now?',
          why: 'What is measured outranks what a plate says of the heaviest load.',
          asks: {
            key: whereLoaded.key,
            kind: 'choice',
            label: 'Run loaded to measure its peaks',
            choices: [
              { value: 'yes', say: 'Yes, with whoever runs the machine' },
              { value: 'no', say: 'No: the plate’s own figure counts' },
            ],
          },
        },
        {
          id: 'loaded_run',
          phase: 'ready',
          kind: 'act',
          onlyIf: whereLoaded,
          say: 'Pump unlocked and on, once, with the heaviest load it will ever move',
          why: 'By whoever runs the machine.',
          caution: {
            hazard: 'moving_parts',
            say: 'Everybody clear of the load and of every line. The load moves now; stop at the first jerk.',
          },
        },
        {
          id: 'load_peak',
          phase: 'ready',
          kind: 'ask',
          onlyIf: whereLoaded,
          say: 'The highest that {inlet_gauge} showed',
          why: 'The compensator must stand above it, or the load will not move.',
          asks: {
            key: 'load_peak',
            kind: 'pressure',
            label: 'Peak at the pump with the heaviest load',
            hint: 'Left open where nobody saw it. The plate says {heaviest_load}.',
            optional: true,
            binds: [{ adjuster: 'compensator', least: 'compensator_over_load_pa' }],
          },
        },
        {
          id: 'motor_peak',
          phase: 'ready',
          kind: 'ask',
          onlyIf: whereLoaded,
          when: 'has_cross_ports',
          say: 'The highest that drove the motor, between it and the cross-ports',
          why: 'The cross-ports stand above that, and not much: they are what gives when it jams.',
          asks: {
            key: 'motor_peak',
            kind: 'pressure',
            label: 'Peak that drove the motor',
            hint: 'Left open where there is no gauge point there.',
            optional: true,
            binds: ['cross_a', 'cross_b'].map((adjuster) => ({
              adjuster,
              least: 'cross_port_over_least_pa' as const,
              most: 'cross_port_over_most_pa' as const,
            })),
          },
        },
        {
          id: 'dead_again',
          phase: 'ready',
          kind: 'check',
          onlyIf: whereLoaded,
          say: 'Pump off and locked again, loads down or held, every gauge at zero',
          fails: 'Pressure stays in a line',
          caution: {
            hazard: 'stored_pressure',
            say: 'Nothing is loosened before the gauges show zero once more.',
          },
        },
      ],
    },
  ]),
};
