import { registerOf, type RegisterKey } from '../../device';
import { leastSquares } from '../../numerics';
import { judgementOf, shortestInterval, type ElectronicsPlate } from '../../valve';
import { tableOf } from '../points/points-view';
import { recordOf, type RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { pilotOf } from './pilot-of';

/** Trims that bring the five points as found onto the line: the unit adds zero first, then multiplies by span. */
function trimsOf(run: RunState): { readonly zero: number; readonly span: number } {
  const none = { zero: 0, span: 0 };
  const table = tableOf(run, 'as_found');
  if (!table?.result.ok) return none;
  const { points } = table;
  const fit = leastSquares(
    [points.map(() => 1), points.map(({ at }) => at)],
    points.map(({ share }) => share),
  );
  if (!fit.ok) return none;
  const [zero = 0, slope = 1] = fit.value.coefficients;
  return slope > 0.1 ? { zero: -zero, span: 1 / slope - 1 } : none;
}

const DAY_MS = 86_400_000;
const DAY_ONE_MS = Date.UTC(2000, 0, 1);

/** Seconds between two lines of the log: as the plate wants it, or longer, so that the card lasts until the next visit. */
export const intervalFor = (plate: ElectronicsPlate, months: number): number =>
  Math.max(plate.log_interval_s, shortestInterval(plate.card_bytes, months));

/**
 * What a register should hold, in its unit.
 *
 * @param atMs  when it is written: date and time follow the device that writes
 */
export function registerWanted(
  run: RunState,
  step: StepOf<'registers'>,
  key: RegisterKey,
  atMs: number,
): number {
  const plate = pilotOf(run);
  const { target, house_rules: rules } = run.started;
  if (isAnswered(key)) return answeredBy(run, key);
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
      return step.registers.includes('manual_output') ? 0 : 1;
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

/** What was said of its masters and its wires, as the code of the register that holds it. */
const codeOf = {
  command_source: { key: 'master', codes: { analog: 2, bus: 3 }, else: 1 },
  contacts: { key: 'master', codes: { contact: 1 }, else: 0 },
  contact_first: { key: 'contacts_first', codes: { shut: 1, open: 2, stay: 3 }, else: 1 },
  analog_output: { key: 'analog_wired', codes: { yes: 1 }, else: 0 },
  contact_output: { key: 'contacts_wired', codes: { yes: 1 }, else: 0 },
} as const satisfies Partial<Record<RegisterKey, unknown>>;

type Answered = keyof typeof codeOf;
const isAnswered = (key: RegisterKey): key is Answered => key in codeOf;

function answeredBy({ observed }: RunState, register: Answered): number {
  const { key, codes, else: otherwise } = codeOf[register];
  const by: Readonly<Record<string, number>> = codes;
  return by[observed[key] ?? ''] ?? otherwise;
}

export type RegisterState = {
  readonly key: RegisterKey;
  readonly wanted: number;
  /** As it was read back, or read off; undefined before. */
  readonly value: number | undefined;
  readonly isRight: boolean;
};

/** The registers of a step, each with what it should hold and what it was left at. */
export function registersView(
  run: RunState,
  step: StepOf<'registers'>,
  nowMs: number,
): readonly RegisterState[] {
  const { clock_slack_min: clockSlack } = judgementOf(run.started.house_rules);
  return step.registers.map((key) => {
    const held = recordOf(run, step).held[key];
    const wanted = registerWanted(run, step, key, held?.atMs ?? nowMs);
    const { perCount } = registerOf(key);
    const slack = key === 'clock_minute' ? clockSlack : perCount * 0.51;
    return {
      key,
      wanted,
      value: held?.value,
      isRight: held !== undefined && Math.abs(held.value - wanted) <= slack,
    };
  });
}
