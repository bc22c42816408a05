import type { Procedure, Step } from '../../step';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';
import { gasConditions } from './conditions';
import { gasProcedure } from './steps';

const { steps: before, ...rest } = gasProcedure;
const as = (id: string): Step => before.find((step) => step.id === id)!;

/** What is asked and looked at before anything is touched. */
const ready: readonly Step[] = [
  as('gas'),
  permit,
  { ...as('seal'), when: 'main_cap_sealed' },
  {
    id: 'spring_seal',
    phase: 'ready',
    kind: 'check',
    when: 'spring_cap_sealed',
    say: 'The seal on the spring’s cap is there and whole',
    why: 'It says that nobody has turned the spring since it was last set. Broken or missing: out of service.',
    fails: 'Seal broken or missing on the spring’s cap',
  },
  {
    id: 'seal_found',
    phase: 'ready',
    kind: 'ask',
    when: 'sealed',
    say: 'What number does the seal bear?',
    asks: {
      key: 'seal_found',
      kind: 'words',
      label: 'Seal as found',
      optional: true,
      hint: 'Leave it empty where it bears none.',
    },
  },
  {
    id: 'appliances',
    phase: 'ready',
    kind: 'ask',
    say: 'Which appliances go out, and who relights them?',
    why: 'Nothing flows while the seat is watched: whatever has a pilot flame loses it.',
    caution: {
      hazard: 'gas',
      say: 'Gas that comes back to an appliance that went out fills the room.',
    },
    asks: {
      key: 'relit_by',
      kind: 'words',
      label: 'Appliances, and by whom',
      hint: 'Boiler 1 and kitchen, by the duty fitter. Or: none.',
    },
    makes: [
      {
        id: 'relight',
        say: 'Appliances out, or about to be',
        putBack: 'Each purged and relit in turn, its flame seen',
      },
    ],
  },
  {
    id: 'fit_gauges',
    phase: 'ready',
    kind: 'act',
    say: 'Fit {outlet_gauge}, the low-range gauge, downstream',
    why: 'On a tapping whose cock is shut, or on one that is dead and at zero.',
    makes: [
      {
        id: 'gauges',
        say: 'Low-range gauge on the tapping',
        putBack: 'Cock shut, gauge off, tapping plugged and soaped',
      },
    ],
  },
  as('as_found'),
];

const downstream = {
  id: 'downstream',
  say: 'Downstream shut or cracked',
  putBack: 'Downstream as it was',
  restores: { demand: 0.3 },
};

/** A new one is shut off before its spring is freed; one in service goes on with a small load. */
const lineUp: readonly Step[] = [
  { ...as('shut_down'), school: 'from_zero', makes: [downstream] },
  {
    id: 'inlet_shut',
    phase: 'line_up',
    kind: 'act',
    school: 'from_zero',
    say: 'Inlet cock shut',
    why: 'So that it can come on slowly, with the spring free.',
    does: { inlet_cock: 0 },
    makes: [
      {
        id: 'inlet_cock',
        say: 'Inlet cock shut',
        putBack: 'Inlet cock open',
        restores: { inlet_cock: 1 },
      },
    ],
  },
  {
    id: 'small_load',
    phase: 'line_up',
    kind: 'act',
    school: 'live',
    say: 'One small burner left on, the others off',
    why: 'With nothing flowing the outlet cannot come down; with much, its fall hides the setting.',
    does: { demand: 0.25 },
    makes: [downstream],
  },
  {
    id: 'loosen_nut',
    phase: 'line_up',
    kind: 'act',
    when: 'pilot_loaded',
    say: 'Pilot cap off, lock nut loose',
    why: 'Only the pilot’s adjuster is turned. The main cap holds pressure and is never touched.',
    makes: [nutEnd('main', 'Pilot adjuster')],
  },
  {
    id: 'cut_seal',
    phase: 'line_up',
    kind: 'act',
    when: 'spring_cap_sealed',
    say: 'Cut the seal on the spring’s cap',
    why: 'By whoever may: the new one is noted at the end.',
    makes: [{ id: 'seal', say: 'Seal cut', putBack: 'New seal on, its number noted' }],
  },
  {
    id: 'loosen_spring',
    phase: 'line_up',
    kind: 'act',
    when: 'spring_loaded',
    say: 'Spring cap off, lock nut loose',
    why: 'The screw under it is the main spring’s own: there is no pilot.',
    makes: [nutEnd('main', 'Spring adjuster')],
  },
];

