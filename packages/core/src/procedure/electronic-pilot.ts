import { ask, cause } from './shared-causes';
import { permit, putBack, sign } from './shared-steps';
import type { Procedure } from './step';

/** Electronic pilot and its actuator: cables summed and terminals looked at before power, then stroke, range, hand, tuning, run. */
export const electronicPilotProcedure: Procedure = {
  family: 'electronic_pilot',
  version: 1,
  schools: [{ id: 'full', name: 'Wiring, stroke, range, tuning, run', when: 'The ordinary way.' }],
  initial: { signal: 0.5, isolating_cock: 1, power: 'on', bypass: 'automatic' },
  fittings: [
    { key: 'isolating_cock', name: 'Sensor cock', kind: 'isolator', at: 'branch_after' },
    { key: 'power', name: 'Supply', kind: 'switch', at: 'above' },
    { key: 'bypass', name: 'By-pass', kind: 'selector', at: 'round' },
  ],
  causes: [
    cause({ id: 'volts_short', title: 'Too few volts arrive', tell: 'It resets itself as soon as the motor starts.', doThis: 'Measure at its terminals while the motor runs. Thicker or shorter cable, never a higher fuse.', check: ask('Are the volts at its terminals above the plate’s least while it moves?', 'volts_moving', ['Yes', 'yes'], ['No', 'no']), prior: 0.3, noChange: 0.7, likelihood: { volts_moving: { no: 0.95, yes: 0.05 } } }),
    cause({ id: 'stem_blocked', title: 'Something stands in the stroke', tell: 'It finds its end early: too few counts from shut to open.', doThis: 'Supply off and locked, line by-passed. Look into the seat, then stroke it again.', check: ask('Does the stem go all the way by the hand wheel?', 'stem_free', ['Yes', 'yes'], ['No', 'no']), prior: 0.3, noChange: 0.5, likelihood: { stem_free: { no: 0.95, yes: 0.05 } } }),
    cause({ id: 'sense_wrong', title: 'The application is the wrong one', tell: 'In automatic it runs to one end.', doThis: 'Reducing opens when pressure is low, back pressure when it is high: set the application.', prior: 0.2, noChange: 0.2 }),
    cause({ id: 'range_wrong', title: 'The sensor’s range is entered wrong', tell: 'It holds a steady pressure, but another one than the gauge shows.', doThis: 'Enter the range from the sensor’s plate, then read five points again.', prior: 0.25, noChange: 0.2 }),
    cause({ id: 'two_masters', title: 'Two hands on one valve', tell: 'It obeys, then goes back by itself.', doThis: 'Look for a contact that overrides it, or a bus master that writes too.', prior: 0.15, noChange: 0.5 }),
  ],
  steps: [
    { id: 'wiring', phase: 'ready', kind: 'caution', say: 'Wiring under power, and a valve that moves by itself', caution: { hazard: 'electric', say: 'In a hazardous area wiring is for licensed persons only. Prove dead before you touch. The motor starts without warning: hands away from stem and wheel. Maker, local code and permit come before this coach.' } },
    permit,
    { id: 'line_found', phase: 'ready', kind: 'read', role: 'outlet', purpose: 'as_found', adjuster: 'main', needs: [], say: 'Read {outlet_gauge}: where does the line stand?', why: 'What it holds as found, before anything is switched.' },
    { id: 'isolated', phase: 'ready', kind: 'act', say: 'Line by-passed; control room told', does: { bypass: 'manual' }, makes: [{ id: 'by_pass', say: 'Valve out of control, line by-passed', putBack: 'Valve back in control, control room told', restores: { bypass: 'automatic' } }] },
    { id: 'power_off', phase: 'ready', kind: 'act', say: 'Loop and actuator supply off, locked, proven dead', does: { power: 'off' }, caution: { hazard: 'electric', say: 'A lock of your own on the switch. Test the tester, test the wires, test the tester.' }, makes: [{ id: 'supply_off', say: 'Supply off and locked', putBack: 'Lock off, supply on', restores: { power: 'on' } }] },
    { id: 'cover_off', phase: 'ready', kind: 'act', say: 'Terminal cover off', makes: [{ id: 'cover', say: 'Terminal cover off', putBack: 'Terminal cover on, its seal clean' }] },
    { id: 'cables', phase: 'ready', kind: 'cables', needs: ['volts_left'], say: 'Do enough volts arrive at both ends?', why: 'Supply less what the end needs, less the headroom, less what the wire takes must stay above nothing.' },
    { id: 'terminals', phase: 'ready', kind: 'terminals', needs: ['terminals_right'], say: 'Terminals, one by one' },
    { id: 'power_on', phase: 'ready', kind: 'act', say: 'Lock off, supply on', does: { power: 'on' }, caution: { hazard: 'moving_parts', say: 'It may move at once.' }, closes: ['supply_off'] },
    { id: 'calibrator_on', phase: 'line_up', kind: 'act', say: 'Sensor cock shut and bled; {inlet_gauge} on the sensor', does: { isolating_cock: 0 }, caution: { hazard: 'stored_pressure', say: 'Shut, then bleed to a safe place, then open.' }, makes: [{ id: 'sensor_cock', say: 'Sensor cock shut, calibrator on', putBack: 'Calibrator off, sensor cock open', restores: { isolating_cock: 1 } }] },
    { id: 'as_found', phase: 'line_up', kind: 'points', purpose: 'as_found', needs: ['points_whole'], say: 'Sensor as found: five points up, and down again', why: 'What the unit reads against the calibrator. Nothing is keyed in before.' },
    { id: 'trim', phase: 'line_up', kind: 'ask', say: 'Is this trim still in the valve: {trim}?', why: 'It tunes itself anew only when valve or trim has changed.', asks: { key: 'trim_same', kind: 'choice', label: 'Trim', choices: [{ value: 'yes', say: 'Yes, the same' }, { value: 'no', say: 'No, it was changed' }] } },
    { id: 'trim_now', phase: 'line_up', kind: 'ask', onlyIf: { key: 'trim_same', value: 'no' }, say: 'What is in it now?', asks: { key: 'trim_now', kind: 'words', label: 'Valve and trim', hint: 'Goes into the register with the signature.' } },
    { id: 'stroke', phase: 'set', kind: 'stroke', needs: ['stroke_found'], say: 'Stroke it: it looks for shut, then for open', why: 'Until both ends are known, half is not half.', caution: { hazard: 'moving_parts', say: 'It goes from end to end by itself. Hands away.' } },
    { id: 'range', phase: 'set', kind: 'registers', registers: ['range_low', 'range_high', 'trim_zero', 'trim_span'], needs: ['registers_right'], say: 'Sensor range and trims', why: '4 mA is the low end, 20 mA the high one. The trims are worked out from the five points.' },
    { id: 'application', phase: 'set', kind: 'registers', registers: ['application', 'set_value'], needs: ['registers_right'], say: 'Application and set value' },
    { id: 'logging', phase: 'set', kind: 'registers', registers: ['clock_day', 'clock_minute', 'log_interval'], needs: ['registers_right'], say: 'Date, time and log' },
    { id: 'as_left', phase: 'prove', kind: 'points', purpose: 'as_left', needs: ['points_whole'], say: 'Sensor as left: five points up, and down again' },
    { id: 'calibrator_off', phase: 'prove', kind: 'act', say: 'Calibrator off, sensor cock open', does: { isolating_cock: 1 }, closes: ['sensor_cock'] },
    { id: 'by_hand', phase: 'prove', kind: 'registers', registers: ['mode', 'manual_output'], needs: ['registers_right'], say: 'By hand, at half', why: 'It must stand still at half before it is let go.' },
    { id: 'half', phase: 'prove', kind: 'check', say: 'It stands at half and does not hunt', fails: 'By hand it does not stand still' },
    { id: 'self_tune', phase: 'prove', kind: 'self_tune', needs: ['tuned_for_trim'], say: 'It tunes itself', caution: { hazard: 'moving_parts', say: 'It swings the line a little, up and down, for some minutes. The control room knows.' } },
    { id: 'run', phase: 'prove', kind: 'registers', registers: ['mode'], needs: ['registers_right'], say: 'Let it run', caution: { hazard: 'moving_parts', say: 'From here it moves by itself.' } },
    { id: 'rests', phase: 'prove', kind: 'wait', say: 'Leave it alone for three minutes', why: 'What is left of the tuning’s swing takes some minutes to go.' },
    { id: 'holds', phase: 'prove', kind: 'read', role: 'outlet', purpose: 'as_left', adjuster: 'main', needs: [], say: 'Read {outlet_gauge}: does it hold {target}?', why: 'Judged by the test gauge, not by its own display.' },
    { id: 'cover_on', phase: 'lock', kind: 'act', say: 'Terminal cover on, glands tight', closes: ['cover'] },
    putBack,
    sign,
  ],
}; // prettier-ignore
