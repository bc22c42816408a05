import { dueOf } from '@holvek/core';
import { format } from 'date-fns/format';
import { useHouseRules, useValves } from '@/data/queries';
import { Card } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { useNow } from '@/ui/use-now';
import { Heading, Strong, Words } from '@/ui/words';
import { useVisits } from '@/data/use-visits';

/** The three valves that want to be looked at first. */
export function NextLooks() {
  const valves = useValves().data ?? [];
  const visits = useVisits();
  const rules = useHouseRules();
  const now = useNow();
  const due = valves
    .flatMap((valve) => {
      const due = dueOf(valve, visits.get(valve.id) ?? [], rules);
      return due && !valve.retired ? [{ valve, at: due.likely }] : [];
    })
    .sort((a, b) => a.at - b.at)
    .slice(0, 3);
  if (due.length === 0) return null;
  return (
    <Card marginBottom="$3">
      <Heading>Next looks</Heading>
      {due.map(({ valve, at }) => (
        <XStack key={valve.id} justifyContent="space-between">
          <Words>{`${valve.tag} ${valve.name}`}</Words>
          <Strong color={at < now ? '$vermilion' : '$color'}>{format(at, 'd MMM yyyy')}</Strong>
        </XStack>
      ))}
    </Card>
  );
}