const park: readonly Step[] = [
  {
    ...as('back_off'),
    school: 'from_zero',
    say: 'Back the {gas_adjuster} off until its spring is free',
  } as Step,
  { ...as('inlet_on'), school: 'from_zero', closes: ['inlet_cock'] },
  {
    id: 'slam_shut',
    phase: 'park',
    kind: 'ask',
    when: 'slam_shut',
    say: 'Does the slam-shut stand open?',
    why: 'It trips when gas comes on too fast. It is looked at, not tripped for a trial.',
    asks: {
      key: 'slam_shut',
      kind: 'choice',
      label: 'Slam-shut',
      choices: [
        { value: 'open', say: 'Yes, open' },
        { value: 'tripped', say: 'No, it has tripped' },
      ],
    },
  },
  {
    id: 'slam_reset',
    phase: 'park',
    kind: 'act',
    when: 'slam_shut',
    onlyIf: { key: 'slam_shut', value: 'tripped' },
    say: 'Find why it tripped; then reset it, slowly',
    why: 'By its maker’s way, both sides brought to one pressure first.',
    caution: {
      hazard: 'gas',
      say: 'A slam-shut that trips again has found something: stop, and find it.',
    },
  },
  { ...as('crack'), school: 'from_zero' },
  as('small_flow'),
  {
    id: 'inlet_told',
    phase: 'park',
    kind: 'ask',
    say: 'What does the inlet stand at?',
    why: 'Too low, and no turn helps. It must stay below {inlet_rating}.',
    asks: {
      key: 'inlet_told',
      kind: 'pressure',
      label: 'Inlet, while a little flows',
      optional: true,
      hint: 'By the gauge before it, or the meter’s.',
    },
  },
];

const setIt: readonly Step[] = [
  { ...as('come_up'), school: 'from_zero', expects: '{gas_answers}' },
  {
    ...as('come_up'),
    id: 'adjust_live',
    school: 'live',
    say: 'Bring it to {target}, from where it stands',
    expects: '{gas_answers}',
  },
  {
    ...as('stop_flow'),
    say: 'Shut the last burner: no flow',
  },
  {
    ...as('no_flow'),
    why: 'It may rise by {lockup_allowed} and stay there. A rise that goes on is creep: the seat leaks.',
  },
];

const lock: readonly Step[] = [
  { ...lockStep('main', 'Pilot adjuster'), when: 'pilot_loaded' },
  { ...lockStep('main', 'Spring adjuster', 'lock_spring'), when: 'spring_loaded' },
  as('crack_again'),
  as('as_left'),
  {
    id: 'relief_shut',
    phase: 'lock',
    kind: 'check',
    when: 'relief_after',
    say: 'The relief valve downstream is shut: nothing from its vent',
    why: 'It is set on its own, above this one’s lockup.',
    fails: 'The relief valve downstream blows or weeps',
  },
  as('leak_test'),
  {
    id: 'new_seal',
    phase: 'lock',
    kind: 'ask',
    when: 'spring_cap_sealed',
    say: 'New seal on the spring’s cap',
    why: 'It stands for the figure that was just read.',
    closes: ['seal'],
    asks: { key: 'seal_left', kind: 'words', label: 'Number of the new seal' },
  },
];

/**
 * Version 2: loading by pilot and by spring are two branches; one in service is set from where it stands;
 * what goes out is named before, and relit after; the inlet is shut before it is slowly opened.
 */
export const gasProcedure2: Procedure = {
  ...rest,
  version: 2,
  schools: [
    {
      id: 'from_zero',
      name: 'Come up from zero',
      when: 'A new one, or one that was taken apart.',
    },
    {
      id: 'live',
      name: 'From where it stands',
      when: 'In service: with one small burner on.',
    },
  ],
  conditions: gasConditions,
  steps: [...ready, ...lineUp, ...park, ...setIt, ...lock, putBack, sign],
};
