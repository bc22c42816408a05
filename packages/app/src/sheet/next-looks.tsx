import { format } from 'date-fns/format';
import { useHouseRules, useValves } from '@/data/queries';
import { Card } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { useNow } from '@/ui/use-now';
import { Heading, Strong, Words } from '@/ui/words';
import { useVisits } from '@/valve/use-visits';
import { nextLook } from '@/valve/valve-state';

/** The three valves that want to be looked at first. */
export function NextLooks() {
  const valves = useValves().data ?? [];
  const visits = useVisits();
  const rules = useHouseRules();
  const now = useNow();
  const due = valves
    .flatMap((valve) => {
      const at = nextLook(valve, visits.get(valve.id) ?? [], rules);
      return at && !valve.retired ? [{ valve, at }] : [];
    })
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .slice(0, 3);
  if (due.length === 0) return null;
  return (
    <Card marginBottom="$3">
      <Heading>Next looks</Heading>
      {due.map(({ valve, at }) => (
        <XStack key={valve.id} justifyContent="space-between">
          <Words>{`${valve.tag} ${valve.name}`}</Words>
          <Strong color={at.getTime() < now ? '$vermilion' : '$color'}>
            {format(at, 'd MMM yyyy')}
          </Strong>
        </XStack>
      ))}
    </Card>
  );
}
