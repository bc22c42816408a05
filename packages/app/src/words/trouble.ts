import type {
  AnyGuardName,
  FreezeError,
  GaugeFinding,
  GuardOutcome,
  LogError,
  LoggedWatchError,
  PressureError,
  RampError,
} from '@holvek/core';
import type { StorageError } from '@/data/run-shelf';
import type { Units } from '@/units/use-units';
import { plateTrouble } from './plate-trouble';
import { personRefusals } from './person-refusals';
import { placeRefusals } from './place-refusals';
import { speak } from './speak';

/** What was typed cannot be read as a quantity. Nothing has been recorded yet. */
const atmosphereWords = {
  'quantity.altitude_out_of_range': () =>
    'The site’s altitude is out of range, so absolute cannot be turned into gauge pressure.',
  'quantity.below_absolute_zero': () => 'That is below a perfect vacuum. Is it the right unit?',
};
export const parseTrouble = speak<PressureError>({
  ...atmosphereWords,
  'quantity.no_number': () =>
    'There is no number in it. Type what the needle shows, such as 416 or 4.2 bar.',
  'quantity.ambiguous_number': ({ text }) =>
    `${text} can be read two ways. Leave out the mark, or type all decimals.`,
  'quantity.too_long': ({ length }) =>
    `${length} characters are too many for a figure: 40 are read. Nothing was taken.`,
  'quantity.reference_not_wanted': () =>
    'This is a difference: leave out what it is above (a, g, abs, vac).',
  'quantity.unknown_unit': ({ unit }) =>
    `${unit} is no unit known here. Try kPa, bar, psi or mbar.`,
  'quantity.wrong_kind': ({ unit, wanted, got }) =>
    `${unit} is a unit of ${got}; a ${wanted} is asked for.`,
});

/** What to do about each guard: one without words does not compile. */
const guardWords: Record<
  AnyGuardName,
  (have: number | undefined, want: number | undefined, units: Units) => string
> = {
  inlet_above_target: (have, want, { withUnit }) =>
    have === undefined
      ? 'Read the inlet first.'
      : `The inlet reads ${withUnit(have)}. It must stand at ${withUnit(want ?? 0)} or ` +
        `more, or there is nothing to reduce. Bring the supply up, then read again.`,
  flow_above_min: (have, want, { flowWithUnit }) =>
    have === undefined
      ? 'Say how much flows first.'
      : `${flowWithUnit(have)} is below the least flow for this size, ${flowWithUnit(want ?? 0)}. Open an outlet further.`,
  set_in_lane: () => 'The setting is not in its lane yet.',
  has_cracked: () => 'It has not been seen to crack yet.',
  cycles_captured: (have, want) => `${have ?? 0} of ${want ?? 0} whole cycles are marked.`,
  overdemand: (have, want) =>
    have === undefined
      ? 'Say how many outlets run in normal work, and how many are open now.'
      : `${have} outlets are open; at least ${Math.ceil(want ?? 0)} are wanted, or the valve is not in control.`,
  pump_above_target: (have, want, { withUnit }) =>
    have === undefined
      ? 'Read upstream first.'
      : `Upstream reads ${withUnit(have)}. Below ${withUnit(want ?? 0)} there is nothing to sustain.`,
  small_flow: () => 'Without a small flow the regulator holds what it has. Crack downstream first.',
  line_at_target: (have, want, { withUnit }) =>
    have === undefined
      ? 'Read the line first.'
      : `The line reads ${withUnit(have)}; it must stand at ${withUnit(want ?? 0)} or more. Throttle further, or go by count.`,
  gauge_stayed: () =>
    'If the gauge rose, the compensator still ruled it: the main relief is not low enough. Lower it, then answer again.',
  aligned: () => 'The output still follows the band.',
  tuned: () => 'Band and reset are not dialled yet.',
  volts_left: () => 'Too few volts arrive at the end of a cable. Leave the supply off.',
  terminals_right: (have) => `${have ?? 0} terminals are still to be looked at.`,
  registers_right: (have) => `${have ?? 0} registers do not hold what they should yet.`,
  stroke_found: () => 'Both ends of the stroke are not found yet.',
  tuned_for_trim: () => 'Valve or trim have changed since it was tuned: it has to tune itself.',
  edges_found: () => 'Both edges are not known yet.',
  band_holds: () => 'Scale and differential do not hold yet.',
  switch_cycles: (have, want) => `${have ?? 0} of ${want ?? 0} whole cycles are marked.`,
  suction_below: (have, want, { withUnit }) =>
    have === undefined
      ? 'Read suction without the control first.'
      : `Suction stands at ${withUnit(have)}; without the control it must fall to ` +
        `${withUnit(want ?? 0)}. Lower the load further, undo to the reading, and read again.`,
  lit_late: () => 'It has not lit at once with a late spark yet.',
  supply_right: () =>
    'Set the air supply first: with the wrong one the top of the travel means nothing.',
  points_whole: (have) => `${have ?? 0} points are still to be taken.`,
  linkage_holds: () => 'Zero and span do not hold yet.',
  right_spring: () => 'The spring for this target is not in yet.',
  no_open_ends: (have) => `${have} open ends are left.`,
};
export const guardTrouble = (guard: GuardOutcome, units: Units): string =>
  guard.state === 'met'
    ? ''
    : guardWords[guard.guard](
        guard.state === 'unmet' ? guard.have : undefined,
        guard.state === 'unmet' ? guard.want : undefined,
        units,
      );

