import { ask, cause, sharedCauses } from './shared-causes';
import { lockStep, nutEnd, permit, putBack, sign } from './shared-steps';
import type { Procedure, Step } from './step';

const cross = (side: 'a' | 'b'): readonly Step[] => [
  {
    id: `shift_${side}`, phase: 'set', kind: 'act', when: 'has_cross_ports', say: `Shift the directional valve to ${side.toUpperCase()}`, does: { directional: side },
    caution: { hazard: 'moving_parts', say: 'The motor must not be able to turn: isolated, or its lines plugged.' }, expects: `The gauge falls to cross-port ${side.toUpperCase()}.`,
    makes: [{ id: 'directional', say: 'Directional valve shifted', putBack: 'Directional valve centred', restores: { directional: 'centred' } }],
  },
  {
    id: `set_cross_${side}`, phase: 'set', kind: 'set', when: 'has_cross_ports', adjuster: `cross_${side}`, role: 'inlet', purpose: 'setting', needs: ['set_in_lane'], closes: [`parked_cross_${side}`],
    say: `Cross-port ${side.toUpperCase()} up to {target}`, why: '{why}', expects: 'The lowest setting that is open to the pump rules the gauge.',
  },
]; // prettier-ignore

const readLeft = (id: string, adjuster: string, say: string, when?: string): Step => ({
  id, phase: 'lock', kind: 'read', role: 'inlet', purpose: 'as_left', adjuster, say, ...(when ? { when } : {}),
}); // prettier-ignore

