import type { Procedure, Step } from '../../step';
import { ask, cause, sharedCauses } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';

export const ready: readonly Step[] = [
  {
    id: 'refrigerant',
    phase: 'ready',
    kind: 'caution',
    say: 'Refrigerant, {refrigerant}: licensed practice only',
    caution: {
      hazard: 'refrigerant',
      say:
        'Liquid freezes skin and eyes: gloves and glasses. Air moving. Only a licensed ' +
        'person opens the system. Maker and local code come before this coach.',
    },
  },
  permit,
  {
    id: 'repair_first',
    phase: 'ready',
    kind: 'check',
    say: 'The system is in order: charge, filters, fans, coil',
    why: 'A control set on a sick system is set wrong.',
    fails: 'The system wants repair before its control is set',
  },
  {
    id: 'sealed',
    phase: 'ready',
    kind: 'check',
    say: 'The injection valve is sealed, and stays so',
    why: 'Its adjuster is never touched.',
    caution: {
      hazard: 'refrigerant',
      say: 'Sealed at the works. Turning it can flood the compressor.',
    },
  },
  {
    id: 'fit_gauges',
    phase: 'ready',
    kind: 'act',
    say: 'Fit {inlet_gauge} to the suction cock',
    makes: [
      {
        id: 'gauges',
        say: 'Gauge on the suction cock',
        putBack: 'Cock back-seated, gauge off, cap on',
      },
    ],
  },
  {
    id: 'as_found',
    phase: 'ready',
    kind: 'read',
    role: 'inlet',
    purpose: 'as_found',
    adjuster: 'main',
    say: 'Read suction as found',
    why: 'Running as it runs.',
  },
];

export const leaveIt: Step = {
  id: 'leave_it',
  phase: 'ready',
  kind: 'check',
  say: 'The setting suits the aim: it stays',
  why: 'Leave the factory’s setting unless the aim calls for another.',
};

export const setIt: readonly Step[] = [
  {
    id: 'less_air',
    phase: 'line_up',
    kind: 'act',
    say: 'Return air damped, fan slow',
    does: { load: 0.12 },
    makes: [
      {
        id: 'load',
        say: 'Load lowered: return air damped, fan slow',
        putBack: 'Damper and fan as they were',
        restores: { load: 0.55 },
      },
    ],
  },
  {
    id: 'control_off',
    phase: 'line_up',
    kind: 'act',
    say: 'Shut the control’s cock',
    does: { control: 0 },
    makes: [
      {
        id: 'control',
        say: 'Control shut off',
        putBack: 'Control’s cocks open, caps on',
        restores: { control: 1 },
      },
    ],
  },
  {
    id: 'falls',
    phase: 'line_up',
    kind: 'read',
    role: 'inlet',
    purpose: 'line',
    say: 'Read suction without the control',
    why: 'It must fall to {below_target} or less, or the gauge shows the system and not the control.',
  },
  {
    id: 'in_control',
    phase: 'line_up',
    kind: 'check',
    needs: ['suction_below'],
    say: 'Suction falls below the set point by itself',
    why: 'If not: lower the load further, and read again.',
  },
  {
    id: 'control_on',
    phase: 'park',
    kind: 'act',
    say: 'Open the control’s cock again',
    does: { control: 1 },
    closes: ['control'],
  },
  {
    id: 'loosen',
    phase: 'park',
    kind: 'act',
    say: 'Cap off, lock nut loose',
    why: 'Reversed adjusters are common here: believe the gauge.',
    makes: [nutEnd('main', 'Control adjuster')],
  },
  {
    id: 'set',
    phase: 'set',
    kind: 'set',
    adjuster: 'main',
    role: 'inlet',
    purpose: 'setting',
    say: 'Bring suction to {target}',
    why: '{why}',
    expects: 'Suction follows slowly: the whole system has to.',
  },
  {
    id: 'cold',
    phase: 'prove',
    kind: 'check',
    say: 'No ice on the coil, discharge not cold',
    why: 'Icing or a cold discharge forbids going lower.',
    fails: 'Ices, or its discharge runs cold, at this setting',
  },
  lockStep('main', 'Control adjuster'),
  {
    id: 'as_left',
    phase: 'lock',
    kind: 'read',
    role: 'inlet',
    purpose: 'as_left',
    adjuster: 'main',
    say: 'Read suction as left',
  },
];

/** Suction-pressure control on a compressor: the aim first, then a load so low that the control must work. */
export const suctionProcedure: Procedure = {
  family: 'suction',
  version: 1,
  schools: [
    { id: 'drier', name: 'Drier air: raise', when: 'Longer running time, better drying.' },
    {
      id: 'capacity',
      name: 'More capacity: lower',
      when: 'Until icing or a cold discharge forbids it.',
    },
    {
      id: 'leave',
      name: 'Leave it alone',
      when: 'The factory’s setting suits the aim, or the system wants repair first.',
      leaves: 'sequence',
    },
  ],
  initial: { control: 1, load: 0.55, running: 1, always: 1 },
  fittings: [
    { key: 'control', name: 'Control’s cock' },
    { key: 'load', name: 'Load' },
    { key: 'running', name: 'Compressor' },
  ],
  causes: [
    cause({
      id: 'load_too_high',
      title: 'The load is too high',
      tell: 'Suction stands above the set point by itself: the control has nothing to do, and the gauge shows the system.',
      doThis: 'Lower the load: less return air, a slower fan, outside air. Then read again.',
      check: ask(
        'With the control shut off, does suction fall below the set point?',
        'falls',
        ['Yes', 'yes'],
        ['No', 'no'],
      ),
      prior: 0.45,
      noChange: 0.9,
      likelihood: { falls: { no: 0.95, yes: 0.05 } },
    }),
    cause({
      id: 'reversed_here',
      title: 'The adjuster works the other way',
      tell: 'Common here: out raises.',
      doThis: 'Believe the gauge, and say so: the plate is turned round.',
      prior: 0.3,
      noChange: 0.1,
      answers: { wrong_way: 0.8, no_change: 0.1, too_little: 0.05, too_much: 0.05 },
    }),
    cause({
      id: 'hot_gas_shut',
      title: 'No hot gas reaches the control',
      tell: 'Its line stays cold.',
      doThis: 'Open its cocks. A solenoid in the line must have current.',
      check: ask('Is its line warm to a hand held near it?', 'warm', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.2,
      noChange: 0.9,
      likelihood: { warm: { no: 0.9, yes: 0.1 } },
    }),
    ...ordinaryCauses('strainer_blocked', 'stem_seized'),
    ...sharedCauses('nut_tight', 'off_spring', 'stiffer_or_softer'),
  ],
  steps: [...ready, ...setIt, putBack, sign],
  build: (_, school) =>
    school === 'leave' ? [...ready, leaveIt, putBack, sign] : [...ready, ...setIt, putBack, sign],
};
