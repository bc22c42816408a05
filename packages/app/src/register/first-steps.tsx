import { firstSite } from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import CircleCheck from 'lucide-react-native/icons/circle-check';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { useGauges, useSites, useValves } from '@/data/queries';
import { LarkhollowCard } from '@/people/larkhollow-card';
import { PlaceSheet } from '@/place/place-sheet';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { useInk } from '@/ui/use-ink';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';

type Step = {
  readonly title: string;
  readonly say: string;
  readonly todo: string;
  readonly done: string | undefined;
  readonly onPress: () => void;
};

/** An empty register: a place, a gauge and the first valve, each a touch away. */
export function FirstSteps() {
  const router = useRouter();
  const site = firstSite(useSites().data ?? []);
  const gauges = useGauges().data ?? [];
  const valves = useValves().data ?? [];
  const [isPlaceOpen, setPlaceOpen] = useState(false);
  const steps: readonly Step[] = [
    {
      title: 'The place',
      say: 'Its altitude gives the barometer, so that absolute figures read true.',
      todo: 'Name the place',
      done: site && `${site.name}, ${site.altitude_m ?? 0} m`,
      onPress: () => setPlaceOpen(true),
    },
    {
      title: 'Your test gauge',
      say: 'Range, finest step and certificate: how sure every figure on a sheet is.',
      todo: 'Add a gauge',
      done: gauges[0] && `${gauges.length === 1 ? gauges[0].tag : `${gauges.length} gauges`}`,
      onPress: () => router.push('/gauges'),
    },
    {
      title: 'The first valve',
      say: 'Read its plate where you stand before it; it works without a network.',
      todo: 'Add a valve',
      done: valves[0] && valves[0].tag,
      onPress: () => router.push('/valves/new' as Href),
    },
  ];
  return (
    <Screen title="Welcome" under="Three things, then you can set" right={<SyncPill />}>
      {steps.map((step) => (
        <FirstStep key={step.title} step={step} />
      ))}
      <LarkhollowCard />
      <PlaceSheet place={site ?? 'new'} isOpen={isPlaceOpen} onClose={() => setPlaceOpen(false)} />
    </Screen>
  );
}

function FirstStep({ step: { title, say, todo, done, onPress } }: { readonly step: Step }) {
  const ink = useInk();
  return (
    <Card>
      <XStack gap="$2" alignItems="center">
        {done === undefined ? null : <CircleCheck size={24} color={ink.verdigris} />}
        <YStack flexShrink={1}>
          <Strong fontSize="$4" lineHeight="$4">
            {title}
          </Strong>
          {done === undefined ? null : <Words>{done}</Words>}
        </YStack>
      </XStack>
      {done === undefined ? <Muted>{say}</Muted> : null}
      <BigButton kind={done === undefined ? 'primary' : 'outline'} onPress={onPress}>
        {done === undefined ? todo : 'Look at it'}
      </BigButton>
    </Card>
  );
}
