import {
  freezeSheet,
  isPractice,
  shownHash,
  type Run,
  type ValveSummary,
  type ValveVisit,
} from '@holvek/core';
import { useMemo } from 'react';
import { useSummaries } from './queries';
import { useShelf } from './store';

/** Visits by valve, each valve's oldest first. */
export type Visits = ReadonlyMap<string, readonly ValveVisit[]>;

const frozen = new WeakMap<Run, ValveVisit | undefined>();

/** A run that was signed here, as the visit that it will be once it is filed. */
function asVisit(run: Run): ValveVisit | undefined {
  if (run.status !== 'signed' || isPractice(run.started)) return undefined;
  if (!frozen.has(run)) {
    const body = freezeSheet(run, null);
    frozen.set(
      run,
      body.ok ? { id: run.id, hash: shownHash(body.value), body: body.value } : undefined,
    );
  }
  return frozen.get(run);
}

/**
 * What was filed, and after it what was signed on this phone since: also while it is on its way, or
 * while the rows that tell of it are.
 */
export function visitsBy(summaries: readonly ValveSummary[], runs: readonly Run[]): Visits {
  const visits = new Map(summaries.map((summary) => [summary.valve_id, [...summary.visits]]));
  for (const run of runs) {
    const visit = asVisit(run);
    if (!visit) continue;
    const own = visits.get(visit.body.valve_id) ?? [];
    const isKnown = own.some(({ body }) => body.run_id === run.id);
    const isLatest = visit.body.signed_at_ms > (own.at(-1)?.body.signed_at_ms ?? 0);
    if (!isKnown && isLatest) visits.set(visit.body.valve_id, [...own, visit]);
  }
  return visits;
}

/** Visits of all valves of a family: what one of them takes that was never done. */
export function visitsByFamily(visits: Visits): ReadonlyMap<string, readonly ValveVisit[]> {
  const families = new Map<string, ValveVisit[]>();
  for (const visit of [...visits.values()].flat()) {
    const { family } = visit.body.plate;
    const known = families.get(family);
    if (known) known.push(visit);
    else families.set(family, [visit]);
  }
  return families;
}

const none: readonly ValveSummary[] = [];

/** Visits by valve, as this phone knows them. */
export function useVisits(): Visits {
  const summaries = useSummaries().data ?? none;
  const shelf = useShelf();
  return useMemo(
    () =>
      visitsBy(
        summaries,
        [...shelf.values()].map(({ run }) => run),
      ),
    [summaries, shelf],
  );
}
