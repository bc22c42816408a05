import type { Procedure } from '../../step';
import { ask, cause } from '../shared/causes';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';

/** Pilot gas of a burner: both edges of lighting with the fewest lights, then the middle, then a late spark. */
export const burnerProcedure: Procedure = {
  family: 'burner_pilot',
  version: 1,
  schools: [
    {
      id: 'edges',
      name: 'Both edges, then the middle',
      when: 'The pilot needs a range that lights every time, not the most gas.',
    },
  ],
  initial: { gas: 0, always: 1 },
  fittings: [{ key: 'gas', name: 'Pilot gas' }],
  causes: [
    cause({
      id: 'too_rich',
      title: 'Too much gas',
      tell: 'A dull orange flame, soot, carbon instead of flame.',
      doThis: 'Come down. Turning the gas up after a failure is the usual mistake.',
      check: ask('Is the flame orange, or the rod black?', 'orange', ['Yes', 'yes'], ['No', 'no']),
      prior: 0.35,
      noChange: 0.6,
      likelihood: { orange: { yes: 0.9, no: 0.1 } },
    }),
    cause({
      id: 'weak_spark',
      title: 'The spark is weak',
      tell: 'Fails at every pressure.',
      doThis: 'Gap, lead and transformer by the maker’s figures.',
      check: ask(
        'Is the spark blue and sharp, right across its gap?',
        'spark',
        ['Yes', 'sharp'],
        ['No, weak or none', 'weak'],
      ),
      prior: 0.3,
      noChange: 0.6,
      likelihood: { spark: { weak: 0.93, sharp: 0.07 } },
    }),
    cause({
      id: 'no_air',
      title: 'The pilot gets no air',
      tell: 'Lights, then goes out.',
      doThis: 'Clear its air holes, look at the draught.',
      check: ask(
        'Are its air holes clear, and does the flame stay?',
        'air_holes',
        ['Yes', 'clear'],
        ['No', 'blocked'],
      ),
      prior: 0.2,
      noChange: 0.5,
      likelihood: { air_holes: { blocked: 0.93, clear: 0.07 } },
    }),
    cause({
      id: 'signal_lead',
      title: 'The flame signal’s lead or earth is bad',
      tell: 'A good flame with a poor signal.',
      doThis: 'Lead, earth and rod; then read the signal again.',
      check: ask(
        'Is the flame’s signal good where the flame is good?',
        'signal_follows',
        ['Yes', 'yes'],
        ['No, poor all the same', 'no'],
      ),
      prior: 0.15,
      noChange: 0.5,
      likelihood: { signal_follows: { no: 0.93, yes: 0.07 } },
    }),
  ],
  steps: [
    {
      id: 'gas',
      phase: 'ready',
      kind: 'caution',
      say: 'Gas and flame: licensed burner practice only',
      caution: {
        hazard: 'gas',
        say:
          'Only a licensed burner technician does this. Every failed light is followed by the whole ' +
          'purge. No jumper stays. Local gas code and the burner’s maker come before this coach.',
      },
    },
    permit,
    {
      id: 'main_off',
      phase: 'ready',
      kind: 'act',
      say: 'Main gas shut by its hand cock',
      caution: { hazard: 'gas', say: 'Nothing but the pilot may light.' },
      makes: [{ id: 'main_gas', say: 'Main gas shut', putBack: 'Main gas cock open' }],
    },
    {
      id: 'hold_trial',
      phase: 'ready',
      kind: 'act',
      say: 'Burner held in its pilot trial',
      why: 'By its switch where it has one; a jumper only by the maker’s book.',
      makes: [
        {
          id: 'held',
          say: 'Held in pilot trial',
          putBack: 'Run switch back, every jumper off and shown',
        },
      ],
    },
    {
      id: 'fit_gauges',
      phase: 'ready',
      kind: 'act',
      say: 'Fit {outlet_gauge}, the manometer, at the pilot',
      makes: [
        { id: 'gauges', say: 'Manometer at the pilot', putBack: 'Manometer off, tapping tight' },
      ],
    },
    {
      id: 'gas_on',
      phase: 'line_up',
      kind: 'act',
      say: 'Pilot gas on',
      does: { gas: 1 },
      makes: [
        {
          id: 'gas_cock',
          say: 'Pilot gas held on',
          putBack: 'Pilot gas under the burner’s own control',
          restores: { gas: 0 },
        },
      ],
    },
    {
      id: 'as_found',
      phase: 'line_up',
      kind: 'read',
      role: 'outlet',
      purpose: 'as_found',
      adjuster: 'main',
      say: 'Read the pilot gas as found',
    },
    {
      id: 'cap_off',
      phase: 'park',
      kind: 'act',
      say: 'Regulator’s cap off, lock loose',
      makes: [nutEnd('main', 'Pilot regulator')],
    },
    {
      id: 'find_edges',
      phase: 'set',
      kind: 'edges',
      adjuster: 'main',
      role: 'outlet',
      say: 'Find both edges of the flame',
      why: 'Between them it lights every time. The maker allows {maker_range}.',
    },
    { ...lockStep('main', 'Pilot regulator') },
    {
      id: 'as_left',
      phase: 'lock',
      kind: 'read',
      role: 'outlet',
      purpose: 'as_left',
      adjuster: 'main',
      say: 'Read the pilot gas as left',
    },
    {
      id: 'late_spark',
      phase: 'lock',
      kind: 'clock',
      clock: 'late_spark',
      say: 'Late spark: gas on, spark withheld {late_spark}',
      why: 'It must light at once. If it bangs or fails, it was flooded: too much gas.',
      caution: {
        hazard: 'gas',
        say: 'Stand aside of the door. A failed light: whole purge before anything else.',
      },
      asks: {
        key: 'lit_late',
        kind: 'choice',
        label: 'Late spark',
        choices: [
          { value: 'yes', say: 'It lit at once' },
          { value: 'no', say: 'It banged, or failed' },
        ],
      },
    },
    {
      id: 'leak_test',
      phase: 'lock',
      kind: 'check',
      say: 'Leak test of every joint that was touched: tight',
      fails: 'Leak test failed',
      caution: { hazard: 'gas', say: 'By the local code’s method, never with a flame.' },
    },
    putBack,
    sign,
  ],
};