/** Pump compensator, main relief and cross-port reliefs: one pump sees all of them, so they limit each other. */
export const hydraulicProcedure: Procedure = {
  family: 'hydraulic',
  version: 1,
  schools: [
    { id: 'highest_first', name: 'Highest first', when: 'Each is set while nothing lower rules the gauge.' },
  ],
  initial: { directional: 'centred', override: 'off', always: 1, actuator: 1 },
  fittings: [
    { key: 'actuator', name: 'Actuator', kind: 'isolator', at: 'after' },
    { key: 'directional', name: 'Directional valve', kind: 'selector', at: 'after' },
  ],
  causes: [
    cause({
      id: 'other_rules', title: 'A lower setting rules the gauge', tell: 'Something else is open to the pump and set below this one.', doThis: 'Park it: compensator fully up, cross-ports shut off by centring the valve.',
      check: ask('Was the compensator run fully up?', 'compensator', ['Yes', 'up'], ['No', 'low']), prior: 0.45, noChange: 0.9, likelihood: { compensator: { low: 0.9, up: 0.1 } },
    }),
    cause({
      id: 'not_deadheaded', title: 'Oil is going somewhere', tell: 'A line is open, so the pump never builds up.', doThis: 'Isolate the actuator and plug what is open.',
      check: ask('Does anything move or get warm downstream?', 'leak', ['Yes', 'yes'], ['No', 'no']), prior: 0.2, noChange: 0.75, likelihood: { leak: { yes: 0.9, no: 0.1 } },
    }),
    cause({ id: 'dirt', title: 'Dirt in the poppet', tell: 'The gauge wanders and does not come back to the same figure.', doThis: 'Back off, let it flush, and come up again. If it stays: strip and clean.', prior: 0.1, noChange: 0.4, likelihood: { trend: { swinging: 0.5, falling: 0.3, still: 0.15, creeping_up: 0.05 } } }),
    ...sharedCauses('nut_tight', 'off_spring', 'reversed', 'stiffer_or_softer'),
  ], // prettier-ignore
  steps: [
    {
      id: 'oil_pressure', phase: 'ready', kind: 'caution', say: 'Oil under pressure, up to {inlet_rating}',
      caution: { hazard: 'stored_pressure', say: 'A jet of oil goes through skin and glove. Never feel for leaks by hand. Accumulators down. Maker, permit and local code come before this coach.' },
    },
    permit,
    { id: 'fit_gauges', phase: 'ready', kind: 'act', say: 'Fit {inlet_gauge} at the pump', makes: [{ id: 'gauges', say: 'Test gauge at the pump', putBack: 'Gauge off, point capped' }] },
    {
      id: 'isolate', phase: 'ready', kind: 'act', say: 'Actuator isolated, supply deadheaded', why: 'By a hand valve, or with its lines disconnected and plugged. A motor must not be able to turn.',
      caution: { hazard: 'moving_parts', say: 'Loads held mechanically: nothing may fall or run when pressures change.' }, does: { actuator: 0 },
      makes: [{ id: 'isolation', say: 'Actuator isolated', putBack: 'Isolation open, lines connected', restores: { actuator: 1 } }],
    },
    { id: 'as_found', phase: 'ready', kind: 'read', role: 'inlet', purpose: 'as_found', adjuster: 'compensator', when: 'has_compensator', say: 'Read the pump gauge as found', why: 'Deadheaded, it shows the lowest setting: in order, the compensator.' },
    { id: 'as_found_main', phase: 'ready', kind: 'ask', say: 'What was the main relief found at?', asks: { key: 'as_found_main', kind: 'pressure', label: 'Main relief found at', optional: true, hint: 'Empty when it was not read.' } },
    { id: 'loosen_main', phase: 'line_up', kind: 'act', say: 'Main relief: lock nut loose; hold the screw still', makes: [nutEnd('main', 'Main relief')] },
    { id: 'loosen_cross', phase: 'line_up', kind: 'act', when: 'has_cross_ports', say: 'Cross-ports: lock nuts loose', makes: [nutEnd('cross_a', 'Cross-port A'), nutEnd('cross_b', 'Cross-port B')] },
    { id: 'loosen_compensator', phase: 'line_up', kind: 'act', when: 'has_compensator', say: 'Compensator: lock nut loose', makes: [nutEnd('compensator', 'Compensator')] },
    {
      id: 'park_cross', phase: 'park', kind: 'act', when: 'has_cross_ports', say: 'Cross-ports to minimum', does: { adjuster_cross_a: 'near_free', adjuster_cross_b: 'near_free' },
      makes: [{ id: 'parked_cross_a', say: 'Cross-port A parked low', putBack: 'Cross-port A at its setting' }, { id: 'parked_cross_b', say: 'Cross-port B parked low', putBack: 'Cross-port B at its setting' }],
    },
    {
      id: 'park_main', phase: 'park', kind: 'act', adjuster: 'main', say: 'Main relief down until the pump is heard dumping, about {parked_low}', why: 'Never off its spring.', caution: { hazard: 'moving_parts', say: 'Stop when it dumps. Not every screw has an end stop.' }, does: { adjuster_main: 'near_free' },
      makes: [{ id: 'parked_main', say: 'Main relief parked low', putBack: 'Main relief at its setting' }],
    },
    {
      id: 'park_compensator', phase: 'park', kind: 'act', when: 'has_compensator', adjuster: 'compensator', say: 'Compensator fully up', does: { adjuster_compensator: 'full' }, expects: 'The gauge does not change: the main relief rules it.',
      makes: [{ id: 'parked_compensator', say: 'Compensator parked fully up', putBack: 'Compensator at its setting' }],
    },
    {
      id: 'gauge_still', phase: 'park', kind: 'ask', when: 'has_compensator', needs: ['gauge_stayed'], say: 'Did the gauge change as the compensator went up?',
      asks: { key: 'gauge_moved', kind: 'choice', label: 'The gauge', choices: [{ value: 'no', say: 'It stayed' }, { value: 'yes', say: 'It rose' }] },
    },
    {
      id: 'set_main', phase: 'set', kind: 'set', adjuster: 'main', role: 'inlet', purpose: 'setting', needs: ['set_in_lane'], closes: ['parked_main'], say: 'Main relief up to {target}', why: '{why}', expects: 'The gauge follows it: everything else is parked.',
    },
    ...cross('a'),
    ...cross('b'),
    { id: 'centre', phase: 'set', kind: 'act', when: 'has_cross_ports', say: 'Centre the directional valve', does: { directional: 'centred' }, closes: ['directional'], expects: 'The pump dumps over the main relief again.' },
    {
      id: 'set_compensator', phase: 'set', kind: 'set', when: 'has_compensator', adjuster: 'compensator', role: 'inlet', purpose: 'setting', needs: ['set_in_lane'], closes: ['parked_compensator'], say: 'Compensator down to {target}', why: '{why}', expects: 'The gauge falls from the main relief to the compensator; the dumping stops.',
    },
    { ...lockStep('main', 'Main relief') },
    { ...lockStep('cross_a', 'Cross-port A'), when: 'has_cross_ports' },
    { ...lockStep('cross_b', 'Cross-port B'), when: 'has_cross_ports' },
    { ...lockStep('compensator', 'Compensator'), when: 'has_compensator' },
    readLeft('as_left_compensator', 'compensator', 'Read the pump gauge: compensator as left', 'has_compensator'),
    {
      id: 'over_main', phase: 'lock', kind: 'act', when: 'has_compensator', say: 'Override the compensator: pump against the main relief', why: 'By its test point or a turn that is counted back. The reading after the nut is the one that counts.',
      does: { override: 'on' }, makes: [{ id: 'override', say: 'Compensator overridden', putBack: 'Compensator acting again', restores: { override: 'off' } }],
    },
    readLeft('as_left', 'main', 'Read the pump gauge: main relief as left'),
    { id: 'left_a', phase: 'lock', kind: 'act', when: 'has_cross_ports', say: 'Shift to A', does: { directional: 'a' }, makes: [{ id: 'directional', say: 'Directional valve shifted', putBack: 'Directional valve centred', restores: { directional: 'centred' } }] },
    readLeft('as_left_a', 'cross_a', 'Read cross-port A as left', 'has_cross_ports'),
    { id: 'left_b', phase: 'lock', kind: 'act', when: 'has_cross_ports', say: 'Shift to B', does: { directional: 'b' } },
    readLeft('as_left_b', 'cross_b', 'Read cross-port B as left', 'has_cross_ports'),
    putBack,
    sign,
  ], // prettier-ignore
};
