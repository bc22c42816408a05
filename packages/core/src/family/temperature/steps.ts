import type { Procedure, Step } from '../../step';
import type { AnyPlate } from '../../valve';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';
import { temperatureCauses } from './causes';

/** What protects meanwhile: a cut-out of its own, or a hand at the heat. */
const protects = (plate: AnyPlate): Step =>
  'cut_out' in plate && plate.cut_out !== undefined
    ? {
        id: 'cut_out_ready',
        phase: 'ready',
        kind: 'check',
        say: 'The cut-out of its own stands in force, at {cut_out}',
        why: 'It shuts the heat off if this one runs away. It is not turned, bridged or taken out.',
        fails: 'The cut-out over it does not work',
      }
    : {
        id: 'hand_at_heat',
        phase: 'ready',
        kind: 'check',
        say: 'No cut-out stands over it: somebody stays at the heat’s own valve all the time',
        why: 'If it runs away, only that hand shuts the heat off.',
        fails: 'Nothing would shut the heat off if it ran away',
      };

/** What is looked at before anything is moved: first what keeps people from being scalded meanwhile. */
const readySteps = (plate: AnyPlate): readonly Step[] => [
  {
    id: 'scalds',
    phase: 'ready',
    kind: 'caution',
    say: 'Water up to {limit}, heated by {heated_by}',
    caution: {
      hazard: 'hot_air_or_steam',
      say:
        'Water of 60 °C scalds in seconds, and what heats it is hotter still. Gloves on, nobody at taps or showers ' +
        'meanwhile. Maker, permit and local code come before this coach.',
    },
  },
  { ...permit, why: 'Hot water will come hotter and cooler: who draws it must expect it.' },
  protects(plate),
  {
    id: 'mixers_shut',
    phase: 'ready',
    kind: 'check',
    say: 'Taps that people use are shut, warned or behind a mixer',
    why: 'While it is set the water may stand hotter than anybody expects.',
    fails: 'Somebody may be scalded while it is set',
  },
  {
    id: 'bulb_home',
    phase: 'ready',
    kind: 'check',
    say: 'Bulb home in its pocket, its capillary neither kinked nor rubbed',
    why: 'A bulb that does not feel the water cannot rule it.',
    fails: 'The bulb does not sit in the water that it rules',
  },
  {
    id: 'fit_gauges',
    phase: 'ready',
    kind: 'act',
    say: 'Put {outlet_gauge} into the pocket beside the bulb, with heat paste',
    why: 'Where the bulb feels it: at the tap it comes later and cooler.',
    makes: [
      {
        id: 'gauges',
        say: 'Thermometer in its pocket',
        putBack: 'Thermometer out, pocket closed',
      },
    ],
  },
];

/** Drawn through all the time: what stands still is not what the bulb rules. */
const underWay: readonly Step[] = [
  {
    id: 'little_flow',
    phase: 'ready',
    kind: 'act',
    say: 'Let a small, steady flow run to a drain',
    why: 'It is set while some is drawn, and always the same.',
    does: { demand: 0.35 },
    makes: [
      {
        id: 'drawing',
        say: 'Water running to a drain',
        putBack: 'Drain shut, taps as they were',
        restores: { demand: 0.5 },
      },
    ],
  },
  {
    id: 'as_found',
    phase: 'ready',
    kind: 'read',
    role: 'outlet',
    purpose: 'as_found',
    adjuster: 'main',
    say: 'Read what it holds, once the thermometer stands still',
    why: 'Before anything is touched. The next visit learns the drift from it.',
  },
  {
    id: 'heat_there',
    phase: 'line_up',
    kind: 'check',
    say: 'What heats it is on, and hotter than {target} by {min_differential} and more',
    why: 'With less the valve stands wide open, and its screw does nothing.',
    fails: 'What heats it is not hot enough',
  },
  {
    id: 'loosen_nut',
    phase: 'line_up',
    kind: 'act',
    say: 'Cap off, lock nut loose; hold the screw still',
    makes: [nutEnd('main', 'Setting screw')],
  },
  {
    id: 'count_from_here',
    phase: 'park',
    kind: 'check',
    adjuster: 'main',
    say: 'Leave the screw where it stands, and mark it',
    why: 'Unloaded it would let the water go cold, and come back with a rush. Turns are counted from this mark.',
  },
];

const proved: readonly Step[] = [
  {
    id: 'come_to_it',
    phase: 'set',
    kind: 'set',
    adjuster: 'main',
    role: 'outlet',
    purpose: 'setting',
    say: 'Come to {target}',
    why: '{why}',
    expects:
      'Bulb and water answer late: a minute and more. Wait until it stands, or it is overshot.',
  },
  {
    id: 'more_flow',
    phase: 'prove',
    kind: 'act',
    say: 'Let the working flow run',
    does: { demand: 0.8 },
  },
  {
    id: 'working_flow',
    phase: 'prove',
    kind: 'read',
    role: 'outlet',
    purpose: 'working_flow',
    say: 'Read it at working flow',
    why: 'It holds lower the more is drawn: by this much.',
  },
  {
    id: 'stop_flow',
    phase: 'prove',
    kind: 'act',
    say: 'Stop the flow altogether',
    does: { demand: 0 },
    caution: {
      hazard: 'hot_air_or_steam',
      say: 'If it runs up to {limit}, shut the heat off by hand.',
    },
  },
  {
    id: 'no_flow',
    phase: 'prove',
    kind: 'table',
    role: 'outlet',
    purpose: 'no_flow',
    rows: 6,
    say: 'Watch it with nothing drawn',
    why: 'It may rise by {lockup_allowed} and stop. A rise that goes on is a seat that lets heat by: it scalds the first at the tap.',
  },
  {
    id: 'flow_again',
    phase: 'prove',
    kind: 'act',
    say: 'Let the small, steady flow run again',
    does: { demand: 0.35 },
  },
];

const left: readonly Step[] = [
  lockStep('main', 'Setting screw'),
  {
    id: 'as_left',
    phase: 'lock',
    kind: 'read',
    role: 'outlet',
    purpose: 'as_left',
    adjuster: 'main',
    say: 'Read what it holds as left',
    why: 'After the nut is tight, at the flow that it was set by.',
  },
  putBack,
  sign,
];

const stepsOf = (plate: AnyPlate): readonly Step[] => [
  ...readySteps(plate),
  ...underWay,
  ...proved,
  ...left,
];

/** A regulator with bulb and capillary that holds water at a temperature. */
export const temperatureProcedure: Procedure = {
  family: 'temperature',
  version: 1,
  schools: [
    {
      id: 'from_found',
      name: 'From where it stands',
      when: 'Water is there, and what heats it is hot.',
    },
  ],
  initial: { heating: 1, demand: 0.5 },
  fittings: [
    { key: 'heating', name: 'Heating' },
    { key: 'demand', name: 'Drawn' },
  ],
  causes: temperatureCauses,
  build: stepsOf,
  steps: stepsOf({ cut_out: 0 } as unknown as AnyPlate),
};
