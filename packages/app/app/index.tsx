import { useRouter, type Href } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { ScrollView, XStack, YStack } from '@/ui/kit';
import {
  useGauges,
  useFleet,
  useHouseRules,
  useRepairs,
  useRounds,
  useSites,
  useValves,
} from '@/data/queries';
import { changePreferences, usePreferences } from '@/prefs/preferences';
import { useFromHour } from '@/ui/use-from-hour';
import { BagCard } from '@/bag/bag-card';
import { FirstSteps } from '@/register/first-steps';
import { CarryOn } from '@/round/carry-on';
import { RoundLine, roundMinutes } from '@/round/round-line';
import { useRoundRows, type RoundRow } from '@/round/use-round-rows';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Press, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { jobLine, type Round, type Site } from '@holvek/core';

/** Today's valves in setting order, with the work in hand on top; several rounds side by side. */
export default function RoundScreen() {
  const rounds = useRounds();
  const valves = useValves();
  const sites = useSites().data;
  const { current, round } = useChosenRound(rounds.data);
  // What a start needs is fetched while there is a network: gauges, repairs, the owner’s figures.
  useGauges();
  useRepairs();
  useHouseRules();
  useFleet();
  const rows = useRoundRows(round);
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
  if (valves.data.length === 0 || sites?.length === 0) return <FirstSteps />;
  const site = sites?.find(({ id }) => id === round?.site_id);
  const inHand = rows.filter(({ run }) => run).sort((a, b) => b.run!.lastAtMs - a.run!.lastAtMs);
  const left = rows.filter(({ isSignedToday }) => !isSignedToday);
  return (
    <Screen title={round?.name ?? 'Round'} under={standing(rows, site)} right={<SyncPill />}>
      <RoundChips rounds={current} chosen={round?.id} />
      {round?.job ? <Muted>{jobLine(round.job)}</Muted> : null}
      {inHand.map((row) => (
        <CarryOn key={row.valve.id} row={row} />
      ))}
      <BagCard valves={left.map(({ valve }) => valve)} />
      <OrderHead round={round} />
      <Lines rows={rows} />
      <Evening />
      <WaysOn />
    </Screen>
  );
}

function Lines({ rows }: { readonly rows: readonly RoundRow[] }) {
  if (rows.length === 0)
    return (
      <Empty
        title="No valves in this round"
        say="Change the round to add some, or open a valve from Valves."
      />
    );
  return (
    <YStack>
      {rows.map((row, i) => (
        <RoundLine key={row.valve.id} row={row} place={i + 1} isLast={i === rows.length - 1} />
      ))}
    </YStack>
  );
}

/** Rounds that are not archived, and the one that was chosen, else the latest. */
function useChosenRound(rounds: readonly Round[] | undefined) {
  const { round: chosen } = usePreferences();
  const current = (rounds ?? []).filter(({ archived }) => !archived).sort(byHand);
  return { current, round: current.find(({ id }) => id === chosen) ?? current[0] };
}

/** "Upper hall · 1 of 3 signed · about 2 h left". */
function standing(rows: readonly RoundRow[], site: Site | undefined): string {
  const left = rows.filter(({ isSignedToday }) => !isSignedToday);
  const minutes = left.reduce((sum, row) => sum + (row.minutes ?? 30), 0);
  return [
    site?.name,
    `${rows.length - left.length} of ${rows.length} signed`,
    left.length > 0 ? `about ${hours(minutes)} left` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Why the valves come in this order, and the way to another. */
function OrderHead({ round }: { readonly round: Round | undefined }) {
  const router = useRouter();
  const [isWhyOpen, setWhyOpen] = useState(false);
  return (
    <XStack justifyContent="space-between" alignItems="center">
      <Heading>In setting order</Heading>
      <XStack gap="$3">
        <WordButton onPress={() => setWhyOpen(true)}>why this order?</WordButton>
        {round ? (
          <WordButton onPress={() => router.push(`/rounds/${round.id}`)}>change</WordButton>
        ) : null}
      </XStack>
      <BottomSheet isOpen={isWhyOpen} title="Why this order?" onClose={() => setWhyOpen(false)}>
        {(round?.why_this_order ?? '').split('\n').map((line) => (
          <Words key={line}>{line}</Words>
        ))}
      </BottomSheet>
    </XStack>
  );
}

/** The planner comes when it is wanted: a round in the morning does not wait for it. */
const NextDayCard = lazy(async () => ({
  default: (await import('@/season/next-day-card')).NextDayCard,
}));

/** Hour from which the next day is looked at. */
const EVENING = 15;

/** The evening before: what the next day asks for. */
function Evening() {
  const { technician } = usePreferences();
  const isEvening = useFromHour(EVENING);
  if (!isEvening) return null;
  return (
    <Suspense fallback={null}>
      <NextDayCard name={technician} />
    </Suspense>
  );
}

/** Where else one may go from a round. */
function WaysOn() {
  const router = useRouter();
  const ways = [
    ['the season: what is due, and who goes where', '/season'],
    ['new here? practise on a simulated valve first', '/practice'],
  ] as const;
  return (
    <YStack>
      {ways.map(([say, href]) => (
        <WordButton key={href} onPress={() => router.push(href as Href)}>
          {say}
        </WordButton>
      ))}
    </YStack>
  );
}

/** The latest day first, then as they were made. */
const byHand = (a: Round, b: Round): number => (a.day < b.day ? 1 : a.day > b.day ? -1 : 0);

const hours = (minutes: number): string =>
  minutes < 90 ? `${roundMinutes(minutes)} min` : `${Math.round(minutes / 30) / 2} h`;

function RoundChips({
  rounds,
  chosen,
}: {
  readonly rounds: readonly Round[];
  readonly chosen: string | undefined;
}) {
  const router = useRouter();
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} flexGrow={0} flexShrink={0}>
      <XStack gap="$2" role="radiogroup" aria-label="Rounds">
        {rounds.map(({ id, name }) => (
          <Press
            key={id}
            role="radio"
            aria-checked={id === chosen}
            onPress={() => changePreferences({ round: id })}
            minHeight={44}
            paddingHorizontal="$3"
            justifyContent="center"
            borderRadius="$pill"
            borderWidth={2}
            borderColor={id === chosen ? '$verdigris' : '$line'}
            backgroundColor={id === chosen ? '$lane' : '$card'}
          >
            <Strong color={id === chosen ? '$onLane' : '$color'}>{name}</Strong>
          </Press>
        ))}
        <Press
          onPress={() => router.push('/rounds/new')}
          minHeight={44}
          paddingHorizontal="$3"
          justifyContent="center"
          borderRadius="$pill"
          aria-label="New round"
        >
          <Muted>new round</Muted>
        </Press>
      </XStack>
    </ScrollView>
  );
}
