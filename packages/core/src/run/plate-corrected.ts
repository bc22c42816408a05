import { canonicalJson } from '../digest';
import {
  adjustersOf,
  checkPlate,
  onPlate,
  plateWith,
  ratePriors,
  type Plate,
  type PlateIssue,
} from '../family';
import { stepsFor, stepsOutOfService, type PlateValue, type Step } from '../step';
import { MAIN } from '../valve';
import type { EventOf } from './event';
import type { Draft, Run } from './run';

/** Why a plate cannot be corrected like this in the middle of the work. */
export type PlateError =
  | { readonly code: 'valve.not_a_plate'; readonly say: string }
  /** It is another kind of valve, or has other screws: a run of its own. */
  | { readonly code: 'run.other_valve' }
  /** The corrected plate wants another order of work, and something has been moved already. */
  | { readonly code: 'run.order_would_change' }
  /** By what it says now it must not be set as it is to be. */
  | { readonly code: 'run.plate_forbids'; readonly issue: PlateIssue };

type Correction = Pick<EventOf<'plate_corrected'>, 'facts'>;

/** Checks a correction against the run as it stands; undefined when it may be entered. */
export function plateError(run: Run, { facts }: Correction): PlateError | undefined {
  const { started } = run;
  const read = plateWith(started.plate, facts);
  if (!read.ok) return read.error;
  const plate = read.value;
  const isOther =
    plate.family !== started.plate.family ||
    canonicalJson(screwsOf(plate)) !== canonicalJson(screwsOf(started.plate));
  if (isOther) return { code: 'run.other_valve' };
  if (hasBegun(run) && !isSameWork(stepsOf(run, plate), stepsOf(run, started.plate)))
    return { code: 'run.order_would_change' };
  // Work that has ended sets nothing any more: then what stands there is only told.
  if (hasEnded(run)) return undefined;
  const issue = checkPlate(plate, started, started.house_rules).find(({ stops }) => stops);
  return issue && { code: 'run.plate_forbids', issue };
}

/** The run goes on by the corrected plate; what was learned is read anew by it. */
export function correctPlate(run: Draft, event: EventOf<'plate_corrected'>): void {
  const { facts, why, author: by, at_ms: atMs } = event;
  const { plate: before } = run.started;
  const read = plateWith(before, facts);
  if (!read.ok) return;
  const told = facts.map(({ path, value: is }) => ({
    path,
    was: onPlate(before, path) as PlateValue,
    is,
  }));
  run.plateCorrections = [...run.plateCorrections, { facts: told, why, by, atMs }];
  run.started = {
    ...run.started,
    plate: read.value,
    priors: { ...run.started.priors, ...otherPriors(run, read.value, facts) },
  };
  run.adjusters = adjustersOf(read.value);
  const steps = stepsOf(run, read.value);
  run.steps = hasEnded(run) ? stepsOutOfService(steps) : steps;
}

/** First guesses anew for screws whose spring or turning was corrected: what sheets have taught was of another. */
function otherPriors(
  { started }: Pick<Run, 'started'>,
  plate: Plate,
  facts: Correction['facts'],
): Run['started']['priors'] {
  const fresh = ratePriors(plate, () => [], started.house_rules);
  const isOther = (adjuster: string) => {
    const at = adjuster === MAIN ? '' : `others.${adjuster}.`;
    const own = ['springs', 'fitted_spring', 'clockwise'].map((key) => at + key);
    return facts.some(({ path }) => own.includes(path));
  };
  return Object.fromEntries(Object.entries(fresh).filter(([adjuster]) => isOther(adjuster)));
}

const stepsOf = ({ procedure, started }: Pick<Run, 'procedure' | 'started'>, plate: Plate) =>
  stepsFor(procedure, started.school, plate);

const isSameWork = (some: readonly Step[], others: readonly Step[]): boolean =>
  JSON.stringify(some) === JSON.stringify(others);

const screwsOf = (plate: Plate): readonly string[] => adjustersOf(plate).map(({ id }) => id);

const hasEnded = ({ ended, condemned }: Pick<Run, 'ended' | 'condemned'>): boolean =>
  ended !== undefined || condemned !== undefined;

/** Whether something of the valve or its line has been moved. */
const hasBegun = (run: Run): boolean =>
  run.openEnds.length > 0 ||
  Object.values(run.marks).some((marks) => marks.some(({ kind }) => kind === 'turned')) ||
  canonicalJson(run.positions) !== canonicalJson(run.procedure.initial);
