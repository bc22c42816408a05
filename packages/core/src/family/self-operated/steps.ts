import type { Phase, Procedure, Step } from '../../step';
import type { AnyPlate } from '../../valve';
import { ask, cause, sharedCauses } from '../shared/causes';
import { controlValveFaults, ordinaryCauses } from '../shared/ordinary-causes';
import { lockStep, nutEnd, permit, putBack, sign } from '../shared/steps';
import { arrangementSchema, type Arrangement } from './plate';
import { shutDown, startUp, type Move } from './sequences';

const anyArrangement: Arrangement = {
  service: 'reducing',
  control_line: true,
  bypass: true,
  loading: 'bled_last',
  vent_piped: true,
};
export const arrangementOf = (plate: AnyPlate): Arrangement =>
  'arrangement' in plate ? arrangementSchema.parse(plate.arrangement) : anyArrangement;

const asStep =
  (phase: Phase) =>
  ({ id, say, why, does, warns }: Move): Step => ({
    id,
    phase,
    kind: 'act',
    say,
    why,
    does,
    ...(id === 'unload' ? { adjuster: 'main' } : {}),
    ...(warns ? { caution: { hazard: 'stored_pressure', say: warns } } : {}),
  });

const pressureCaution: Step = {
  id: 'stored_pressure',
  phase: 'ready',
  kind: 'caution',
  say: 'Line pressure up to {inlet_rating}',
  caution: {
    hazard: 'stored_pressure',
    say: 'A wrong order can put pressure on the parts from the wrong side. Maker, permit and local code come before this coach.',
  },
};

/** Looked at and fitted before anything is moved. */
const readySteps = ({ vent_piped: isPiped }: Arrangement): readonly Step[] => [
  {
    id: 'undamaged',
    phase: 'ready',
    kind: 'check',
    say: 'Undamaged, pipe clean, flow arrow with the flow',
    fails: 'Damaged, or fitted against its flow arrow',
  },
  {
    id: 'sealed',
    phase: 'ready',
    kind: 'check',
    say: 'Sealant on external threads only, or gaskets in the flanges',
    why: 'Sealant inside ends up under the seat.',
  },
  {
    id: 'vent',
    phase: 'ready',
    kind: 'check',
    say: isPiped ? 'Vent piped away, its end outside and open' : 'Vent open, pointing down',
    why: 'A blocked case cannot breathe.',
  },
  {
    id: 'fit_gauges',
    phase: 'ready',
    kind: 'act',
    say: 'Fit {inlet_gauge} before it and {outlet_gauge} after it',
    makes: [
      {
        id: 'gauges',
        say: 'Test gauges on the tappings',
        putBack: 'Gauges off, tappings plugged',
      },
    ],
  },
];

/** A reducing one is watched with nothing flowing. */
const noFlowSteps: readonly Step[] = [
  {
    id: 'stop_flow',
    phase: 'prove',
    kind: 'act',
    say: 'Shut every outlet: no flow',
    does: { demand: 0 },
    makes: [
      {
        id: 'outlets',
        say: 'Outlets shut for the no-flow proof',
        putBack: 'Outlets back as they were',
        restores: { demand: 0.5 },
      },
    ],
  },
  {
    id: 'no_flow',
    phase: 'prove',
    kind: 'table',
    role: 'outlet',
    purpose: 'no_flow',
    rows: 6,
    say: 'Watch the outlet with nothing flowing',
    why: 'It may rise a little and stop. A rise that goes on is creep.',
  },
  {
    id: 'flow_again',
    phase: 'prove',
    kind: 'act',
    say: 'Let a working flow run again',
    does: { demand: 0.5 },
  },
];

