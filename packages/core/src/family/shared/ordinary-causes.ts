import type { Cause } from '../../coach';
import { ask, cause } from './causes';

/** Faults that any valve of a kind may have, whatever is being set on it, each with the check that tells it. */
const ordinary = {
  strainer_blocked: cause({
    id: 'strainer_blocked',
    title: 'A strainer or the pilot’s orifice is blocked',
    tell: 'It answers late, then too little; the pilot runs thin.',
    doThis:
      'Isolate, bleed to zero, then clean the strainer and the orifice with the maker’s wire.',
    check: ask(
      'Do the pressures before and behind the strainer agree?',
      'strainer',
      ['Yes', 'clear'],
      ['No, it drops', 'blocked'],
    ),
    prior: 0.05,
    noChange: 0.5,
    likelihood: { strainer: { blocked: 0.95, clear: 0.05 } },
  }),
  diaphragm_torn: cause({
    id: 'diaphragm_torn',
    title: 'The diaphragm is torn',
    tell: 'Water or gas comes from the vent of a case where none should be.',
    doThis: 'Take it out of service: it needs a new diaphragm before any setting.',
    check: ask(
      'Does anything come out of the spring case’s vent?',
      'case_vent',
      ['Yes', 'wet'],
      ['No, dry and still', 'dry'],
    ),
    prior: 0.03,
    noChange: 0.6,
    likelihood: { case_vent: { wet: 0.96, dry: 0.04 } },
  }),
  seat_dirty: cause({
    id: 'seat_dirty',
    title: 'Dirt on the seat',
    tell: 'It never shuts quite: with nothing drawn the pressure goes on rising.',
    doThis: 'Let it flush wide open for a moment where that is safe; if it stays, strip and clean.',
    check: ask(
      'With all outlets shut, does the pressure stop rising?',
      'shuts',
      ['Yes', 'yes'],
      ['No, it goes on', 'no'],
    ),
    prior: 0.05,
    noChange: 0.3,
    likelihood: {
      shuts: { no: 0.97, yes: 0.03 },
      trend: { creeping_up: 0.85, still: 0.1, else: 0.05 },
    },
  }),
  sensing_shut: cause({
    id: 'sensing_shut',
    title: 'The sensing line is shut or blocked',
    tell: 'It goes to one end and stays there, whatever the gauge shows.',
    doThis: 'Open its cock, and blow or flush the line through once it is isolated and bled.',
    check: ask(
      'Is the sensing line’s cock open, and the line clear?',
      'sensing',
      ['Yes', 'open'],
      ['No', 'shut'],
    ),
    prior: 0.05,
    noChange: 0.8,
    likelihood: { sensing: { shut: 0.95, open: 0.05 } },
  }),
  stem_seized: cause({
    id: 'stem_seized',
    title: 'The stem is worn or seized',
    tell: 'It sticks, then jumps; up and down do not agree.',
    doThis: 'No screw mends it: take it out of service and have the stem and its guides seen to.',
    check: ask(
      'Does the valve move freely through its whole stroke?',
      'stem',
      ['Yes', 'free'],
      ['No, it sticks', 'sticks'],
    ),
    prior: 0.05,
    noChange: 0.8,
    likelihood: { stem: { sticks: 0.97, free: 0.03 } },
  }),
  against_flow: cause({
    id: 'against_flow',
    title: 'The valve is fitted against the flow',
    tell: 'It has never controlled since it was fitted.',
    doThis:
      'Isolate and depressurise, then turn it round. Licensed practice where the line asks for it.',
    check: ask(
      'Does the arrow on the body point with the flow?',
      'arrow',
      ['Yes', 'with'],
      ['No, against it', 'against'],
    ),
    prior: 0.02,
    noChange: 0.7,
    likelihood: { arrow: { against: 0.98, with: 0.02 } },
  }),
  water_in_air: cause({
    id: 'water_in_air',
    title: 'Water or oil in the instrument air',
    tell: 'The output wanders, and nozzles clog again after cleaning.',
    doThis: 'Drain the filter and the lines until they blow dry; then clean what it has reached.',
    check: ask(
      'Does the filter’s drain blow dry air?',
      'air_dry',
      ['Yes, dry', 'yes'],
      ['No, water or oil', 'no'],
    ),
    prior: 0.06,
    noChange: 0.5,
    likelihood: { air_dry: { no: 0.95, yes: 0.05 } },
  }),
  vent_blocked: cause({
    id: 'vent_blocked',
    title: 'A vent or silencer is blocked',
    tell: 'It answers slowly, or not at all: what it pushes out has nowhere to go.',
    doThis: 'Clear the vent or change the silencer. Nobody stands before it.',
    check: ask('Is the vent or silencer open?', 'vent_open', ['Yes', 'yes'], ['No', 'no']),
    prior: 0.04,
    noChange: 0.7,
    likelihood: { vent_open: { no: 0.95, yes: 0.05 } },
  }),
  speed_shut: cause({
    id: 'speed_shut',
    title: 'The speed control is shut too far',
    tell: 'It answers, but minutes late.',
    doThis: 'Open it half a turn and watch; note where it stood.',
    check: ask(
      'Is the speed control open as the maker shows?',
      'speed',
      ['Yes', 'open'],
      ['No, nearly shut', 'shut'],
    ),
    prior: 0.04,
    noChange: 0.6,
    likelihood: { speed: { shut: 0.95, open: 0.05 } },
  }),
} satisfies Readonly<Record<string, Cause>>;

/** What may be wrong with any valve that holds a pressure by a diaphragm and a sensing line. */
export const controlValveFaults = [
  'strainer_blocked',
  'diaphragm_torn',
  'seat_dirty',
  'sensing_shut',
  'stem_seized',
  'against_flow',
] as const satisfies readonly (keyof typeof ordinary)[];

export const ordinaryCauses = (...ids: readonly (keyof typeof ordinary)[]): readonly Cause[] =>
  ids.map((id) => ordinary[id]);