/** An event that may not join its run. */
export const eventTrouble = speak<FreezeError | StorageError>({
  'run.paused': () => 'This run rests. Carry it on first.',
  'run.not_paused': () => 'This run does not rest.',
  'run.cannot_be_undone': () => 'The beginning of a run cannot be taken back. End it instead.',
  'run.started_twice': () => 'This run has begun already.',
  'sheet.not_signed': () => 'There is no name under it yet.',
  'run.already_signed': () =>
    'This run is signed; its sheet does not change. What you entered was not added.',
  'run.abandoned': () => 'This run was given up. Start a new one.',
  'run.open_ends_left': ({ openEnds }) => `Not put back yet: ${openEnds.join('; ')}.`,
  'run.steps_left': ({ step }) => `Still to do: ${step}.`,
  'run.guard_unmet': ({ guard }, units) => guardTrouble(guard, units),
  'run.unknown_adjuster': () => 'This valve has no such adjuster.',
  'run.unknown_step': () => 'This step belongs to another version of the procedure.',
  'run.other_gauge': () => 'That figure is of a gauge that this run has not.',
  'run.not_as_written': ({ text, unit }) =>
    `The figure is not what “${text} ${unit}” comes to on this gauge. Read it once more.`,
  'run.not_in_log': ({ figure }, { withUnit }) =>
    `${withUnit(figure)} is none of what the log beside it shows. Read the file once more.`,
  'run.beyond_gauge': ({ gauge }) => `That is beyond ${gauge}’s range. Typed right?`,
  'run.off_its_scale': ({ least, most }) =>
    `The arm’s scale goes from ${least} to ${most}. Nothing was kept.`,
  'run.negative_impossible': () => 'This gauge cannot show less than nothing. Is the sign right?',
  'run.no_such_reading': () =>
    'The reading that it shows is not of this run, or was taken back. The picture is kept with the valve.',
  'valve.not_a_plate': ({ say }) =>
    `No plate of this kind says that (${say}). Nothing was changed.`,
  'run.other_valve': () =>
    'That is another kind of valve, or one with other screws. End this run and begin one on the valve that is there.',
  'run.order_would_change': () =>
    'With that plate the work goes in another order, and something has been moved already. ' +
    'Put it back by ending the run, correct the plate in the register, and begin anew.',
  'run.plate_forbids': ({ issue }, units) =>
    `${plateTrouble(issue, units)} By that it must not be set as it was to be: end the work first, ` +
    'then tell what the plate says.',
  'run.not_as_found': ({ adjuster }) =>
    `${adjuster} has been moved, so it is not as it was found. End it in another way.`,
  'run.sheet_has_no_as_left': () => 'There is no as-left reading yet.',
  'run.purge_first': () => 'The last light failed: the whole purge first, then another spark.',
  'run.lights_spent': ({ most }) =>
    `${most} lights were tried, the most this house allows in one search. Stop, and look for what is wrong.`,
  'run.point_twice': ({ at }) =>
    `The point at ${Math.round(at * 100)} % is there already. Undo it to take it again.`,
  'coach.turn_of_nothing': () => 'A turn of nothing teaches nothing. How far did the screw go?',
  'coach.turn_too_large': ({ largest }) =>
    `This adjuster has ${largest} turns from end to end. How far did it really go?`,
  'storage.full': () =>
    'This phone’s storage is full, so nothing was recorded. Free some space, then do it again.',
});

