import type { Procedure, Step } from '../../step';
import { amend } from '../shared/amend';
import { putBack, sign } from '../shared/steps';
import { leaveIt, ready, setIt, suctionProcedure } from './steps';

type Way = {
  readonly value: string;
  readonly say: string;
  readonly act: string;
  readonly back: string;
};

/** Ways of starving the coil until the control has to work; each is undone in its own way. */
const ways: readonly Way[] = [
  {
    value: 'card',
    say: 'A card over part of the return air',
    act: 'Cover the return air, a third at a time',
    back: 'Card off the return air',
  },
  {
    value: 'slow_fan',
    say: 'The fan slower',
    act: 'Fan to its lowest speed',
    back: 'Fan at its own speed',
  },
  {
    value: 'outside_air',
    say: 'Cold outside air',
    act: 'Open the outside air, little by little',
    back: 'Outside air as it was',
  },
  {
    value: 'panel_off',
    say: 'A panel off, so that air goes round the coil',
    act: 'Take the panel off, so that air goes round the coil',
    back: 'Panel on',
  },
];
const endOf = ({ value }: Way): string => `load_${value}`;

const lessLoad: readonly Step[] = [
  {
    id: 'starved',
    phase: 'line_up',
    kind: 'caution',
    say: 'A starved coil ices, trips, and sends liquid back',
    why: 'The load goes down only so far that the control has to work.',
    caution: {
      hazard: 'refrigerant',
      say: 'Stop at frost on the coil or a cold compressor: liquid comes back. Stay above the low-pressure trip.',
    },
  },
  {
    id: 'low_trip',
    phase: 'line_up',
    kind: 'ask',
    say: 'Where does the low-pressure trip stand?',
    why: 'Suction is not to be taken down to it.',
    asks: {
      key: 'low_trip',
      kind: 'pressure',
      label: 'Low-pressure trip',
      optional: true,
      hint: 'By its scale or the wiring diagram.',
    },
  },
  {
    id: 'load_by',
    phase: 'line_up',
    kind: 'ask',
    say: 'By what is the load lowered?',
    asks: {
      key: 'load_by',
      kind: 'choice',
      label: 'Load lowered by',
      choices: ways.map(({ value, say }) => ({ value, say })),
    },
  },
  ...ways.map((way): Step => ({
    id: endOf(way),
    phase: 'line_up',
    kind: 'act',
    onlyIf: { key: 'load_by', value: way.value },
    say: way.act,
    does: { load: 0.12 },
    makes: [
      {
        id: endOf(way),
        say: `Load lowered: ${way.say.toLowerCase()}`,
        putBack: way.back,
        restores: { load: 0.55 },
      },
    ],
  })),
];

const whichControl: Step = {
  id: 'which_control',
  phase: 'ready',
  kind: 'check',
  say: 'This is the suction control: by its label, and by its line',
  why: 'Its twin on the same frame bypasses hot gas for another reason. The line of this one ends before the compressor.',
  fails: 'Cannot be told which of the controls this is',
};

const asItRuns: readonly Step[] = [
  {
    id: 'load_back',
    phase: 'lock',
    kind: 'act',
    say: 'The load as it was, everything in place',
    closes: ways.map(endOf),
    does: { load: 0.55 },
  },
  {
    id: 'as_it_runs',
    phase: 'lock',
    kind: 'read',
    role: 'inlet',
    purpose: 'working_flow',
    say: 'Read suction once more, running normally',
    why: 'What the system does with its control as left, and nothing held back.',
  },
];

const begin = amend(ready, [{ add: [whichControl], after: 'sealed' }]);
const goOn = amend(setIt, [
  { add: lessLoad, after: 'less_air' },
  { drop: ['less_air'] },
  { add: asItRuns, after: 'as_left' },
]);

/** Version 2: the load is lowered by one of several means, each undone; the last reading is taken as it runs. */
export const suctionProcedure2: Procedure = {
  ...suctionProcedure,
  version: 2,
  steps: [...begin, ...goOn, putBack, sign],
  build: (_, school) =>
    school === 'leave' ? [...begin, leaveIt, putBack, sign] : [...begin, ...goOn, putBack, sign],
};
