import {
  partsDueOn,
  repairsOf,
  repairWords,
  unprovedRepair,
  type Repair,
  type ValveVisit,
} from '@holvek/core';
import { format } from 'date-fns/format';
import { useRepairs } from '@/data/queries';
import { Card } from '@/ui/card';
import { dayWords, localDay } from '@/ui/local-day';
import { YStack } from '@/ui/kit';
import { useNow } from '@/ui/use-now';
import { Heading, Muted, Strong, Words } from '@/ui/words';

/** Repairs of a valve, latest first, and when its parts are due again. */
export function RepairsCard({ valveId }: { readonly valveId: string }) {
  const repairs = repairsOf(useRepairs().data ?? [], valveId);
  const now = useNow();
  if (repairs.length === 0) return null;
  const due = partsDueOn(repairs);
  return (
    <Card testID="repairs">
      <Heading>{`Repairs, ${repairs.length}`}</Heading>
      {due ? (
        <Words color={due <= localDay(now) ? '$vermilion' : '$color'}>
          {`Parts due again: ${dayWords(due)}`}
        </Words>
      ) : null}
      {repairs.toReversed().map((repair) => (
        <YStack key={repair.id} borderTopWidth={1} borderColor="$line" paddingTop="$2">
          <Strong>{`${format(repair.at_ms, 'd MMM yyyy')}: ${repairWords(repair)}`}</Strong>
          <Words>{repair.found}</Words>
          {repair.note ? <Words>{repair.note}</Words> : null}
          <Muted>{repair.by}</Muted>
        </YStack>
      ))}
    </Card>
  );
}

/** The last repair of a valve that no record has come after. */
export function useUnprovedRepair(
  valveId: string,
  visits: readonly ValveVisit[],
): Repair | undefined {
  return unprovedRepair(repairsOf(useRepairs().data ?? [], valveId), visits);
}

/** Nothing has been proved since the valve was opened. */
export function UnprovedCard({ repair }: { readonly repair: Repair }) {
  return (
    <Card tone="warn" role="alert" testID="unproved">
      <Strong color="$onBrassSoft">Repaired: set and prove it anew</Strong>
      <Words color="$onBrassSoft">
        {`${repairWords(repair)} on ${format(repair.at_ms, 'd MMM yyyy')}. No record has come after it.`}
      </Words>
    </Card>
  );
}
