import type { Procedure } from '../../step';
import { ask, cause } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';
import { permit, putBack, sign } from '../shared/steps';

/** Pointer on a link: right angles at mid-scale, then zero, span and angularity until all three hold. */
export const indicatorProcedure: Procedure = {
  family: 'indicator',
  version: 1,
  schools: [{ id: 'three_points', name: 'Zero, span, angularity', when: 'The ordinary way.' }],
  initial: { signal: 0.5, isolating_cock: 1 },
  fittings: [{ key: 'isolating_cock', name: 'Process cock' }],
  causes: [
    cause({
      id: 'link_binds',
      title: 'A link rubs or binds',
      tell: 'The pointer sticks, then jumps; up and down do not agree.',
      doThis: 'Free it: look for a bent link, a dry pivot, a pointer that touches the glass.',
      check: ask('Does a light tap move the pointer?', 'tap', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.35,
      noChange: 0.4,
      likelihood: { tap: { yes: 0.85, no: 0.15 } },
    }),
    cause({
      id: 'not_square',
      title: 'The levers are not square at mid-scale',
      tell: 'Mid-scale runs away as soon as the ends are right.',
      doThis: 'Begin again with right angles at mid-scale.',
      check: ask(
        'At mid-scale, do link and levers stand square?',
        'square',
        ['Yes', 'yes'],
        ['No', 'no'],
      ),
      prior: 0.3,
      noChange: 0.2,
      likelihood: { square: { no: 0.93, yes: 0.07 } },
    }),
    cause({
      id: 'element_strained',
      title: 'The element has been strained',
      tell: 'Zero does not come back after full scale.',
      doThis: 'It needs a new element; no screw mends it.',
      check: ask(
        'After full scale, does zero come back?',
        'zero_back',
        ['Yes', 'yes'],
        ['No', 'no'],
      ),
      prior: 0.15,
      noChange: 0.3,
      likelihood: { zero_back: { no: 0.93, yes: 0.07 } },
    }),
    cause({
      id: 'screw_loose',
      title: 'A lock screw is loose',
      tell: 'The same pressure shows another figure each time.',
      doThis: 'Tighten every lock screw, then begin with zero.',
      check: ask('Is every lock screw tight?', 'screws', ['Yes', 'tight'], ['No', 'loose']),
      prior: 0.2,
      noChange: 0.5,
      likelihood: { screws: { loose: 0.93, tight: 0.07 } },
    }),
    ...ordinaryCauses('sensing_shut'),
  ],
  steps: [
    {
      id: 'bleed_first',
      phase: 'ready',
      kind: 'caution',
      say: 'Isolate, then bleed, then open',
      caution: {
        hazard: 'stored_pressure',
        say:
          'The line to the pointer holds process pressure, and what else is in it. Isolate ' +
          'it and bleed it to a safe place. Maker and permit come before this coach.',
      },
    },
    permit,
    {
      id: 'isolate',
      phase: 'ready',
      kind: 'act',
      say: 'Process cock shut, bled',
      does: { isolating_cock: 0 },
      makes: [
        {
          id: 'process_cock',
          say: 'Process cock shut',
          putBack: 'Process cock open, joint tight',
          restores: { isolating_cock: 1 },
        },
      ],
    },
    {
      id: 'calibrator_on',
      phase: 'ready',
      kind: 'act',
      say: '{inlet_gauge} and a pressure source on',
      makes: [
        {
          id: 'source',
          say: 'Calibrator on the test tapping',
          putBack: 'Calibrator off, tapping tight',
        },
      ],
    },
    {
      id: 'cover_off',
      phase: 'ready',
      kind: 'act',
      say: 'Cover off',
      makes: [{ id: 'cover', say: 'Cover off', putBack: 'Cover on' }],
    },
    {
      id: 'as_found',
      phase: 'line_up',
      kind: 'points',
      purpose: 'as_found',
      say: 'As found: five points up, and down again',
      why: 'Nothing is turned before it is known how it stands.',
    },
    {
      id: 'square',
      phase: 'park',
      kind: 'act',
      say: '{target} in: links and levers at right angles',
      why: 'At mid-scale every link stands square to its lever, or the ends cannot both be right.',
      does: { signal: 0.5 },
    },
    {
      id: 'lock_screws',
      phase: 'park',
      kind: 'act',
      say: 'Lock screws tight',
      why: 'A loose one makes every figure another one each time.',
    },
    {
      id: 'three_points',
      phase: 'set',
      kind: 'linkage',
      say: 'Zero, span and angularity, until all three hold',
      why: 'Within {tolerance_span} of span.',
    },
    {
      id: 'as_left',
      phase: 'prove',
      kind: 'points',
      purpose: 'as_left',
      say: 'As left: five points up, and down again',
    },
    {
      id: 'cover_on',
      phase: 'lock',
      kind: 'act',
      say: 'Screws sealed, cover on',
      closes: ['cover'],
    },
    putBack,
    sign,
  ],
};
