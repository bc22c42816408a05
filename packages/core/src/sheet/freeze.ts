import { withPlainFigures } from '../digest';
import { judgeOf, measureOf } from '../family';
import { gaugeFitness, guardedVerdict } from '../gauge';
import { err, ok, type Result } from '../result';
import {
  isPractice,
  leavesSetting,
  plateLeft,
  proofsOf,
  settingsLeft,
  signingError,
  type EventError,
  type Run,
  type SettingLeft,
} from '../run';
import {
  controlOf,
  crackingOf,
  deviceOf,
  edgesOf,
  noFlowOf,
  rangeArmOf,
  settingView,
  switchOf,
  tablesOf,
  worstVerdict,
  type SheetVerdict,
} from '../step';
import { filesTaken } from './files-taken';
import type { Outcome, SheetBody, SheetSetting } from './sheet';

export type FreezeError = EventError | { readonly code: 'sheet.not_signed' };

/**
 * What a signed run comes to: as-found, as-left, verdict, proofs, rates and everything put back.
 *
 * @param run           signed, with every step passed and no open end
 * @param previousHash  of the valve's sheet before this one, null for the first
 * @errors  sheet.not_signed, and whatever keeps a run from being signed
 */
export function freezeSheet(run: Run, previousHash: string | null): Result<SheetBody, FreezeError> {
  const blocked = signingError(run);
  if (blocked) return err(blocked);
  if (!run.signed) return err({ code: 'sheet.not_signed' });
  const { started, signed } = run;
  const settings = leavesSetting(run)
    ? settingsLeft(run).map((left) => freezeSetting(run, left))
    : [];
  const tables = leavesSetting(run) ? tablesOf(run) : undefined;
  const isWhole = started.sheet_version !== undefined;
  const proofs = isWhole ? proofsOf(run, settings) : undefined;
  const verdict =
    worstVerdict<SheetVerdict>(
      (proofs ?? [...settings, ...(tables ? [tables] : [])]).map((each) => each.verdict),
    ) ?? null;
  const body: SheetBody = {
    format: 'holvek.sheet',
    version: isWhole ? 2 : 1,
    revision: 1,
    previous_hash: previousHash,
    run_id: run.id,
    ...coverOf(signed),
    valve_id: started.valve_id,
    valve_tag: started.valve_tag,
    valve_name: started.valve_name,
    technician: signed.name,
    school: started.school,
    procedure_version: started.procedure_version,
    rehearsal: isPractice(started),
    started_at_ms: started.at_ms,
    signed_at_ms: signed.at_ms,
    plate: plateLeft(run),
    target: started.target,
    ...(started.other_targets ? { other_targets: started.other_targets } : {}),
    house_rules: started.house_rules,
    gauges: run.gauges,
    ...handsOf(run),
    ...correctedOf(run),
    ...picturesOf(run),
    ...filesOf(run),
    gauge_findings: findingsOf(run, signed.at_ms),
    outcome: outcomeOf(run, verdict, isWhole),
    ...endOf(run),
    ...(started.job ? { job: started.job } : {}),
    ...answered(started),
    verdict,
    ...(proofs ? { proofs: [...proofs] } : {}),
    settings,
    readings: run.readings.map(({ role, purpose, adjuster, reading, settled, atMs, elapsed }) => ({
      role,
      purpose,
      ...(adjuster === undefined ? {} : { adjuster }),
      reading,
      settled,
      at_ms: atMs,
      ...(elapsed === undefined ? {} : { elapsed_s: elapsed }),
    })),
    ...noFlowOf(run),
    cracking: crackingOf(run),
    ...(tables ? { tables } : {}),
    ...armOf(run),
    ...edgesOf(run),
    ...switchOf(run),
    ...controlOf(run),
    ...deviceOf(run),
    answers: answersOf(run),
    open_ends: run.openEnds.map(({ id, say, state, reason }) => ({
      id,
      say,
      state,
      ...(reason ? { reason } : {}),
    })),
    cautions: cautionsOf(run),
    skipped: Object.entries(run.skipped).map(([step_id, reason]) => ({ step_id, reason })),
    notes: run.notes.map(({ text }) => text),
  };
  // Phone and server must come to the same bytes; sheets of before keep theirs.
  return ok(signed.root === undefined ? body : withPlainFigures(body));
}

function freezeSetting(
  run: Run,
  { spec, asFound, asLeft, uncertainty, parts, method }: SettingLeft,
): SheetSetting {
  const view = settingView(run, spec.id);
  const lane = { lower: view.aim.lower, upper: view.aim.upper };
  return {
    adjuster: spec.id,
    name: spec.name,
    role: spec.role,
    target: view.target,
    as_found_pa: asFound,
    as_left_pa: asLeft,
    uncertainty_pa: uncertainty,
    ...(parts
      ? {
          uncertainty_parts: parts.map(({ from, standard }) => ({ from, standard_pa: standard })),
        }
      : {}),
    method,
    verdict: guardedVerdict(view.sign * asLeft, lane, uncertainty),
    rate_pa_per_turn: view.rate?.mean ?? null,
    rate_sd_pa_per_turn: view.rate?.sd ?? null,
    clockwise: clockwiseLearned(run, spec.id, view.rate?.chanceClockwiseRaises),
    turns_net: view.position,
    dots: view.dots.map(({ pressure, turns }) => ({ pressure_pa: view.sign * pressure, turns })),
  };
}

