import type { Cause } from '../../coach';
import { ask, cause, sharedCauses } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';

/** Why water does not follow the screw of a regulator with bulb and capillary. */
export const temperatureCauses: readonly Cause[] = [
  cause({
    id: 'bulb_lost',
    title: 'The bulb has lost its charge',
    tell: 'The valve stands at one end and no heat at the bulb moves it; the capillary may be kinked.',
    doThis: 'Take it out of service: bulb and capillary are changed as one.',
    check: ask(
      'Bulb warmed by hand or in hot water: does the stem move?',
      'bulb',
      ['Yes', 'moves'],
      ['No', 'still'],
    ),
    prior: 0.12,
    noChange: 0.85,
    likelihood: { bulb: { still: 0.96, moves: 0.04 } },
  }),
  cause({
    id: 'bulb_pocket',
    title: 'The bulb does not feel the water',
    tell: 'It answers minutes late and swings: out of its pocket, dry, or furred over.',
    doThis: 'Push it home, fill the pocket with heat paste, or clean it.',
    check: ask(
      'Is the bulb home in a pocket that is filled and clean?',
      'pocket',
      ['Yes', 'home'],
      ['No', 'out'],
    ),
    prior: 0.14,
    noChange: 0.5,
    likelihood: {
      pocket: { out: 0.94, home: 0.06 },
      trend: { swinging: 0.5, creeping_up: 0.25, still: 0.2, falling: 0.05 },
    },
  }),
  cause({
    id: 'heat_missing',
    title: 'What heats it is not hot enough',
    tell: 'The valve is wide open and the water comes no higher.',
    doThis: 'See to boiler, pump or steam first. Don’t wind on: it all comes at once later.',
    check: ask(
      'Is the heating pipe before the valve clear hotter than the target?',
      'heat',
      ['Yes', 'hot'],
      ['No', 'cool'],
    ),
    prior: 0.16,
    noChange: 0.85,
    likelihood: { heat: { cool: 0.95, hot: 0.05 } },
  }),
  cause({
    id: 'by_pass_open',
    title: 'A by-pass round it is open',
    tell: 'Heat comes past the valve, whatever its screw says.',
    doThis: 'Shut the by-pass and seal it.',
    check: ask('Is the by-pass shut?', 'by_pass', ['Shut', 'shut'], ['Open', 'open']),
    prior: 0.08,
    noChange: 0.8,
    likelihood: {
      by_pass: { open: 0.95, shut: 0.05 },
      trend: { creeping_up: 0.6, still: 0.3, else: 0.05 },
    },
  }),
  ...ordinaryCauses('strainer_blocked', 'seat_dirty', 'stem_seized', 'against_flow'),
  ...sharedCauses('no_flow', 'nut_tight', 'off_spring', 'reversed', 'stiffer_or_softer'),
];
