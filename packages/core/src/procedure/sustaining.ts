import { ask, cause, sharedCauses } from './shared-causes';
import { fitGauges, lockStep, nutEnd, permit, putBack, sign } from './shared-steps';
import type { Procedure } from './step';

const selectorEnd = {
  id: 'selector',
  say: 'Selector off automatic',
  putBack: 'Selector on automatic',
  restores: { selector: 'automatic' },
};

/** Sustaining valve, alone or combined with a reducing pilot: sustaining is set first. */
export const sustainingProcedure: Procedure = {
  family: 'sustaining',
  version: 1,
  schools: [
    {
      id: 'from_full',
      name: 'Come down from fully up',
      when: 'The ordinary way: the pump is never dragged down.',
    },
  ],
  initial: { pump: 'on', demand: 0.5, selector: 'automatic', always: 1 },
  fittings: [
    { key: 'pump', name: 'Pump', kind: 'switch', at: 'before' },
    { key: 'selector', name: 'Selector', kind: 'selector', at: 'above' },
    { key: 'demand', name: 'Outlets', kind: 'throttle', at: 'after' },
  ],
  causes: [
    cause({
      id: 'demand_weak',
      title: 'Demand is weaker than supply',
      tell: 'The valve stands wide open and the pump holds the line by itself: there is nothing to sustain.',
      doThis: 'Open more outlets, half as many again as in normal work, then read again.',
      check: ask('Are clearly more outlets open than in normal work?', 'flow', ['Yes', 'strong'], ['No', 'weak']),
      prior: 0.3,
      noChange: 0.8,
      likelihood: { flow: { weak: 0.85, strong: 0.1, ok: 0.3, none: 0.5 }, vent: { quiet: 0.8, flows: 0.2 }, trend: { still: 0.8, else: 0.07 } },
    }),
    cause({
      id: 'above_dead_head',
      title: 'The setting is still above what the pump gives',
      tell: 'The valve is shut and the gauge shows the pump’s dead head. It follows once the setting is below it.',
      doThis: 'Go on lowering in the moves advised.',
      check: ask('Is the valve quiet, with almost nothing passing?', 'passing', ['Yes, quiet', 'quiet'], ['No, it passes', 'flows']),
      prior: 0.25,
      noChange: 0.9,
      likelihood: { travel: { high_end: 0.6, middle: 0.35, low_end: 0.05 }, passing: { quiet: 0.9, flows: 0.1 } },
    }),
    ...sharedCauses('selector_off', 'nut_tight', 'air', 'off_spring', 'reversed', 'pilot_fast', 'stiffer_or_softer'),
  ], // prettier-ignore
  steps: [
    {
      id: 'stored_pressure', phase: 'ready', kind: 'caution', say: 'Water under pressure, up to {inlet_rating}',
      caution: { hazard: 'stored_pressure', say: 'Fittings are loosened on a live pilot: loosen, never remove, eyes covered. The maker’s manual, the site’s isolation permit and local code come before this coach.' },
    },
    permit,
    {
      id: 'discharge_path', phase: 'ready', kind: 'check', say: 'See where the water of the overdemand will go',
      caution: { hazard: 'water_discharge', say: 'Far more water than usual will run. Keep people, cables and steep ground out of its way.' },
    },
    fitGauges('Fit {inlet_gauge} upstream and {outlet_gauge} downstream'),
    { id: 'as_found', phase: 'ready', kind: 'read', role: 'inlet', purpose: 'as_found', adjuster: 'main', say: 'Read upstream as found', why: 'Before anything is touched, at normal demand.' },
    {
      id: 'loosen_main', phase: 'line_up', kind: 'act', say: 'Sustaining adjuster: cap off, lock nut loose', makes: [nutEnd('main', 'Sustaining adjuster')],
    },
    { id: 'loosen_reducing', phase: 'line_up', kind: 'act', when: 'combined', say: 'Reducing adjuster: cap off, lock nut loose', makes: [nutEnd('reducing', 'Reducing adjuster')] },
    {
      id: 'bleed', phase: 'line_up', kind: 'cycle', count: 'bleed_cycles', say: 'Selector to close, then open, until water runs solid',
      why: 'Close fills the chamber, open vents it. Trapped air makes the valve sluggish or hunting.',
      makes: [selectorEnd], cycle: [{ selector: 'close' }, { selector: 'open' }],
    },
    {
      id: 'park_main', phase: 'park', kind: 'act', adjuster: 'main', say: 'Sustaining adjuster fully up',
      why: 'So it starts above the pump and comes down to its value: the pump is never dragged below it.', does: { adjuster_main: 'full', selector: 'close' },
      makes: [{ id: 'parked_main', say: 'Sustaining adjuster parked fully up', putBack: 'Sustaining adjuster at its setting' }],
    },
    {
      id: 'park_reducing', phase: 'park', kind: 'act', when: 'combined', adjuster: 'reducing', say: 'Reducing adjuster about one turn above free',
      why: 'Out of the way, but on its spring.', caution: { hazard: 'moving_parts', say: 'Never back it right off its thread.' }, does: { adjuster_reducing: 'near_free' },
      makes: [{ id: 'parked_reducing', say: 'Reducing adjuster parked', putBack: 'Reducing adjuster at its setting' }],
    },
    {
      id: 'pump_on', phase: 'park', kind: 'act', say: 'Pump on', caution: { hazard: 'moving_parts', say: 'The pump starts. Stand clear of couplings.' }, does: { pump: 'on' },
    },
    { id: 'outlets_normal', phase: 'park', kind: 'ask', say: 'How many outlets run in normal work?', asks: { key: 'outlets_normal', kind: 'count', label: 'Outlets in normal work' } },
    {
      id: 'overdemand', phase: 'park', kind: 'act', say: 'Open clearly more outlets: {overdemand} times as many',
      why: 'The valve is in control only while demand is greater than the supply can hold.',
      makes: [{ id: 'extra_outlets', say: 'Extra outlets open', putBack: 'Extra outlets shut', restores: { demand: 0.5 } }], does: { demand: 1 },
    },
    {
      id: 'outlets_open', phase: 'park', kind: 'ask', needs: ['overdemand'], say: 'How many outlets are open now?',
      asks: { key: 'outlets_open', kind: 'count', label: 'Outlets open now' },
    },
    { id: 'automatic', phase: 'park', kind: 'act', say: 'Selector to automatic', closes: ['selector'], does: { selector: 'automatic' } },
    { id: 'supply', phase: 'park', kind: 'read', role: 'inlet', purpose: 'supply', needs: ['pump_above_target'], say: 'Read upstream with the adjuster up', why: 'The pump must stand above {target}, or there is nothing to sustain.' },
    {
      id: 'come_down', phase: 'set', kind: 'set', adjuster: 'main', role: 'inlet', purpose: 'setting', needs: ['set_in_lane'], closes: ['parked_main'],
      say: 'Come down to {target}', why: '{why}', expects: 'Upstream falls as the valve opens; at the target the pilot stops venting.',
    },
    {
      id: 'smallest_shift', phase: 'set', kind: 'act', when: 'combined', say: 'Close down to the smallest shift the pump will ever see',
      why: 'Upstream rises. The reducing pilot is set while the sub-mains fill slowly.', does: { demand: 0.2 },
    },
    {
      id: 'come_up', phase: 'set', kind: 'set', when: 'combined', adjuster: 'reducing', role: 'outlet', purpose: 'setting', needs: ['set_in_lane'], closes: ['parked_reducing'],
      say: 'Reducing: come up to {target}', why: '{why}', expects: 'Small moves: the sub-mains are filling.',
    },
    { id: 'overdemand_again', phase: 'prove', kind: 'act', say: 'Overdemand once more', makes: [{ id: 'extra_outlets', say: 'Extra outlets open', putBack: 'Extra outlets shut', restores: { demand: 0.5 } }], does: { demand: 1 }, why: 'Upstream must hold while more is drawn than the pump can give.' },
    { id: 'working_flow', phase: 'prove', kind: 'read', role: 'inlet', purpose: 'working_flow', say: 'Read upstream at overdemand', expects: 'Within the lane, and above {cavitation}.' },
    lockStep('main', 'Sustaining adjuster'),
    { ...lockStep('reducing', 'Reducing adjuster'), when: 'combined' },
    { id: 'as_left', phase: 'lock', kind: 'read', role: 'inlet', purpose: 'as_left', adjuster: 'main', say: 'Read upstream as left', why: 'After the nut is tight, overdemand still on.' },
    { id: 'small_again', phase: 'lock', kind: 'act', when: 'combined', say: 'Close down to the smallest shift again', does: { demand: 0.2 } },
    { id: 'as_left_reducing', phase: 'lock', kind: 'read', when: 'combined', role: 'outlet', purpose: 'as_left', adjuster: 'reducing', say: 'Read downstream as left' },
    putBack,
    sign,
  ], // prettier-ignore
};
