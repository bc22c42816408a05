import type { Procedure } from '../../step';
import { ask, cause } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';
import { permit, putBack, sign } from '../shared/steps';

/** Positioner on a valve: supply, five points, zero and span as one system, five points again. */
export const positionerProcedure: Procedure = {
  family: 'positioner',
  version: 1,
  schools: [
    { id: 'by_travel', name: 'By travel', when: 'The stem or its scale can be seen.' },
    {
      id: 'end_points',
      name: 'End points by output pressure',
      when: 'Judged by where its output begins and where it saturates: shut and open for certain.',
    },
  ],
  initial: { signal: 0.5, supply: 1, bypass: 'automatic' },
  fittings: [
    { key: 'supply', name: 'Air supply' },
    { key: 'signal', name: 'Signal' },
  ],
  causes: [
    cause({
      id: 'supply_low',
      title: 'The air supply is low',
      tell: 'The top of the travel is never reached, whatever span does.',
      doThis: 'Set the supply to the plate’s figure, then read again.',
      check: ask(
        'Does the supply gauge stand at its figure?',
        'supply_ok',
        ['Yes', 'yes'],
        ['No', 'no'],
      ),
      prior: 0.3,
      noChange: 0.6,
      likelihood: { supply_ok: { no: 0.95, yes: 0.05 } },
    }),
    cause({
      id: 'friction',
      title: 'The packing is tight',
      tell: 'It sticks, then jumps: going up and coming down do not agree.',
      doThis:
        'Stroke it a few times. If it stays, the gland or the guide needs work; no screw mends it.',
      check: ask(
        'Up and down, does it stand at the same travel?',
        'agrees',
        ['Yes', 'yes'],
        ['No, it sticks and jumps', 'no'],
      ),
      prior: 0.25,
      noChange: 0.5,
      likelihood: { agrees: { no: 0.93, yes: 0.07 } },
    }),
    cause({
      id: 'link_slips',
      title: 'The feedback arm slips',
      tell: 'Zero is another one each time.',
      doThis: 'Tighten the arm on its shaft, square at mid-travel, and begin with zero.',
      check: ask('Is the arm tight on its shaft?', 'arm_tight', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.2,
      noChange: 0.3,
      likelihood: { arm_tight: { no: 0.9, yes: 0.1 } },
    }),
    cause({
      id: 'nozzle_dirty',
      title: 'Nozzle or restriction is dirty',
      tell: 'The output hangs at one end.',
      doThis: 'Clean it with the maker’s wire, and look at the air: oil or water?',
      check: ask(
        'Does the output follow when the flapper is moved by hand?',
        'flapper',
        ['Yes', 'follows'],
        ['No, it hangs', 'hangs'],
      ),
      prior: 0.15,
      noChange: 0.85,
      likelihood: { flapper: { hangs: 0.93, follows: 0.07 } },
    }),
    ...ordinaryCauses('water_in_air', 'vent_blocked'),
  ],
  steps: [
    {
      id: 'valve_moves',
      phase: 'ready',
      kind: 'caution',
      say: 'The valve will stroke from end to end',
      caution: {
        hazard: 'moving_parts',
        say:
          'Hands away from stem and arm. Air under pressure behind every fitting. Without air ' +
          'it goes {no_air}: the line must bear that. Maker and permit come before this coach.',
      },
    },
    permit,
    {
      id: 'isolated',
      phase: 'ready',
      kind: 'act',
      say: 'Line isolated or by-passed; control room told',
      does: { bypass: 'manual' },
      makes: [
        {
          id: 'by_pass',
          say: 'Valve out of control, line by-passed',
          putBack: 'Valve back in control, control room told',
          restores: { bypass: 'automatic' },
        },
      ],
    },
    {
      id: 'calibrator_on',
      phase: 'ready',
      kind: 'act',
      say: 'Signal wire off, {inlet_gauge} on',
      makes: [
        {
          id: 'signal_wire',
          say: 'Signal disconnected, calibrator on',
          putBack: 'Signal wire back, calibrator off',
          restores: { signal: 0.5 },
        },
      ],
    },
    {
      id: 'supply',
      phase: 'ready',
      kind: 'read',
      role: 'outlet',
      purpose: 'supply',
      say: 'Read the air supply',
      why: 'It should stand at {target}. Too low, and the top of the travel is never reached.',
    },
    {
      id: 'supply_right',
      phase: 'ready',
      kind: 'ask',
      say: 'Does the supply stand at {target}?',
      needs: ['supply_right'],
      asks: {
        key: 'supply_ok',
        kind: 'choice',
        label: 'Supply',
        choices: [
          { value: 'yes', say: 'Yes' },
          { value: 'no', say: 'No, it is wrong' },
        ],
      },
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
      id: 'cover_off',
      phase: 'park',
      kind: 'act',
      say: 'Cover and indicator off',
      makes: [{ id: 'cover', say: 'Cover and indicator off', putBack: 'Cover and indicator on' }],
    },
    {
      id: 'arm_middle',
      phase: 'park',
      kind: 'act',
      school: 'end_points',
      say: 'Range arm at its middle, on the {action} side',
      why: 'From there it can go either way.',
    },
    {
      id: 'zero_span',
      phase: 'set',
      kind: 'linkage',
      school: 'by_travel',
      say: 'Zero and span, until both hold',
      why: 'Within {tolerance_span} of span.',
    },
    {
      id: 'end_points',
      phase: 'set',
      kind: 'linkage',
      school: 'end_points',
      measure: 'ends',
      say: 'Both ends by output pressure, until both hold',
      why: 'The output must begin within the first {signal_ends} of the signal, and reach the supply within the last {signal_ends}.',
    },
    {
      id: 'as_left',
      phase: 'prove',
      kind: 'points',
      purpose: 'as_left',
      say: 'As left: five points up, and down again',
    },
    {
      id: 'no_air',
      phase: 'prove',
      kind: 'check',
      say: 'Air off: it goes {no_air}',
      why: 'What it does without air is what the plant relies on.',
      caution: { hazard: 'moving_parts', say: 'It moves by its spring, at once.' },
      fails: 'Without air the valve does not go where the plate says',
    },
    {
      id: 'cover_on',
      phase: 'lock',
      kind: 'act',
      say: 'Screws locked, cover and indicator on',
      closes: ['cover'],
    },
    putBack,
    sign,
  ],
};