/** Gauges that were taken off and hands that gave it on; nothing where the work stayed in one. */
function handsOf({ gauges, formerGauges, handovers }: Run): Partial<SheetBody> {
  const here = new Set(Object.values(gauges).map(({ id }) => id));
  const gone = new Map(formerGauges.map((gauge) => [gauge.id, gauge]));
  const others = [...gone.values()].filter(({ id }) => !here.has(id));
  const handed_over = handovers.map(({ atMs: at_ms, openEnds: open_ends, ...each }) => ({
    ...each,
    at_ms,
    open_ends: [...open_ends],
  }));
  return {
    ...(others.length > 0 ? { other_gauges: others } : {}),
    ...(handed_over.length > 0 ? { handed_over } : {}),
  };
}

/** Pictures that were taken on the way, each with the place of the reading that it shows. */
function picturesOf({ pictures, readings }: Run): Pick<SheetBody, 'pictures'> {
  if (pictures.length === 0) return {};
  const placeOf = (id: string) => readings.findIndex(({ eventId }) => eventId === id);
  return {
    pictures: pictures.map(({ picture, shows, reading, by, atMs: at_ms }) => ({
      picture,
      shows,
      ...(reading === undefined || placeOf(reading) < 0 ? {} : { reading: placeOf(reading) }),
      by,
      at_ms,
    })),
  };
}

/** Files of loggers that figures were taken from; nothing where all were read by eye or by line. */
function filesOf(run: Run): Pick<SheetBody, 'files'> {
  const files = filesTaken(run);
  return files.length === 0 ? {} : { files: [...files] };
}

/** What of the plate was corrected on the way; nothing where it said what the register had. */
const correctedOf = ({ plateCorrections: all }: Run): Pick<SheetBody, 'plate_corrected'> =>
  all.length === 0
    ? {}
    : {
        plate_corrected: all.map(({ facts, atMs: at_ms, ...each }) => ({
          ...each,
          facts: [...facts],
          at_ms,
        })),
      };

/** Which entries the signature is about; one of before only counts them. */
const coverOf = ({ root, covers }: NonNullable<Run['signed']>): Partial<SheetBody> =>
  root === undefined ? {} : { root, covers };

/** What the judging gauge was found to lack on the day of the signature. */
function findingsOf({ started, gauges }: Run, signedAtMs: number): SheetBody['gauge_findings'] {
  const judge = gauges[judgeOf(started.plate)];
  if (!judge) return [];
  const day = new Date(signedAtMs).toISOString().slice(0, 10);
  const setting = { ...started.target, measures: measureOf(started.plate) };
  return gaugeFitness(judge, setting, day, started.house_rules).findings.map(({ code }) => code);
}

/** Why the work ended before its setting was proved. */
const endOf = ({ condemned, ended }: Run): Partial<SheetBody> => ({
  ...(condemned ? { out_of_service_because: condemned.reason } : {}),
  ...(ended ? { ended: { why: ended.why, reason: ended.reason } } : {}),
});

/** Where a range arm was left, where it was asked for. */
function armOf(run: Run): Pick<SheetBody, 'range_arm'> {
  const arm = run.measured['range_arm'] === undefined ? undefined : rangeArmOf(run);
  return arm ? { range_arm: arm.at } : {};
}

/** What the visit came to; a sheet of version 1 does not tell a failed proof from a good one. */
function outcomeOf(run: Run, verdict: SheetVerdict | null, tellsProofs: boolean): Outcome {
  if (run.condemned) return 'out_of_service';
  if (run.ended) return run.ended.outcome;
  if (verdict === null) return 'sequence_done';
  const hasFailed = verdict === 'fail' || verdict === 'fail_without_margin';
  return tellsProofs && hasFailed ? 'proof_failed' : 'set';
}

/** What the screw has shown, when it is sure; else what the plate says. */
function clockwiseLearned(
  run: Run,
  adjuster: string,
  chanceRaises: number | undefined,
): SheetSetting['clockwise'] {
  if (chanceRaises !== undefined && chanceRaises > 0.99) return 'raises';
  if (chanceRaises !== undefined && chanceRaises < 0.01) return 'lowers';
  return run.directions[adjuster] ?? run.started.priors[adjuster]?.direction ?? 'unknown';
}

const answersOf = (run: Run): Record<string, string | number> => ({
  ...Object.fromEntries(
    Object.entries(run.observed).flatMap(([key, value]) =>
      value === undefined ? [] : [[key, value]],
    ),
  ),
  ...run.measured,
});

const cautionsOf = (run: Run): SheetBody['cautions'] =>
  run.steps.flatMap(({ id, caution }) =>
    caution && run.done[id] !== undefined
      ? [{ step_id: id, hazard: caution.hazard, accepted_at_ms: run.done[id] }]
      : [],
  );

/** What this visit is the answer to: a sheet that was not in order, a repair. */
const answered = ({
  answers_sheet: sheet,
  answers_repair: repair,
}: Run['started']): Pick<SheetBody, 'answers_sheet' | 'answers_repair'> => ({
  ...(sheet ? { answers_sheet: sheet } : {}),
  ...(repair ? { answers_repair: repair } : {}),
});
