import { ask, cause, sharedCauses } from './shared-causes';
import { fitGauges, lockStep, nutEnd, permit, putBack, sign } from './shared-steps';
import type { Procedure } from './step';

/** Pilot-operated relief valve on water: found by lowering until it dribbles, proved over cycles. */
export const pilotReliefProcedure: Procedure = {
  family: 'relief_pilot',
  version: 1,
  schools: [
    {
      id: 'raise_line',
      name: 'Raise the line',
      when: 'The line can be run up to the set pressure: the better way.',
      method: 'by_pressure',
    },
    {
      id: 'count_turns',
      name: 'Count turns',
      when: 'The line cannot be raised. Rough: recorded as by count.',
      method: 'by_count',
    },
  ],
  initial: { inlet_isolator: 1, sensing_cock: 1, outlet_cock: 1, line: 'working', demand: 1 },
  fittings: [
    { key: 'inlet_isolator', name: 'Inlet isolator', kind: 'isolator', at: 'before' },
    { key: 'sensing_cock', name: 'Pilot sensing cock', kind: 'cock', at: 'above' },
    { key: 'outlet_cock', name: 'Chamber outlet cock', kind: 'cock', at: 'above' },
    { key: 'line', name: 'Line', kind: 'selector', at: 'before' },
  ],
  causes: [
    cause({
      id: 'line_low', title: 'The line stands under the setting', tell: 'Nothing can dribble while the line is below what the pilot asks for.',
      doThis: 'Go on lowering in small moves, or raise the line.', check: ask('Is the line at the pressure you want it to crack at?', 'supply', ['Yes', 'ok'], ['No, below', 'low']),
      prior: 0.4, noChange: 0.9, likelihood: { supply: { low: 0.8, ok: 0.2 } },
    }),
    cause({
      id: 'sensing_shut', title: 'The pilot’s sensing cock is shut', tell: 'The pilot does not see the line.', doThis: 'Open the sensing cock.',
      check: ask('Does the sensing cock’s handle lie along its pipe?', 'sensing', ['Along it: open', 'open'], ['Across it', 'shut']), prior: 0.2, noChange: 0.95, likelihood: { sensing: { shut: 0.97, open: 0.03 } },
    }),
    cause({
      id: 'outlet_shut', title: 'The chamber’s outlet cock is shut', tell: 'The chamber cannot empty, so the valve cannot lift.', doThis: 'Open the outlet cock slowly.',
      check: ask('Is the chamber’s outlet cock open?', 'outlet', ['Open', 'open'], ['Shut', 'shut']), prior: 0.2, noChange: 0.95, likelihood: { outlet: { shut: 0.97, open: 0.03 } },
    }),
    ...sharedCauses('nut_tight', 'air', 'off_spring', 'reversed'),
  ], // prettier-ignore
  steps: [
    {
      id: 'stored_pressure', phase: 'ready', kind: 'caution', say: 'A relief valve throws its whole flow at once',
      caution: { hazard: 'water_discharge', say: 'The discharge can knock a person down. Nobody in its path, cables out of it. Maker, permit and local code come before this coach.' },
    },
    permit,
    { id: 'discharge_path', phase: 'ready', kind: 'check', say: 'The discharge path is clear and piped to a safe place', why: 'Know where it will go before anything is opened.' },
    fitGauges('Fit {inlet_gauge} on the line, directly before the valve'),
    { id: 'as_found_crack', phase: 'ready', kind: 'ask', say: 'Has it been seen to open, and at what pressure?', asks: { key: 'as_found_main', kind: 'pressure', label: 'Opened at', optional: true, hint: 'Leave it empty when nobody knows.' } },
    {
      id: 'shut_outlet_cock', phase: 'line_up', kind: 'act', say: 'Sensing cock open, chamber outlet cock closed', why: 'Closed, it keeps the valve shut while you work.', does: { sensing_cock: 1, outlet_cock: 0 },
      makes: [{ id: 'outlet_cock', say: 'Chamber outlet cock closed', putBack: 'Chamber outlet cock open', restores: { outlet_cock: 1 } }],
    },
    { id: 'loosen_nut', phase: 'line_up', kind: 'act', say: 'Cap off, lock nut loose; hold the screw still', makes: [nutEnd('main', 'Pilot adjuster')] },
    {
      id: 'park', phase: 'park', kind: 'act', adjuster: 'main', say: 'Park the adjuster high', why: 'It must not open while the line comes on.', does: { adjuster_main: 'full' },
      makes: [{ id: 'parked_main', say: 'Adjuster parked high', putBack: 'Adjuster at its setting' }],
    },
    {
      id: 'inlet_open', phase: 'park', kind: 'act', say: 'Main inlet isolator slowly open', caution: { hazard: 'water_discharge', say: 'It spills until the chamber has filled, then shuts.' }, does: { inlet_isolator: 1 },
    },
    { id: 'outlet_cock_open', phase: 'park', kind: 'act', say: 'Chamber outlet cock slowly open', closes: ['outlet_cock'], does: { outlet_cock: 1 }, expects: 'It stays shut at working pressure, {working}.' },
    {
      id: 'raise_line', phase: 'park', kind: 'act', school: 'raise_line', say: 'Throttle downstream until the line stands at {target}', why: 'The pump goes back up its curve.', caution: { hazard: 'stored_pressure', say: 'The whole line rises with it. Nothing on it may be rated below {limit}.' },
      does: { line: 'at_set' }, makes: [{ id: 'throttled', say: 'Line throttled and raised', putBack: 'Throttle open, line at working pressure', restores: { line: 'working' } }],
    },
    { id: 'line', phase: 'park', kind: 'read', school: 'raise_line', role: 'inlet', purpose: 'line', needs: ['line_at_target'], say: 'Read the line', why: 'It must stand at the pressure the valve is to crack at.' },
    { id: 'line_here', phase: 'park', kind: 'read', school: 'count_turns', role: 'inlet', purpose: 'line', say: 'Read the line as it stands', why: 'Turns are counted from the pressure here.' },
    {
      id: 'first_dribble', phase: 'set', kind: 'search', adjuster: 'main', role: 'inlet', toward: 'lower', needs: ['has_cracked'],
      say: 'Lower until the first dribble', why: 'The setting has then come down to the pressure of the line.', expects: 'A drip, a trickle, a lift of the indicator. Small moves.',
      caution: { hazard: 'water_discharge', say: 'It may open wide. Keep clear of the outlet.' }, closes: ['parked_main'],
    },
    {
      id: 'raise_by_count', phase: 'set', kind: 'count', school: 'count_turns', adjuster: 'main', role: 'inlet', from: 'first_dribble',
      say: 'Raise until it just stops, then by count to {target}', why: 'Turns = (set − pressure here) ÷ rate. Rough: its uncertainty stands on the sheet.',
    },
    {
      id: 'prove_cycles', phase: 'prove', kind: 'capture', school: 'raise_line', adjuster: 'main', role: 'inlet', needs: ['cycles_captured'], ramp: { up: { line: 'over' }, down: { line: 'working' } },
      say: 'Raise slowly, then let down: {proving_cycles} cycles', why: 'Pressure up, flow grows; pressure down, it closes drip-tight. Mark the first dribble and the tight shut.',
    },
    { id: 'shut_here', phase: 'prove', kind: 'check', school: 'count_turns', say: 'It stays shut, drip-tight, at the pressure here', fails: 'Does not close drip-tight: seat or pilot at fault' },
    lockStep('main', 'Pilot adjuster'),
    {
      id: 'as_left_cycle', phase: 'lock', kind: 'capture', count: 1, needs: ['cycles_captured'], school: 'raise_line', adjuster: 'main', role: 'inlet', purpose: 'as_left', ramp: { up: { line: 'over' }, down: { line: 'working' } },
      say: 'One more cycle with the nut tight', why: 'The nut drags the screw: this cracking is the one that counts.',
    },
    putBack,
    sign,
  ], // prettier-ignore
};
