import type { Procedure } from '../../step';
import { ask, cause, sharedCauses } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';

const throttleEnd = {
  id: 'throttle',
  say: 'Throttle not fully open',
  putBack: 'Throttle fully open',
  restores: { throttle: 1 },
};

/** Spring-loaded relief or safety valve on a blower or tank: air, pressure or vacuum. */
export const springReliefProcedure: Procedure = {
  family: 'relief_spring',
  version: 1,
  schools: [
    { id: 'cool', name: 'Open the throttle, turn, shut it, read', when: 'Cooler and safer.' },
    {
      id: 'live',
      name: 'Adjust live',
      when: 'Only where the maker allows it: the valve blows hot air all the time.',
    },
  ],
  initial: { machine: 'on', throttle: 1 },
  fittings: [
    { key: 'machine', name: 'Machine' },
    { key: 'throttle', name: 'Throttle' },
  ],
  causes: [
    cause({
      id: 'throttle_open',
      title: 'The throttle is not shut',
      tell: 'Air leaves by the throttle, so the gauge shows what the throttle lets through.',
      doThis: 'Shut the throttle slowly, watching the gauge.',
      check: ask(
        'Is the throttle fully shut?',
        'throttle',
        ['Shut', 'shut'],
        ['Not quite', 'open'],
      ),
      prior: 0.3,
      noChange: 0.8,
      likelihood: { throttle: { open: 0.95, shut: 0.05 } },
    }),
    cause({
      id: 'leak',
      title: 'Air is lost elsewhere',
      tell: 'A joint or another valve blows before this one.',
      doThis: 'Find the leak with the machine at low pressure, off to repair it.',
      check: ask('Does anything else hiss?', 'leak', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.15,
      noChange: 0.7,
      likelihood: { leak: { yes: 0.9, no: 0.1 } },
    }),
    cause({
      id: 'disc_stuck',
      title: 'The disc sticks',
      tell: 'It opens late and with a jump, and not twice at the same pressure.',
      doThis: 'Machine off. Free the disc and its guide; clean the seat.',
      prior: 0.15,
      noChange: 0.5,
      likelihood: { trend: { swinging: 0.4, still: 0.4, else: 0.1 } },
    }),
    ...ordinaryCauses('seat_dirty', 'vent_blocked'),
    ...sharedCauses('nut_tight', 'off_spring', 'reversed', 'stiffer_or_softer'),
  ],
  steps: [
    {
      id: 'hot_air',
      phase: 'ready',
      kind: 'caution',
      say: 'Hot, fast, loud air',
      caution: {
        hazard: 'hot_air_or_steam',
        say:
          'Hearing, eyes and hands covered. Nobody before the outlet. Never past the machine’s ' +
          'greatest pressure, {corrected_max}. Maker, permit and local code come first.',
      },
    },
    {
      ...permit,
      caution: { hazard: 'noise', say: 'An open valve is loud enough to harm hearing.' },
    },
    {
      id: 'machine_figure',
      phase: 'ready',
      kind: 'ask',
      say: 'What does the maker give for this altitude and air?',
      why:
        'The plate says {machine_max} in standard air. Here that comes to about {corrected_max}: ' +
        'an estimate by the ratio of densities. The maker’s own figure outranks it.',
      asks: {
        key: 'maker_max',
        kind: 'pressure',
        label: 'Maker’s corrected figure',
        optional: true,
        hint: 'Leave it empty to go by the estimate.',
      },
    },
    {
      id: 'flow_arrow',
      phase: 'ready',
      kind: 'check',
      say: 'Valve near the machine, flow arrow {flow_arrow}',
      fails: 'Flow arrow points the wrong way for this service',
    },
    {
      id: 'fit_gauges',
      phase: 'ready',
      kind: 'act',
      say: 'Fit {inlet_gauge} between machine and valve',
      why: 'A vacuum wants a vacuum gauge.',
      makes: [
        { id: 'gauges', say: 'Test gauge on the tapping', putBack: 'Gauge off, tapping plugged' },
      ],
    },
    {
      id: 'throttle_there',
      phase: 'ready',
      kind: 'check',
      say: 'There is a way to throttle, and it is fully open',
    },
    {
      id: 'machine_off',
      phase: 'line_up',
      kind: 'act',
      say: 'Machine off and kept from starting',
      caution: {
        hazard: 'moving_parts',
        say: 'Locked off. Wait until it stands and the pipe is empty.',
      },
      does: { machine: 'off' },
      makes: [
        {
          id: 'machine',
          say: 'Machine off',
          putBack: 'Machine back in service',
          restores: { machine: 'on' },
        },
      ],
    },
    {
      id: 'spring',
      phase: 'line_up',
      kind: 'spring',
      adjuster: 'main',
      say: 'For {target} the chart asks for the spring: {right_spring}',
      why:
        'To change it: unload it fully before the cover comes off; guide and disc seated; both ' +
        'spring ends seated; cover’s guide aligned; spring free at the end of the adjuster.',
      caution: {
        hazard: 'stored_pressure',
        say: 'A loaded spring throws its cover. Machine off, spring unloaded, before anything is opened.',
      },
    },
    {
      id: 'loosen_nut',
      phase: 'line_up',
      kind: 'act',
      say: 'Lock nut loose',
      makes: [nutEnd('main', 'Spring cover')],
    },
    {
      id: 'back_off',
      phase: 'park',
      kind: 'act',
      adjuster: 'main',
      say: 'Back the cover off until the spring is free',
      why: 'It must open early, not late.',
      caution: { hazard: 'moving_parts', say: 'Keep it on its thread.' },
      does: { adjuster_main: 'free' },
    },
    {
      id: 'machine_on',
      phase: 'park',
      kind: 'act',
      say: 'Machine on, throttle open',
      closes: ['machine'],
      does: { machine: 'on', throttle: 1 },
      caution: { hazard: 'hot_air_or_steam', say: 'Out of the way of the outlet.' },
    },
    {
      id: 'throttle_shut',
      phase: 'park',
      kind: 'act',
      say: 'Throttle slowly, watching the gauge',
      why: 'If the valve has not opened by {corrected_max}: machine off, check spring and valve.',
      does: { throttle: 0 },
      makes: [throttleEnd],
      expects: 'With the throttle shut all the air goes through the valve.',
    },
    {
      id: 'tighten_up',
      phase: 'set',
      kind: 'set',
      school: 'cool',
      adjuster: 'main',
      role: 'inlet',
      purpose: 'setting',
      say: 'Tighten up to {target}',
      why: '{why}',
      around: 'Open the throttle, turn, shut it slowly, then read.',
      expects: 'Never past {corrected_max} on the gauge.',
    },
    {
      id: 'tighten_live',
      phase: 'set',
      kind: 'set',
      school: 'live',
      adjuster: 'main',
      role: 'inlet',
      purpose: 'setting',
      say: 'Tighten up to {target}, live',
      why: '{why}',
      around: 'The valve blows while you turn: gloves, face away.',
      expects: 'Never past {corrected_max} on the gauge.',
    },
    {
      id: 'prove_cycles',
      phase: 'prove',
      kind: 'capture',
      adjuster: 'main',
      role: 'inlet',
      ramp: { up: { throttle: 0 }, down: { throttle: 1 } },
      say: 'Shut the throttle slowly, then open it: {proving_cycles} cycles',
      why: 'It must open, pass all the air and shut tight again, every time at the same pressure.',
    },
    lockStep('main', 'Spring cover'),
    {
      id: 'open_close',
      phase: 'lock',
      kind: 'cycle',
      count: 1,
      say: 'Throttle open, then shut again',
      cycle: [{ throttle: 1 }, { throttle: 0 }],
    },
    {
      id: 'as_left',
      phase: 'lock',
      kind: 'read',
      role: 'inlet',
      purpose: 'as_left',
      adjuster: 'main',
      say: 'Read with all the air through the valve',
      why: 'Nut tight, after one opening and shutting: this figure goes on the sheet.',
    },
    putBack,
    sign,
  ],
};