export const findingWords = speak<GaugeFinding>({
  'gauge.out_of_date': ({ due }) => `Calibration ran out on ${due}`,
  'gauge.failed_check': ({ on, why }) => `It failed its check on ${on}: ${why}`,
  'gauge.range_too_low': () => 'Target lies in the top quarter of its range',
  'gauge.range_too_high': () => 'Target lies in the bottom quarter of its range',
  'gauge.other_measure': () => 'Shows another kind of figure than is set here',
  'gauge.beyond_range': () => 'Target is beyond its range',
  'gauge.tur_low': ({ tur }) => `Tolerance is only ${tur.toFixed(1)} times its error`,
  'gauge.tur_too_low': ({ tur }) => `Tolerance is ${tur.toFixed(1)} times its error: cannot judge`,
  'gauge.resolution_coarse': () => 'Its divisions are too coarse',
  'gauge.cannot_source': ({ kind }) =>
    `It cannot give ${{ current: 'this current', voltage: 'this voltage', pressure: 'this pressure', fraction: 'this signal' }[kind]}`,
  'gauge.tolerance_under_uncertainty': ({ uncertainty }) =>
    `Its own uncertainty, ${(uncertainty * 100).toFixed(2)} % of span, is no smaller than the tolerance: cannot judge`,
});

/** A log that cannot be read, or that shows no opening. Nothing was changed in the run. */
export const logTrouble = speak<LogError | RampError | LoggedWatchError>({
  'log.empty': () => 'The file is empty. Nothing was changed.',
  'log.no_pressure_column': () =>
    'No column of pressures was found. Name one “pressure” with its unit, or put time first and pressure second.',
  'log.unknown_unit': ({ unit }) =>
    `${unit} is no unit of pressure known here. Nothing was changed.`,
  'log.unit_not_said': () => 'Neither heading nor figures say in which unit it was logged.',
  'log.no_rows': ({ lines }) =>
    `None of its ${lines} lines holds a time and a pressure. Nothing was changed.`,
  'log.cancelled': () => 'Stopped. Nothing was changed.',
  'log.watch_too_short': ({ have, want }) =>
    `Of the watch only ${Math.round(have)} s lie in this log; ${want} s are wanted. Nothing was taken over.`,
  'prove.log_too_short': ({ have, want }) =>
    `Only ${have} samples; at least ${want} are wanted to see a ramp.`,
  'prove.no_ramp': () => 'The pressure never rises or falls far enough to be a ramp.',
  'prove.no_break': () =>
    'Every ramp is one straight line: the valve is not seen to open. Raise the line further, or mark by hand.',
});

