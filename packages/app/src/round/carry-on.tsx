import { formatDistanceToNow } from 'date-fns/formatDistanceToNow';
import { useRouter } from 'expo-router';
import { lastReading } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import type { RoundRow } from './use-round-rows';
import { useUnitsOf } from '@/units/use-units';
import { Card, Pill } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';

/** Work that was left: what it was at, and what stands open because of it. */
export function CarryOn({ row: { valve, run, openEnds, phase } }: { readonly row: RoundRow }) {
  const router = useRouter();
  const units = useUnitsOf()(valve);
  if (!run) return null;
  const now = lastReading(run, 'setting');
  const isSetting = phase === 'set';
  const given = run.handovers.at(-1);
  return (
    <Card tone="work">
      <XStack justifyContent="space-between" alignItems="flex-start" gap="$2">
        <YStack flexShrink={1}>
          <Muted>carry on</Muted>
          <Heading fontSize="$5" lineHeight="$5">{`${valve.tag} ${valve.name}`}</Heading>
        </YStack>
        {openEnds > 0 ? <Pill tone="work">{`${openEnds} open ends`}</Pill> : null}
      </XStack>
      <Words>
        {isSetting ? 'Setting to ' : 'To be set to '}
        <Strong>{units.withUnit(valve.target.set_point_pa)}</Strong>
        {now ? ', now at ' : ''}
        {now ? <Strong>{units.figure(now.reading.si)}</Strong> : ''}
        {`. Left ${formatDistanceToNow(run.lastAtMs)} ago.`}
      </Words>
      {given ? <Words>{`${given.from} handed it over to ${given.to}.`}</Words> : null}
      <BigButton onPress={() => router.push(`/runs/${run.id}`)}>
        {isSetting ? 'Back to the screw' : 'Carry on'}
      </BigButton>
    </Card>
  );
}
