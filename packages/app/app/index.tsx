import { useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import { useState } from 'react';
import { View, XStack, YStack } from 'tamagui';
import { useGauges, useRounds, useSites, useValves } from '@/data/queries';
import { phaseWord } from '@/run/phase-rail';
import { CarryOn } from '@/round/carry-on';
import { useRoundRows, type RoundRow } from '@/round/use-round-rows';
import { useUnits } from '@/settings/use-units';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { useInk } from '@/theme/use-ink';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Pill } from '@/ui/card';
import { Press, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import type { Phase } from '@holvek/core';

/** Today's valves in setting order, with the work in hand on top. */
export default function RoundScreen() {
  const rounds = useRounds();
  const valves = useValves();
  const sites = useSites().data;
  useGauges();
  const [isWhyOpen, setWhyOpen] = useState(false);
  const round = rounds.data?.[0];
  const rows = useRoundRows(round);
  const signed = rows.filter(({ isSignedToday }) => isSignedToday).length;
  if (rounds.isPending || valves.isPending) return <Loading what="Fetching the round" />;
  if (!rounds.data || !valves.data)
    return (
      <Screen title="Round">
        <Trouble
          title="The round cannot be read"
          say="There is no network and nothing was kept from an earlier visit. Runs on this phone are safe."
          onRetry={() => void Promise.all([rounds.refetch(), valves.refetch()])}
        />
      </Screen>
    );
  const site = sites?.find(({ id }) => id === round?.site_id)?.name;
  const inHand = rows.filter(({ run }) => run).sort((a, b) => b.run!.lastAtMs - a.run!.lastAtMs);
  return (
    <Screen
      title={round?.name ?? 'Round'}
      under={[site, `${signed} of ${rows.length} signed`].filter(Boolean).join(' · ')}
      right={<SyncPill />}
    >
      {inHand.map((row) => (
        <CarryOn key={row.valve.id} row={row} />
      ))}
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>In setting order</Heading>
        <WordButton onPress={() => setWhyOpen(true)}>why this order?</WordButton>
      </XStack>
      {rows.length === 0 ? (
        <Empty title="No valves in this round" say="Open a valve from Valves to set it by itself." />
      ) : null}
      <YStack>
        {rows.map((row, i) => (
          <RoundLine key={row.valve.id} row={row} place={i + 1} isLast={i === rows.length - 1} />
        ))}
      </YStack>
      <BottomSheet isOpen={isWhyOpen} title="Why this order?" onClose={() => setWhyOpen(false)}>
        <Words>{round?.why_this_order ?? ''}</Words>
      </BottomSheet>
    </Screen>
  );
}

function RoundLine({
  row,
  place,
  isLast,
}: {
  readonly row: RoundRow;
  readonly place: number;
  readonly isLast: boolean;
}) {
  const router = useRouter();
  const units = useUnits();
  const ink = useInk();
  const { valve, run, phase, isSignedToday, lastSheet, minutes } = row;
  const { target } = valve;
  const look = isSignedToday
    ? ({ back: '$verdigris', edge: '$verdigris', text: '$onVerdigris' } as const)
    : run
      ? ({ back: '$brassSoft', edge: '$brassMark', text: '$onBrassSoft' } as const)
      : ({ back: '$card', edge: '$line', text: '$color' } as const);
  const go = () =>
    isSignedToday && lastSheet
      ? router.push(`/sheets/${lastSheet.id}`)
      : run
        ? router.push(`/runs/${run.id}`)
        : router.push(`/valves/${valve.id}`);
  return (
    <Press onPress={go} aria-label={`${valve.tag} ${valve.name}`} testID={`round-${valve.tag}`}>
      <XStack gap="$3" alignItems="stretch" minHeight={62}>
        <YStack alignItems="center" width={38}>
          <View
            width={38}
            height={38}
            borderRadius="$pill"
            borderWidth={3}
            borderColor={look.edge}
            backgroundColor={look.back}
            alignItems="center"
            justifyContent="center"
          >
            {isSignedToday ? (
              <Check size={20} color={ink.onVerdigris} />
            ) : (
              <Strong color={look.text}>{String(place)}</Strong>
            )}
          </View>
          {isLast ? null : <View flex={1} width={3} backgroundColor="$line" />}
        </YStack>
        <YStack flex={1} paddingBottom="$3">
          <Strong fontSize="$4" lineHeight="$4">{`${valve.tag} ${valve.name}`}</Strong>
          <Words color="$muted">
            {isSignedToday && lastSheet
              ? `left at ${units.withUnit(lastSheet.body.as_left_pa, 1000)}`
              : `reduce to ${units.figure(target.set_point_pa, 1000)} ± ${units.figure(target.tolerance_pa)} ${units.pressure}`}
          </Words>
        </YStack>
        <YStack justifyContent="flex-start" paddingTop="$1">
          {isSignedToday ? (
            <Pill tone="good">signed</Pill>
          ) : run ? (
            <Pill tone="work">{phaseWord[(phase ?? 'sign') as Phase].toLowerCase()}</Pill>
          ) : minutes ? (
            <Muted>{`about ${Math.max(5, Math.round(minutes / 5) * 5)} min`}</Muted>
          ) : (
            <Muted>never set</Muted>
          )}
        </YStack>
      </XStack>
    </Press>
  );
}