/** What the server said no with; the entry stays on the phone. */
export const refusalWords = (code: string): string =>
  ({
    ...personRefusals,
    ...placeRefusals,
    'run.already_signed': 'The run was signed elsewhere before this arrived.',
    'run.abandoned': 'The run was given up elsewhere before this arrived.',
    'run.guard_unmet': 'What this step asks for was not so when it was entered.',
    'run.unknown_step': 'The run has no such step.',
    'run.not_in_log': 'Its figures are not those of the log beside them.',
    'run.unknown_adjuster': 'The valve has no such adjuster.',
    'run.started_twice': 'The run has begun already.',
    'run.cannot_be_undone': 'The beginning of a run cannot be taken back.',
    'run.nothing_to_undo': 'What it takes back is not in the run.',
    'run.events_missing':
      'The signature is filed once every entry that it is about has come in, from the other phones too.',
    'run.covers_refused':
      'It signs for an entry that the server has refused. Mend the cause, then send the run again.',
    'run.root_differs': 'The signature is not about the entries that it names.',
    'run.entry_refused': 'It signs for an entry that was not allowed when it was made.',
    'sheet.differs':
      'This phone and the server do not come to the same sheet. Nothing was filed; one of them needs the newer version.',
    'event.hash_missing': 'It is not sealed: this phone needs the newer version.',
    'event.hash_differs': 'It is not what its seal says: it was changed on its way.',
    'event.unseen': 'It does not say what came before it.',
    'event.order_wrong': 'Its number in the order is not the next one.',
    'event.follows_refused': 'It follows an entry that was refused.',
    'event.unknown_field': 'The server is older than this phone. Nothing is lost.',
    'client_link.until_wrong': 'An address lives for a year at the most, and not from yesterday.',
    'client_link.received_already': 'Somebody has received it already.',
    'client_link.not_found': 'That address is no longer there.',
    'entry.no_such_hand': 'Nobody of that name may go on with it.',
    'gauge.not_found': 'Its gauge is not in the register.',
    'gauge.never_so': 'The register never had this gauge like that.',
    'plate.never_so': 'The register never had this plate or target. Fetch the valve again.',
    'repair.never_so': 'The register never had the repair that it answers. Send the repair first.',
    'repair.other_valve': 'It was made on another valve, and stays there.',
    'photo.other_picture': 'What was said of one picture cannot be given to another.',
    'picture.not_found':
      'Its file has not reached the server, and this phone has lost it. Take it again.',
    'picture.unreadable': 'It is no picture that the server can open.',
    'picture.other_digest': 'It did not arrive as it was sent. It is sent again.',
    'countersign.not_wanted': 'Nobody wants a second signature under this sheet.',
    'countersign.done': 'Somebody has countersigned it already.',
    'countersign.own': 'Who has signed a sheet does not countersign it: ask another supervisor.',
    'countersign.signature_wrong': 'The signature is not over what was said. Nothing was taken.',
    'countersign.other_key':
      'This phone has another key than the one that you signed in with. Sign in anew.',
    'sheet.already_revised': 'A later revision of this sheet exists: look at that one.',
    'larkhollow.off': 'This server offers no Larkhollow: run the demo for it.',
    'archive.off': 'This server makes no archive: whoever runs it makes one another way.',
    'archive.in_the_making': 'An archive is being made just now. Ask again in a moment.',
    'backup.off': 'This server makes no backups: whoever runs it makes them another way.',
    'rules.never_so': 'The house never had these rules. Fetch them again.',
    'request.too_many_events': 'Too many entries at once.',
    'valve.tag_taken': 'Another valve has this tag already.',
    'gauge.tag_taken': 'Another gauge has this tag already.',
    'valve.not_found': 'The valve is not in the register any more.',
    'run.record_on_twin': 'A record cannot be made on a simulated valve.',
    'sheet.is_practice': 'Practice is not corrected: it is no record.',
    'run.unknown_procedure':
      'The server is older than this phone and does not know these steps. Nothing is lost.',
    'run.unknown_school': 'The server does not know this way of setting.',
    'event.id_taken': 'Another entry has its number already. It stays on this phone.',
    'event.other_run': 'It belongs to another run.',
    'request.too_often': 'Too much was asked at once. It is tried again by itself.',
    'request.invalid': 'The server could not read it.',
    'request.control_characters':
      'There is a character in it that nobody can see, perhaps from a copied text. Type it anew.',
    'document.not_one_line': 'A tag, a name and a place are one line each.',
    'document.changed':
      'Somebody has changed it meanwhile. Nothing was overwritten: both versions are shown.',
    'gauge.corrections_fold':
      'A table of corrections rises from point to point: no point twice, and no two showings of one pressure.',
    'gauge.range_upside_down': 'The range stands upside down: low end first.',
    'ladder.name_twice': 'Two rungs have the same name. Nothing was changed.',
    'ladder.feeding_loop': 'Rungs feed one another in a circle. Nothing was changed.',
    'ladder.rung_unknown': 'A rule names a rung that is not there. Nothing was changed.',
    'csv.missing_columns': 'Columns are missing in the file. Nothing was changed.',
    'csv.no_rows': 'There are no rows in the file. Nothing was changed.',
  })[code] ?? code;
