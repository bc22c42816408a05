import { registerOf, type RegisterKey } from '../device';
import { leastSquares } from '../numerics';
import { terminalKey, terminals, type Step } from '../procedure';
import type { Result } from '../result';
import {
  instrumentRules, loopBudget, shortestInterval, type CablePlate, type ElectronicPilotPlate, type LoopBudget, type LoopError,
} from '../valve'; // prettier-ignore
import { tableOf } from './points';
import type { Run } from './state';

/** The plate of a run on an electronic pilot; another is a bug of the procedure. */
export function pilotOf({ started }: Pick<Run, 'started'>): ElectronicPilotPlate {
  if (started.plate.family !== 'electronic_pilot')
    throw new Error('registers on a valve that has no electronics');
  return started.plate;
}

export const cables = ['loop', 'power'] as const;
export type CableName = (typeof cables)[number];
/** Fields of a cable that are measured on the spot, by the key under which they are kept. */
export const cableFields = ['supply_v', 'length_m', 'area_m2', 'at_k'] as const;
export type CableField = (typeof cableFields)[number];
export const cableKey = (cable: CableName, field: CableField): string => `cable_${cable}_${field}`;

export type CableSum = {
  readonly cable: CableName;
  /** The plate’s figures, with what was measured in this run in their place. */
  readonly needs: CablePlate;
  readonly budget: Result<LoopBudget, LoopError>;
};

/** What is left of each supply at the end of its cable. The loop keeps the house’s headroom. */
export function cableSums(run: Run): readonly CableSum[] {
  const plate = pilotOf(run);
  const headroom = instrumentRules(run.started.house_rules).loop_headroom_v;
  return cables.map((cable) => {
    const measured = Object.fromEntries(
      cableFields.flatMap((field) => {
        const value = run.measured[cableKey(cable, field)];
        return value === undefined ? [] : [[field, value]];
      }),
    );
    const needs = { ...plate[cable], ...measured };
    return { cable, needs, budget: budgetOf(needs, cable === 'loop' ? headroom : 0) };
  });
}

/** The budget of a cable as its plate has it. */
export const budgetOf = (needs: CablePlate, headroom: number): Result<LoopBudget, LoopError> =>
  loopBudget({
    supply: needs.supply_v,
    sensor: needs.needs_v,
    headroom,
    load: needs.load_ohm,
    current: needs.current_a,
    cable: { length: needs.length_m, area: needs.area_m2, at: needs.at_k },
  });

export const voltsLeft = (run: Run): boolean =>
  cableSums(run).every(({ budget }) => budget.ok && budget.value.left > 0);

export const terminalsLeft = (run: Run): number =>
  terminals.filter(({ id }) => run.observed[terminalKey(id)] !== 'right').length;

/** Share of the plate’s stroke that may be missing or too much. */
const STROKE_SLACK = 0.1;
export type StrokeVerdict = 'whole' | 'short' | 'long' | 'backwards';
/** Whether both ends lie as far apart as the plate says; undefined before it was stroked. */
export function strokeVerdict(run: Run): StrokeVerdict | undefined {
  if (!run.stroke) return undefined;
  const share = (run.stroke.open - run.stroke.closed) / pilotOf(run).stroke_counts;
  if (share <= 0) return 'backwards';
  return share < 1 - STROKE_SLACK ? 'short' : share > 1 + STROKE_SLACK ? 'long' : 'whole';
}

/** Trims that bring the five points as found onto the line: the unit adds zero first, then multiplies by span. */
function trimsOf(run: Run): { readonly zero: number; readonly span: number } {
  const none = { zero: 0, span: 0 };
  const table = tableOf(run, 'as_found');
  if (!table?.result.ok) return none;
  const { points } = table;
  const fit = leastSquares([points.map(() => 1), points.map(({ at }) => at)], points.map(({ share }) => share)); // prettier-ignore
  if (!fit.ok) return none;
  const [zero = 0, slope = 1] = fit.value.coefficients;
  return slope > 0.1 ? { zero: -zero, span: 1 / slope - 1 } : none;
}

const DAY_MS = 86_400_000;
const DAY_ONE_MS = Date.UTC(2000, 0, 1);

/** Seconds between two lines of the log: as the plate wants it, or longer, so that the card lasts until the next visit. */
export const intervalFor = (plate: ElectronicPilotPlate, months: number): number =>
  Math.max(plate.log_interval_s, shortestInterval(plate.card_bytes, months));

/**
 * What a register should hold, in its unit.
 *
 * @param atMs  when it is written: date and time follow the device that writes
 */
export function registerWanted(run: Run, step: Step, key: RegisterKey, atMs: number): number {
  const plate = pilotOf(run);
  const { target, house_rules: rules } = run.started;
  switch (key) {
    case 'application':
      return plate.application === 'reducing' ? 1 : 2;
    case 'range_low':
      return plate.input.low;
    case 'range_high':
      return plate.input.high;
    case 'trim_zero':
      return trimsOf(run).zero;
    case 'trim_span':
      return trimsOf(run).span;
    case 'set_value':
      return target.set_point_pa;
    case 'manual_output':
      return 0.5;
    case 'mode':
      return step.registers?.includes('manual_output') ? 0 : 1;
    case 'log_interval':
      return intervalFor(plate, rules.months_between_visits);
    case 'clock_day':
      return Math.floor((atMs - DAY_ONE_MS) / DAY_MS);
    case 'clock_minute':
      return Math.floor(((atMs - DAY_ONE_MS) % DAY_MS) / 60_000);
    default:
      throw new Error(`nothing is wanted of the register ${key}`);
  }
}

/** Minutes that a clock may be off when it is set. */
const CLOCK_SLACK = 2;

export type RegisterState = {
  readonly key: RegisterKey;
  readonly wanted: number;
  /** As it was read back, or read off; undefined before. */
  readonly value: number | undefined;
  readonly isRight: boolean;
};

/** The registers of a step, each with what it should hold and what it was left at. */
export function registersView(run: Run, step: Step, nowMs: number): readonly RegisterState[] {
  return (step.registers ?? []).map((key) => {
    const held = run.registers[step.id]?.[key];
    const wanted = registerWanted(run, step, key, held?.atMs ?? nowMs);
    const { perCount } = registerOf(key);
    const slack = key === 'clock_minute' ? CLOCK_SLACK : perCount * 0.51;
    return {
      key,
      wanted,
      value: held?.value,
      isRight: held !== undefined && Math.abs(held.value - wanted) <= slack,
    };
  });
}

/** The trim that is in the valve now, as this run knows it. */
export function trimNow(run: Run): string {
  const said = run.observed['trim_now'];
  return run.observed['trim_same'] === 'no' && said ? said : pilotOf(run).trim;
}

/** Whether it has to tune itself: never done, or valve or trim have changed since. */
export const tuneIsDue = (run: Run): boolean =>
  run.observed['trim_same'] === 'no' || pilotOf(run).tuned_trim !== trimNow(run);
