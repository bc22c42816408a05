import type { Cause } from '../../coach';

const yesNo = (yes: [string, string], no: [string, string]) => [
  { say: yes[0], value: yes[1] },
  { say: no[0], value: no[1] },
];

/**
 * Why a reducing valve does not answer its adjuster, commonest first.
 *
 * Evidence keys: answer (no_change, wrong_way, too_little, too_much) · trend (still, creeping_up,
 * falling, swinging) · vent (flows, quiet) · supply (ok, low) · flow (ok, weak, none) · selector
 * (automatic, elsewhere) · nut (loose, tight) · feel (firm, slack, solid) · air (spits, solid) ·
 * travel (middle, low_end, high_end)
 */
export const reducingCauses: readonly Cause[] = [
  {
    id: 'main_filling',
    title: 'The main is still filling',
    tell: 'The valve is wide open and the water is going somewhere. Vent quiet, outlet creeping up.',
    doThis: 'Wait and watch it. Don’t wind on.',
    check: {
      ask: 'Does the pilot vent run while you turn?',
      key: 'vent',
      answers: yesNo(['Yes, it runs', 'flows'], ['No, it is quiet', 'quiet']),
    },
    prior: 0.3,
    likelihood: {
      answer: { no_change: 0.6, too_little: 0.35, wrong_way: 0.02, too_much: 0.03 },
      trend: { creeping_up: 0.75, still: 0.2, falling: 0.02, swinging: 0.03 },
      vent: { quiet: 0.9, flows: 0.1 },
      supply: { ok: 0.7, low: 0.3 },
      nut: { tight: 0.05, else: 0.95 },
    },
  },
  {
    id: 'wide_open',
    title: 'The valve is wide open: demand is too strong',
    tell: 'More is drawn than the supply can hold, so nothing is reduced.',
    doThis: 'Shut outlets until only a small flow is left, then read again.',
    check: {
      ask: 'Is much water being drawn downstream?',
      key: 'flow',
      answers: yesNo(['Yes', 'strong'], ['Only a little', 'ok']),
    },
    prior: 0.12,
    likelihood: {
      answer: { no_change: 0.6, too_little: 0.3, wrong_way: 0.05, too_much: 0.05 },
      trend: { still: 0.6, creeping_up: 0.15, falling: 0.2, swinging: 0.05 },
      vent: { quiet: 0.85, flows: 0.15 },
      flow: { strong: 0.85, ok: 0.08, weak: 0.05, none: 0.02 },
      supply: { ok: 0.45, low: 0.55 },
    },
  },
  {
    id: 'supply_low',
    title: 'The inlet is too low',
    tell: 'The supply stands on the wrong side of the target: there is nothing to reduce.',
    doThis: 'Read the inlet. Bring the supply up, or settle what the line can give.',
    check: {
      ask: 'Does the inlet gauge stand clear above the target?',
      key: 'supply',
      answers: yesNo(['Yes, clear above', 'ok'], ['No', 'low']),
    },
    prior: 0.1,
    likelihood: {
      answer: { no_change: 0.7, too_little: 0.25, wrong_way: 0.03, too_much: 0.02 },
      trend: { still: 0.8, creeping_up: 0.05, falling: 0.1, swinging: 0.05 },
      supply: { low: 0.95, ok: 0.05 },
      vent: { quiet: 0.7, flows: 0.3 },
    },
  },
  {
    id: 'selector_off',
    title: 'Selector not on automatic',
    tell: 'On close or open the pilot is cut out and the adjuster does nothing.',
    doThis: 'Turn the handle to automatic.',
    check: {
      ask: 'Which way does the selector’s handle point?',
      key: 'selector',
      answers: yesNo(['Automatic', 'automatic'], ['Anywhere else', 'elsewhere']),
    },
    prior: 0.1,
    likelihood: {
      answer: { no_change: 0.95, too_little: 0.03, wrong_way: 0.01, too_much: 0.01 },
      trend: { still: 0.9, creeping_up: 0.04, falling: 0.04, swinging: 0.02 },
      selector: { elsewhere: 0.97, automatic: 0.03 },
      vent: { quiet: 0.8, flows: 0.2 },
    },
  },
  {
    id: 'nut_tight',
    title: 'Lock nut still tight',
    tell: 'The screw twists in its thread and springs back.',
    doThis: 'Free the nut, hold it, and make the turn again.',
    check: {
      ask: 'Did the screw really go round?',
      key: 'nut',
      answers: yesNo(['Yes, all the way', 'loose'], ['Not sure', 'tight']),
    },
    prior: 0.08,
    likelihood: {
      vent: { quiet: 0.5, flows: 0.5 },
      answer: { no_change: 0.7, too_little: 0.28, wrong_way: 0.01, too_much: 0.01 },
      trend: { still: 0.95, else: 0.02 },
      nut: { tight: 0.9, loose: 0.1 },
    },
  },
  {
    id: 'no_flow',
    title: 'Too little is flowing',
    tell: 'Below its minimum flow the valve sits on its seat and holds what it has.',
    doThis: 'Open an outlet further, until the least flow for this size runs.',
    check: {
      ask: 'Is water running strongly somewhere?',
      key: 'flow',
      answers: yesNo(['Yes', 'ok'], ['A trickle or nothing', 'weak']),
    },
    prior: 0.1,
    likelihood: {
      vent: { quiet: 0.6, flows: 0.4 },
      answer: { no_change: 0.5, too_little: 0.3, too_much: 0.15, wrong_way: 0.05 },
      trend: { still: 0.5, creeping_up: 0.25, swinging: 0.2, falling: 0.05 },
      flow: { weak: 0.6, none: 0.35, ok: 0.04, strong: 0.01 },
    },
  },
  {
    id: 'air',
    title: 'Air in the chamber',
    tell: 'A cushion of air makes the valve slow, deaf or hunting.',
    doThis: 'Bleed again: selector close and open until water runs solid.',
    check: {
      ask: 'Loosen the cover plug a little: what comes?',
      key: 'air',
      answers: yesNo(['Spitting, then water', 'spits'], ['Solid water', 'solid']),
    },
    prior: 0.09,
    likelihood: {
      vent: { quiet: 0.3, flows: 0.7 },
      answer: { no_change: 0.3, too_little: 0.4, too_much: 0.25, wrong_way: 0.05 },
      trend: { swinging: 0.6, creeping_up: 0.2, still: 0.15, falling: 0.05 },
      air: { spits: 0.9, solid: 0.1 },
    },
  },
  {
    id: 'off_spring',
    title: 'The adjuster is off its spring, or the coils touch',
    tell: 'At either end of its travel the screw turns without changing the load.',
    doThis:
      'Stop turning. Count back to the middle of the travel; a target out there needs another spring.',
    check: {
      ask: 'How does the screw feel?',
      key: 'feel',
      answers: [
        { say: 'Firm, as a spring', value: 'firm' },
        { say: 'Slack', value: 'slack' },
        { say: 'Solid', value: 'solid' },
      ],
    },
    prior: 0.06,
    likelihood: {
      vent: { quiet: 0.6, flows: 0.4 },
      answer: { no_change: 0.85, too_little: 0.13, else: 0.01 },
      travel: { low_end: 0.5, high_end: 0.45, middle: 0.05 },
      feel: { slack: 0.5, solid: 0.45, firm: 0.05 },
      trend: { still: 0.9, else: 0.03 },
    },
  },
  {
    id: 'reversed',
    title: 'This screw works the other way',
    tell: 'The gauge moved against the turn. Believe the gauge, not the plate.',
    doThis: 'Turn the direction round for this valve; the plate keeps a note of it.',
    check: {
      ask: 'Turn back as far as you came, then a quarter further: does the gauge rise?',
      key: 'other_way',
      answers: yesNo(['Yes, it rises', 'rises'], ['No', 'nothing']),
    },
    prior: 0.05,
    likelihood: {
      vent: { quiet: 0.6, flows: 0.4 },
      answer: { wrong_way: 0.78, no_change: 0.2, too_little: 0.01, too_much: 0.01 },
      other_way: { rises: 0.97, nothing: 0.03 },
      travel: { low_end: 0.8, middle: 0.15, high_end: 0.05 },
      trend: { still: 0.7, falling: 0.15, creeping_up: 0.1, swinging: 0.05 },
    },
  },
  {
    id: 'pilot_fast',
    title: 'The pilot answers too fast: hunting',
    tell: 'The outlet swings without dying out, though the air is gone.',
    doThis: 'Ease the speed control as the maker says, or draw a little more flow.',
    prior: 0.04,
    likelihood: {
      vent: { quiet: 0.2, flows: 0.8 },
      answer: { no_change: 0.25, too_little: 0.25, too_much: 0.25, wrong_way: 0.25 },
      trend: { swinging: 0.9, else: 0.03 },
      air: { solid: 0.8, spits: 0.2 },
    },
  },
  {
    id: 'stiffer_or_softer',
    title: 'The spring is not what its plate says',
    tell: 'It answers, only more or less than foretold. The coach has learned it already.',
    doThis: 'Carry on with the next move.',
    prior: 0.05,
    likelihood: {
      vent: { quiet: 0.3, flows: 0.7 },
      answer: { too_little: 0.5, too_much: 0.48, no_change: 0.01, wrong_way: 0.01 },
      trend: { still: 0.9, else: 0.03 },
    },
  },
];
