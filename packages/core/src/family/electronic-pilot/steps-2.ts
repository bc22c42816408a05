import type { Procedure, Step } from '../../step';
import { amend } from '../shared/amend';
import { electronicPilotProcedure } from './steps';

const { steps, ...rest } = electronicPilotProcedure;

const fittedToday = { key: 'fitted_today', value: 'yes' };

/** What comes before any wire, where it is fitted today. */
const assembly: readonly Step[] = [
  {
    id: 'fitted_today',
    phase: 'ready',
    kind: 'ask',
    say: 'Is it fitted here today?',
    asks: {
      key: 'fitted_today',
      kind: 'choice',
      label: 'Fitted today',
      choices: [
        { value: 'no', say: 'No, it was in service here' },
        { value: 'yes', say: 'Yes, today' },
      ],
    },
  },
  {
    id: 'used_before',
    phase: 'ready',
    kind: 'ask',
    onlyIf: fittedToday,
    say: 'New, or used before elsewhere?',
    asks: {
      key: 'used_before',
      kind: 'choice',
      label: 'The unit',
      choices: [
        { value: 'new', say: 'New' },
        { value: 'used', say: 'Used before, elsewhere' },
      ],
    },
  },
  {
    id: 'on_the_valve',
    phase: 'ready',
    kind: 'check',
    onlyIf: fittedToday,
    say: 'On the valve the right way round: wheel and display within reach; bolts tight crosswise',
    caution: { hazard: 'moving_parts', say: 'It is heavy: slung before the last bolt is out.' },
  },
  {
    id: 'coupled',
    phase: 'ready',
    kind: 'check',
    onlyIf: fittedToday,
    say: 'Stem brought by hand until it touches the trim; coupling on',
    why: 'Coupled short of the trim, it never shuts; beyond it, it drives against its end.',
  },
  {
    id: 'mounted',
    phase: 'ready',
    kind: 'check',
    onlyIf: fittedToday,
    say: 'Pilot on it, or near its sensor; conduit and glands by the rules of the area',
    caution: {
      hazard: 'electric',
      say: 'In a hazardous area by a licensed person only, with what the area’s papers allow.',
    },
  },
];

/** Who else hangs on its wires, and who commands it. */
const company: readonly Step[] = [
  {
    id: 'chain',
    phase: 'ready',
    kind: 'ask',
    say: 'Do other units share its pair of wires?',
    asks: {
      key: 'chain',
      kind: 'choice',
      label: 'On its pair of wires',
      choices: [
        { value: 'alone', say: 'No, it is alone' },
        { value: 'last', say: 'Yes, and it is the last' },
        { value: 'inside', say: 'Yes, and others come after it' },
      ],
    },
  },
  {
    id: 'chain_last',
    phase: 'ready',
    kind: 'check',
    onlyIf: { key: 'chain', value: 'last' },
    say: 'An address of its own; the end resistor is in',
    why: 'Two with one address answer at once, and neither is understood.',
  },
  {
    id: 'chain_inside',
    phase: 'ready',
    kind: 'check',
    onlyIf: { key: 'chain', value: 'inside' },
    say: 'An address of its own; the end resistor is out',
    why: 'Only the last of a chain has one: a second loads the line until it is deaf.',
  },
  {
    id: 'master',
    phase: 'ready',
    kind: 'ask',
    say: 'Who commands it?',
    why: 'A second master takes the valve back when nobody looks.',
    asks: {
      key: 'master',
      kind: 'choice',
      label: 'Commanded by',
      choices: [
        { value: 'itself', say: 'Its own set value' },
        { value: 'analog', say: 'An analog signal' },
        { value: 'bus', say: 'A bus' },
        { value: 'contact', say: 'Contacts that override' },
      ],
    },
  },
  {
    id: 'contacts_first',
    phase: 'ready',
    kind: 'ask',
    onlyIf: { key: 'master', value: 'contact' },
    say: 'Which contact wins when two are closed?',
    asks: {
      key: 'contacts_first',
      kind: 'words',
      label: 'Order of the contacts',
      hint: 'Shut before open before stay, as its drawing says.',
    },
  },
];

/**
 * Version 2: assembly comes before wiring where it is fitted today; who shares its wires and who commands
 * it is asked; a used unit goes back to its works settings before anything is keyed in.
 */
export const electronicPilotProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    { after: 'isolated', add: assembly },
    { after: 'terminals', add: company },
    {
      after: 'as_found',
      add: [
        {
          id: 'works_settings',
          phase: 'line_up',
          kind: 'check',
          onlyIf: { key: 'used_before', value: 'used' },
          say: 'Back to works settings, and they are noted',
          why: 'What another valve taught it is wrong here.',
        },
      ],
    },
    {
      after: 'application',
      add: [
        {
          id: 'card_battery',
          phase: 'set',
          kind: 'check',
          say: 'Card in, with room on it; battery plugged in',
          why: 'Without its battery it forgets the date, without its card the log.',
        },
      ],
    },
    {
      change: 'rests',
      to: {
        why:
          'What is left of the tuning’s swing takes some minutes to go. A display that goes dark meanwhile ' +
          'is in standby: no fault.',
      },
    },
  ]),
};