export function startSteps(arrangement: Arrangement): readonly Step[] {
  const isReducing = arrangement.service === 'reducing';
  const role = isReducing ? 'outlet' : 'inlet';
  const moves = startUp(arrangement).map(asStep('park'));
  return [
    pressureCaution,
    permit,
    ...readySteps(arrangement),
    {
      id: 'loosen_nut',
      phase: 'line_up',
      kind: 'act',
      say: 'Lock nut loose, screw free to turn',
      makes: [nutEnd('main', 'Adjusting screw')],
    },
    ...moves,
    {
      id: 'little_flow',
      phase: 'park',
      kind: 'act',
      say: 'Let a working flow run',
      does: { demand: 0.5 },
      why: 'A regulator is not a shut-off valve: it is set while something flows.',
    },
    {
      id: 'come_up',
      phase: 'set',
      kind: 'set',
      adjuster: 'main',
      role,
      purpose: 'setting',
      say: 'Screw in to {target}',
      why: '{why}',
      expects: isReducing
        ? 'Downstream follows the screw up.'
        : 'Upstream rises as the spring is loaded.',
    },
    ...(isReducing ? noFlowSteps : []),
    lockStep('main', 'Adjusting screw'),
    {
      id: 'as_left',
      phase: 'lock',
      kind: 'read',
      role,
      purpose: 'as_left',
      adjuster: 'main',
      say: `Read the ${role} as left`,
    },
    putBack,
    sign,
  ];
}

const shutSteps = (arrangement: Arrangement): readonly Step[] => [
  pressureCaution,
  permit,
  {
    id: 'as_found',
    phase: 'ready',
    kind: 'read',
    role: arrangement.service === 'reducing' ? 'outlet' : 'inlet',
    purpose: 'as_found',
    adjuster: 'main',
    say: 'Read what it holds now',
  },
  ...shutDown(arrangement).map(asStep('line_up')),
  {
    id: 'empty',
    phase: 'prove',
    kind: 'check',
    say: 'Both gauges at nothing, bleeds left open',
    why: 'Only then may anything be loosened.',
  },
  { id: 'tagged', phase: 'lock', kind: 'check', say: 'Blocks locked and tagged' },
  putBack,
  sign,
];

/** Self-operated regulator: install check, and start-up and shut-down computed from how it is piped. */
export const selfOperatedProcedure: Procedure = {
  family: 'self_operated',
  version: 1,
  schools: [
    {
      id: 'start_up',
      name: 'Install check and start up',
      when: 'New, or after it has been shut down.',
    },
    {
      id: 'shut_down',
      name: 'Shut down',
      when: 'To take it out of the line, in the order that harms nothing.',
      leaves: 'sequence',
    },
  ],
  initial: {
    supply: 'on',
    inlet_block: 1,
    outlet_block: 1,
    inlet_bleed: 0,
    outlet_bleed: 0,
    by_pass: 0,
    control_line: 1,
    loading: 1,
    demand: 0.5,
    always: 1,
  },
  fittings: [
    { key: 'inlet_block', name: 'Inlet block' },
    { key: 'inlet_bleed', name: 'Inlet bleed' },
    { key: 'outlet_bleed', name: 'Outlet bleed' },
    { key: 'outlet_block', name: 'Outlet block' },
    { key: 'by_pass', name: 'By-pass' },
    { key: 'control_line', name: 'Control line' },
    { key: 'loading', name: 'Loading supply' },
  ],
  causes: [
    cause({
      id: 'control_shut',
      title: 'Control line shut or blocked',
      tell: 'It does not see the pressure that it should hold.',
      doThis: 'Open it, or blow it clear with the line isolated.',
      check: ask('Is the control line open?', 'control', ['Open', 'open'], ['Shut', 'shut']),
      prior: 0.25,
      noChange: 0.8,
      likelihood: { control: { shut: 0.95, open: 0.05 } },
    }),
    cause({
      id: 'by_pass_open',
      title: 'The by-pass is open',
      tell: 'The line goes round it.',
      doThis: 'Shut the by-pass.',
      check: ask('Is the by-pass shut?', 'by_pass', ['Shut', 'shut'], ['Open', 'open']),
      prior: 0.2,
      noChange: 0.9,
      likelihood: { by_pass: { open: 0.95, shut: 0.05 } },
    }),
    ...ordinaryCauses(...controlValveFaults, 'vent_blocked'),
    ...sharedCauses(
      'no_flow',
      'supply_low',
      'nut_tight',
      'off_spring',
      'reversed',
      'stiffer_or_softer',
    ),
  ],
  build: (plate, school) =>
    school === 'shut_down' ? shutSteps(arrangementOf(plate)) : startSteps(arrangementOf(plate)),
  steps: startSteps(anyArrangement),
};
