import type { FleetKind } from '../coach';
import { plateWith, procedureOf, ratePriors } from '../family';
import type { Gauge } from '../gauge';
import type { RunEventDraft } from '../run';
import { needsAnswer, type Sheet, type ValveVisit } from '../sheet';
import type { TaughtRate } from '../step';
import type { HouseRules, Job, Side, TwinSketch } from '../valve';
import { repairAnswered, unprovedRepair, type Repair } from './repair';
import type { Valve } from './valve-record';

export type StartedDraft = Extract<RunEventDraft, { type: 'started' }>;
export type StartOptions = {
  readonly school: string;
  readonly gauges: Readonly<Partial<Record<Side, Gauge>>>;
  readonly rules: HouseRules;
  /** Visits to this valve, oldest first. */
  readonly sheets: readonly ValveVisit[];
  /** What other valves have taught. */
  readonly fleet?: readonly FleetKind[];
  /** Repairs of this valve. */
  readonly repairs?: readonly Repair[];
  /** For whom, and by whose leave. */
  readonly job?: Job | undefined;
  /** The twin when it is a rehearsal. */
  readonly twin?: TwinSketch;
};

/** What the sheets of a valve have taught of one adjuster, oldest first; sheets of another spring teach nothing. */
export const taughtBy = (
  sheets: readonly ValveVisit[],
  valve: Valve,
  adjuster: string,
): readonly TaughtRate[] =>
  sheets.flatMap(({ body }) => {
    const setting = body.settings.find((each) => each.adjuster === adjuster);
    if (!setting || setting.rate_pa_per_turn === null || setting.clockwise === 'unknown') return [];
    if (adjuster === 'main' && body.plate.fitted_spring !== valve.plate.fitted_spring) return [];
    const { rate_pa_per_turn: rate, rate_sd_pa_per_turn: sd, clockwise } = setting;
    return [{ rate, sd: sd ?? 0, clockwise }];
  });

/** A run's first entry: everything that it depends on, frozen as it stands today. */
export function startDraft(
  valve: Valve,
  { school, gauges, rules, sheets, fleet = [], repairs = [], job, twin }: StartOptions,
): StartedDraft {
  // Practice teaches nothing about the valve itself.
  const records = sheets.filter(({ body }) => !body.rehearsal);
  const repair = twin ? undefined : unprovedRepair(repairs, records);
  return {
    type: 'started',
    valve_id: valve.id,
    valve_tag: valve.tag,
    valve_name: valve.name,
    plate: valve.plate,
    target: valve.target,
    ...(valve.other_targets ? { other_targets: valve.other_targets } : {}),
    school,
    procedure_version: procedureOf(valve.plate.family).version,
    gauges,
    house_rules: rules,
    priors: ratePriors(valve.plate, (adjuster) => taughtBy(records, valve, adjuster), rules, fleet),
    purpose: twin ? 'practice' : 'record',
    sheet_version: 3,
    ...answerTo(records),
    ...(repair ? { answers_repair: repairAnswered(repair) } : {}),
    ...(job && !twin ? { job } : {}),
    ...(twin ? { twin } : {}),
  };
}

/** A visit after one that left something to come back for is the answer to it. */
function answerTo(sheets: readonly ValveVisit[]): Pick<StartedDraft, 'answers_sheet'> {
  const last = sheets.at(-1);
  return last && needsAnswer(last.body) ? { answers_sheet: last.hash } : {};
}

/**
 * The register's entry after a signed sheet: what its plate was found to say, the spring that is in now, the way the
 * screw has shown itself, the maker's figure.
 */
export function valveAfter(valve: Valve, { body }: Sheet): Valve {
  if (body.rehearsal) return valve;
  const [leading] = body.settings;
  const maker = body.answers['maker_max'];
  const found = (body.plate_corrected ?? []).flatMap(({ facts }) =>
    facts.map(({ path, is: value }) => ({ path, value })),
  );
  const corrected = plateWith(valve.plate, found);
  // A register that has gone on to another kind of plate meanwhile keeps its own.
  const plate = corrected.ok ? corrected.value : valve.plate;
  const shown = leading && leading.clockwise !== 'unknown' ? leading.clockwise : plate.clockwise;
  return {
    ...valve,
    plate: {
      ...plate,
      fitted_spring: body.plate.fitted_spring,
      clockwise: shown,
      ...('tuned_trim' in body.plate || 'trim' in body.plate
        ? { trim: body.plate.trim, tuned_trim: body.plate.tuned_trim }
        : {}),
      ...('machine_max_pa' in valve.plate && typeof maker === 'number'
        ? { maker_max_pa: maker }
        : {}),
    },
  };
}
