import type { Procedure } from '../../step';
import { ask, cause } from '../shared/causes';
import { permit, putBack, sign } from '../shared/steps';

/** Pneumatic controller: indication, alignment by a sweep of the band, response both ways, then tuning by a step test. */
export const controllerProcedure: Procedure = {
  family: 'controller',
  version: 1,
  schools: [
    { id: 'full', name: 'Indication, alignment, response, tuning', when: 'The ordinary way.' },
  ],
  initial: { signal: 0.5, sweep: 0.5, mode: 'process', output: 0.5, isolating_cock: 1 },
  fittings: [{ key: 'isolating_cock', name: 'Process cock', kind: 'isolator', at: 'before' }],
  causes: [
    cause({
      id: 'supply_off',
      title: 'The air supply is low or dirty',
      tell: 'Output never reaches its top, or drifts.',
      doThis: 'Set the supply by its gauge, drain the filter.',
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
      id: 'reset_leaks',
      title: 'The reset valve leaks',
      tell: 'With reset shut the output still creeps.',
      doThis: 'Clean or change it: alignment cannot be judged until it holds.',
      prior: 0.25,
      noChange: 0.3,
    }),
    cause({
      id: 'nozzle_dirty',
      title: 'Nozzle or restriction is dirty',
      tell: 'Output hangs at one end.',
      doThis: 'Clean it with the maker’s wire.',
      prior: 0.25,
      noChange: 0.85,
    }),
    cause({
      id: 'bellows_leak',
      title: 'A bellows leaks',
      tell: 'Output changes when the band should not change it, without following the band.',
      doThis: 'Soap test; the bellows is changed as the maker says.',
      prior: 0.2,
      noChange: 0.4,
    }),
  ],
  steps: [
    {
      id: 'loop_moves',
      phase: 'ready',
      kind: 'caution',
      say: 'The loop will move while this is worked on',
      caution: {
        hazard: 'moving_parts',
        say:
          'The valve it drives will stroke. Process pressure stands behind the ' +
          'fittings. The control room knows. Maker and permit come before this coach.',
      },
    },
    permit,
    {
      id: 'manual',
      phase: 'ready',
      kind: 'act',
      say: 'Valve by hand or by-passed; control room told',
      makes: [
        {
          id: 'manual',
          say: 'Controller out of control, valve by hand',
          putBack: 'Controller in automatic, control room told',
          restores: { mode: 'process' },
        },
      ],
    },
    {
      id: 'calibrator_on',
      phase: 'ready',
      kind: 'act',
      say: 'Process cock shut and bled; {inlet_gauge} and a source on',
      does: { isolating_cock: 0, mode: 'test' },
      caution: {
        hazard: 'stored_pressure',
        say: 'Isolate, then bleed to a safe place, then open.',
      },
      makes: [
        {
          id: 'process_cock',
          say: 'Process cock shut, calibrator on',
          putBack: 'Calibrator off, process cock open',
          restores: { isolating_cock: 1 },
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
      say: 'Indication as found: five points up, and down again',
    },
    {
      id: 'indication',
      phase: 'set',
      kind: 'linkage',
      say: 'Zero, span and angularity of the process pointer',
      why: 'Within {tolerance_span} of span.',
    },
    {
      id: 'link_off',
      phase: 'set',
      kind: 'act',
      say: 'Both pointers held at 50 %, link off and taped at the middle',
      does: { signal: 0.5 },
      makes: [
        { id: 'link', say: 'Link off, pointer taped at the middle', putBack: 'Link on, tape off' },
      ],
    },
    {
      id: 'reset_shut',
      phase: 'set',
      kind: 'act',
      say: 'Output brought to its middle, then reset shut to hold it',
      why: 'With reset shut, only the band can move the output.',
      makes: [{ id: 'reset', say: 'Reset valve shut', putBack: 'Reset valve open to its setting' }],
    },
    {
      id: 'sweep',
      phase: 'set',
      kind: 'sweep',
      adjuster: 'alignment',
      say: 'Sweep the band from narrow reverse to narrow direct',
      why: 'Output must stay put, within {alignment}. A trend says which way to realign.',
    },
    {
      id: 'reset_open',
      phase: 'prove',
      kind: 'act',
      say: 'Reset open, link on',
      closes: ['reset', 'link'],
    },
    {
      id: 'response_low',
      phase: 'prove',
      kind: 'check',
      say: 'Set pointer to one side: output runs to zero',
      fails: 'Output does not run to zero',
    },
    {
      id: 'response_high',
      phase: 'prove',
      kind: 'check',
      say: 'To the other side: output runs to the supply',
      fails: 'Output does not run to the supply',
    },
    {
      id: 'as_left',
      phase: 'prove',
      kind: 'points',
      purpose: 'as_left',
      say: 'Indication as left: five points up, and down again',
    },
    {
      id: 'back_on',
      phase: 'prove',
      kind: 'act',
      say: 'Calibrator off, process cock open',
      does: { isolating_cock: 1, mode: 'process' },
      closes: ['process_cock'],
    },
    {
      id: 'first_settings',
      phase: 'prove',
      kind: 'act',
      say: 'First settings: band 100 %, reset 0.1 min a repeat',
      why: 'For pressure and level. The step test tells what it really wants.',
    },
    {
      id: 'tune',
      phase: 'prove',
      kind: 'tune',
      say: 'Step test in manual, then the settings that follow',
      caution: {
        hazard: 'moving_parts',
        say: 'A step of 5 to 10 %, agreed with the control room. Stop when the process must not go further.',
      },
    },
    {
      id: 'cover_on',
      phase: 'lock',
      kind: 'act',
      say: 'Band and reset dialled, cover on',
      closes: ['cover'],
    },
    putBack,
    sign,
  ],
};
