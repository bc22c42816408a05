import type { Procedure } from '../../step';
import { ask, cause } from '../shared/causes';
import { ordinaryCauses } from '../shared/ordinary-causes';
import { nutEnd, permit, putBack, sign } from '../shared/steps';

/** On-off pressure switch: scale and differential by cycles against the gauge. */
export const switchProcedure: Procedure = {
  family: 'pressure_switch',
  version: 1,
  schools: [
    {
      id: 'by_cycles',
      name: 'By cycles',
      when: 'The pressure is let rise and fall, and both points are read.',
      method: 'by_pressure',
    },
  ],
  initial: { demand: 0.4, heat: 1, always: 1 },
  fittings: [
    { key: 'heat', name: 'Burner' },
    { key: 'demand', name: 'Steam or air drawn' },
  ],
  causes: [
    cause({
      id: 'other_control',
      title: 'Another control stops it first',
      tell: 'It stops, but this contact has not opened.',
      doThis: 'Find which one: a limit, a low-water cut-out, the operator’s switch.',
      check: ask('Did this switch’s own contact open?', 'own', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.35,
      noChange: 0.8,
      likelihood: { own: { no: 0.95, yes: 0.05 } },
    }),
    cause({
      id: 'siphon_blocked',
      title: 'The siphon or pipe is blocked',
      tell: 'The switch lags far behind the gauge.',
      doThis: 'Shut, bleed and clear it. Fill a siphon with water before steam.',
      check: ask(
        'Does it snap as soon as the gauge passes its point?',
        'lags',
        ['Yes', 'no'],
        ['No, well after', 'yes'],
      ),
      prior: 0.25,
      noChange: 0.6,
      likelihood: { lags: { yes: 0.93, no: 0.07 } },
    }),
    cause({
      id: 'not_level',
      title: 'The switch does not hang level',
      tell: 'Both points are off by the same amount, and wander.',
      doThis: 'Level it, as its maker shows.',
      check: ask('Does it hang level, as its maker shows?', 'level', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.2,
      noChange: 0.3,
      likelihood: { level: { no: 0.93, yes: 0.07 } },
    }),
    cause({
      id: 'screws_swapped',
      title: 'The other screw was turned',
      tell: 'The band moved where its width should have, or the other way round.',
      doThis: 'Scale moves both points; differential moves only one.',
      check: ask(
        'Was it the screw that its plate names?',
        'screw',
        ['Yes', 'right'],
        ['No, the other', 'other'],
      ),
      prior: 0.2,
      noChange: 0.3,
      likelihood: { screw: { other: 0.93, right: 0.07 } },
    }),
    ...ordinaryCauses('diaphragm_torn'),
  ],
  steps: [
    {
      id: 'steam',
      phase: 'ready',
      kind: 'caution',
      say: 'Steam or air under pressure; live contacts',
      caution: {
        hazard: 'hot_air_or_steam',
        say:
          'A burn before a thought. Contacts may be live: a licensed person opens ' +
          'the cover. Maker, boiler code and permit come before this coach.',
      },
    },
    permit,
    {
      id: 'no_limit',
      phase: 'ready',
      kind: 'check',
      say: 'A separate high limit with manual reset is fitted and works',
      why: 'This is an operating control. It is no safety limit, and is never recorded as one.',
      fails: 'No separate high limit with manual reset',
    },
    { id: 'siphon', phase: 'ready', kind: 'check', say: 'Siphon filled, switch level, pipe clear' },
    {
      id: 'fit_gauges',
      phase: 'ready',
      kind: 'act',
      say: 'Fit {inlet_gauge} beside the switch',
      makes: [
        { id: 'gauges', say: 'Test gauge beside the switch', putBack: 'Gauge off, tapping tight' },
      ],
    },
    {
      id: 'as_found',
      phase: 'line_up',
      kind: 'switching',
      purpose: 'as_found',
      role: 'inlet',
      adjuster: 'main',
      count: 1,
      say: 'One cycle as found',
      why: 'Let it rise until it breaks, and fall until it makes.',
    },
    {
      id: 'cover_off',
      phase: 'park',
      kind: 'act',
      say: 'Cover off, locks of both screws loose',
      caution: { hazard: 'moving_parts', say: 'Live contacts under the cover.' },
      makes: [nutEnd('main', 'Scale and differential')],
    },
    {
      id: 'set_band',
      phase: 'set',
      kind: 'switching',
      purpose: 'setting',
      role: 'inlet',
      adjuster: 'main',
      count: 1,
      say: 'Scale first, then the differential',
      why: '{why}',
    },
    { id: 'lock', phase: 'prove', kind: 'act', say: 'Locks tight, cover on', closes: ['nut_main'] },
    {
      id: 'as_left',
      phase: 'lock',
      kind: 'switching',
      purpose: 'as_left',
      role: 'inlet',
      adjuster: 'main',
      count: 'proving_cycles',
      say: 'Three cycles as left',
    },
    putBack,
    sign,
  ],
};
