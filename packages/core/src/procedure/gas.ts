import { ask, cause, sharedCauses } from './shared-causes';
import { lockStep, nutEnd, permit, putBack, sign } from './shared-steps';
import type { Procedure } from './step';

/** Gas pressure regulator: only the pilot's adjuster is ever turned; a broken seal ends the run. */
export const gasProcedure: Procedure = {
  family: 'gas',
  version: 1,
  schools: [{ id: 'from_zero', name: 'Come up from zero', when: 'The ordinary way.' }],
  initial: { inlet_cock: 1, demand: 0.3, always: 1 },
  fittings: [
    { key: 'inlet_cock', name: 'Inlet cock', kind: 'isolator', at: 'before' },
    { key: 'demand', name: 'Downstream', kind: 'throttle', at: 'after' },
  ],
  causes: [
    cause({
      id: 'slow', title: 'It is only slow', tell: 'The pilot is restricted: it takes its time and then arrives.', doThis: 'Wait for it to settle; do not wind on.',
      prior: 0.4, noChange: 0.5, answers: { no_change: 0.35, too_little: 0.6, too_much: 0.02, wrong_way: 0.03 }, likelihood: { trend: { creeping_up: 0.85, still: 0.05, falling: 0.05, swinging: 0.05 } },
    }),
    cause({
      id: 'no_small_flow', title: 'Nothing is flowing', tell: 'With no flow the outlet holds what it has, and cannot come down.', doThis: 'Crack downstream for a small flow.',
      check: ask('Is a small flow running?', 'flow', ['Yes', 'ok'], ['No', 'none']), prior: 0.25, noChange: 0.85, likelihood: { flow: { none: 0.9, ok: 0.05, weak: 0.3 } },
    }),
    cause({ id: 'vent_blocked', title: 'The vent is blocked', tell: 'The case cannot breathe, so the diaphragm cannot move.', doThis: 'Clear the vent. Its outlet is outside.', check: ask('Does the vent breathe?', 'vent_clear', ['Yes', 'yes'], ['No', 'no']), prior: 0.12, noChange: 0.7, likelihood: { vent_clear: { no: 0.95, yes: 0.05 } } }),
    ...sharedCauses('nut_tight', 'off_spring', 'reversed', 'supply_low', 'stiffer_or_softer'),
  ], // prettier-ignore
  steps: [
    {
      id: 'gas', phase: 'ready', kind: 'caution', say: 'Gas: licensed practice only',
      caution: { hazard: 'gas', say: 'Only a licensed person works on this. No ignition source, air moving, vent led outside. Local gas code and the maker come before this coach.' },
    },
    permit,
    {
      id: 'seal', phase: 'ready', kind: 'check', say: 'The seal wire on the main cap is there and whole', why: 'The main cap holds pressure and is never touched. A broken or missing seal: out of service.',
      fails: 'Seal wire broken or missing on the main cap', caution: { hazard: 'gas', say: 'Do not touch the main cap, whatever the seal looks like.' },
    },
    { id: 'fit_gauges', phase: 'ready', kind: 'act', say: 'Fit {outlet_gauge}, the low-range gauge, downstream', makes: [{ id: 'gauges', say: 'Low-range gauge on the tapping', putBack: 'Gauge off, tapping tight' }] },
    { id: 'as_found', phase: 'ready', kind: 'read', role: 'outlet', purpose: 'as_found', adjuster: 'main', say: 'Read the outlet as found', why: 'At a small flow, before anything is touched.' },
    { id: 'shut_down', phase: 'line_up', kind: 'act', say: 'Downstream shut', does: { demand: 0 }, makes: [{ id: 'downstream', say: 'Downstream shut or cracked', putBack: 'Downstream as it was', restores: { demand: 0.3 } }] },
    { id: 'loosen_nut', phase: 'line_up', kind: 'act', say: 'Pilot cap off, lock nut loose', why: 'Only the pilot’s adjuster is turned.', makes: [nutEnd('main', 'Pilot adjuster')] },
    { id: 'back_off', phase: 'park', kind: 'act', adjuster: 'main', say: 'Back the pilot off until its spring is free', caution: { hazard: 'gas', say: 'Never right off its thread.' }, does: { adjuster_main: 'free' } },
    { id: 'inlet_on', phase: 'park', kind: 'act', say: 'Inlet slowly on', why: 'Opened fast, it bends parts.', caution: { hazard: 'stored_pressure', say: 'Slowly: count to ten.' }, does: { inlet_cock: 1 } },
    { id: 'crack', phase: 'park', kind: 'act', say: 'Crack downstream for a small flow', does: { demand: 0.25 }, caution: { hazard: 'gas', say: 'To a burner or a vent outside, never into the room.' } },
    { id: 'small_flow', phase: 'park', kind: 'ask', needs: ['small_flow'], say: 'Is a small flow running?', why: 'Without it the regulator holds what it has.', asks: { key: 'small_flow', kind: 'choice', label: 'Small flow', choices: [{ value: 'yes', say: 'Yes' }, { value: 'no', say: 'No' }] } },
    { id: 'come_up', phase: 'set', kind: 'set', adjuster: 'main', role: 'outlet', purpose: 'setting', needs: ['set_in_lane'], say: 'Come up to {target}', why: '{why}', expects: 'It answers slowly. Wait until it has settled.' },
    { id: 'stop_flow', phase: 'prove', kind: 'act', say: 'Shut downstream: no flow', does: { demand: 0 } },
    { id: 'no_flow', phase: 'prove', kind: 'table', role: 'outlet', purpose: 'no_flow', rows: 6, say: 'Watch the outlet for a minute with nothing flowing', why: 'A rise that goes on is creep: the seat leaks.' },
    lockStep('main', 'Pilot adjuster'),
    { id: 'crack_again', phase: 'lock', kind: 'act', say: 'Crack downstream again', does: { demand: 0.25 } },
    { id: 'as_left', phase: 'lock', kind: 'read', role: 'outlet', purpose: 'as_left', adjuster: 'main', say: 'Read the outlet as left' },
    { id: 'leak_test', phase: 'lock', kind: 'check', say: 'Leak test of every joint that was touched: tight', why: 'By the local code’s method, recorded on the sheet.', fails: 'Leak test failed', caution: { hazard: 'gas', say: 'Never with a flame.' } },
    putBack,
    sign,
  ], // prettier-ignore
};
