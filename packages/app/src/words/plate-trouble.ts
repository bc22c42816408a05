import type { PlateIssue } from '@holvek/core';
import { speak } from './speak';

/** What is wrong with a plate or its target. */
export const plateTrouble = speak<PlateIssue>({
  'valve.range_upside_down': ({ colour }) =>
    `The range of the ${colour} spring stands upside down.`,
  'valve.spring_unknown': ({ colour }) =>
    `The fitted spring, ${colour || 'none'}, is not in the spring chart.`,
  'valve.not_finite': ({ field }) => `${field.replaceAll('_', ' ')} is no number.`,
  'valve.target_over_rating': ({ rating }, { withUnit }) =>
    `The target is over the outlet rating of ${withUnit(rating)}.`,
  'valve.target_over_limit': ({ limit }, { withUnit }) =>
    `The target is over its own limit of ${withUnit(limit)}.`,
  'valve.limit_over_rating': ({ rating }, { withUnit }) =>
    `The limit is over the outlet rating of ${withUnit(rating)}.`,
  'valve.target_outside_spring': ({ colour, from, to, wouldDo }, { withUnit }) => {
    const advice =
      wouldDo.length > 0
        ? `Fit the ${wouldDo.join(' or ')} one.`
        : 'No spring in the chart reaches the target: order the right one.';
    return `The ${colour} spring holds ${withUnit(from)} to ${withUnit(to)}. ${advice}`;
  },
  'valve.limit_over_lowest': ({ limit }, { withUnit }) =>
    `Its lowest point bears no more than ${withUnit(limit)} here, lockup and the column down to it taken off: that is the limit.`,
  'valve.target_not_its_sum': ({ wanted }, { withUnit }) =>
    `By what its neediest point wants it should hold ${withUnit(wanted)}.`,
  'valve.target_missing': ({ adjuster }) => `${adjuster}: no target has been given.`,
  'valve.spring_to_change': ({ colour, wouldDo }) =>
    `The ${colour} spring is fitted; the target wants the ${wouldDo} one. The run guides the change.`,
  'valve.sustains_over_pump': ({ running }, { withUnit }) =>
    `The pump runs at ${withUnit(running)}: above that there is nothing to sustain.`,
  'valve.sustains_under_cavitation': ({ cavitation }, { withUnit }) =>
    `Below ${withUnit(cavitation)} the pump cavitates. Sustain higher.`,
  'valve.reduces_over_sustaining': ({ sustaining }, { withUnit }) =>
    `The reducing target must stand below the sustaining one, ${withUnit(sustaining)}.`,
  'valve.relief_under_working': ({ working }, { withUnit }) =>
    `The line works at ${withUnit(working)}: the relief would open in normal work.`,
  'valve.over_machine': ({ most }, { withUnit }) =>
    `The machine’s greatest pressure here is ${withUnit(most)}. Never set above it.`,
  'valve.wrong_sign_for_service': ({ service }) =>
    service === 'vacuum'
      ? 'A vacuum valve opens below the air outside: its target is negative.'
      : 'A pressure valve cannot have a negative target.',
  'valve.maker_figure_wanted': ({ estimate }, { withUnit }) =>
    `Away from standard air the machine gives about ${withUnit(estimate)}: an estimate. Ask the maker for the corrected figure.`,
  'valve.cross_port_over_main': ({ main }, { withUnit }) =>
    `A cross-port must stand below the main relief, ${withUnit(main)}.`,
  'valve.compensator_over_main': ({ main }, { withUnit }) =>
    `The compensator must stand below the main relief, ${withUnit(main)}, or the relief works all the time.`,
  'valve.compensator_under_load': ({ load }, { withUnit }) =>
    `The heaviest load takes ${withUnit(load)}: the compensator would stall it.`,
  'valve.switch_is_no_limit': () =>
    'Without a manual reset it is an operating control. It cannot be recorded as a high limit.',
  'valve.differential_small': ({ least }, { withUnit }) =>
    `The differential is under the least recommended, ${withUnit(least)}: it would chatter.`,
  'valve.scale_not_as_printed': ({ kind }) =>
    `By what is printed on it, it is ${kind}: its scale shows ${kind === 'additive' ? 'cut-in' : 'cut-out'}. Check the plate.`,
  'valve.arm_has_no_scale': () =>
    'A range arm wants the least and the most on its scale, and its smallest mark. Leave all three out where a screw sets its span.',
  'valve.maker_range_upside_down': () => 'The maker’s range stands upside down.',
  'valve.outside_maker_range': ({ low, high }, { figure, withUnit }) =>
    `The target lies outside the maker’s range of ${figure(low)} to ${withUnit(high)}.`,
  'valve.span_of_zero': ({ side }) => `The ${side} has no span: its two ends are the same.`,
  'valve.set_value_outside_sensor': ({ low, high }, { withUnit }) =>
    `The sensor sees ${withUnit(low)} to ${withUnit(high)}: the set value must lie between.`,
  'valve.screw_missing': () => 'The plate names no span screw.',
  'valve.supply_over_rating': ({ rating }, { withUnit }) =>
    `The air supply is over its rating of ${withUnit(rating)}.`,
  'valve.split_does_not_meet': ({ fault }) =>
    fault === 'gap'
      ? 'The two parts of the split range do not meet: between them nothing moves.'
      : 'The two parts of the split range overlap: both valves would move at once.',
  'valve.set_under_ice': () => 'The target reaches down to ice: this one heats water.',
  'valve.set_at_cut_out': ({ at }, { withUnit }) =>
    `Its cut-out shuts the heat off at ${withUnit(at)}: the target, with its tolerance, must stay below.`,
  'valve.limit_over_cut_out': ({ at }, { withUnit }) =>
    `The limit lies over its cut-out, ${withUnit(at)}: the heat is shut off before it.`,
  'valve.better_spring': ({ colour }) =>
    `The ${colour} spring would hold the target nearer the middle of its range.`,
  'valve.accessory_not_approved': ({ accessory }) => `${accessory} is not named in the approval.`,
});
