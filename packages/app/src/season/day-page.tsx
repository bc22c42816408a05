import { dayLoad, digestOf, wayOf, type Round, type Valve, rulesFor } from '@holvek/core';
import { useRouter } from 'expo-router';
import { BagCard } from '@/bag/bag-card';
import { useChangeRound } from '@/data/queries';
import { changePreferences } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { Card, Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { BigButton, Press } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { hoursWords, longDay, wantedWords } from './season-words';
import type { SeasonDesk } from './use-season-desk';

type Props = {
  readonly desk: SeasonDesk;
  readonly day: string;
  readonly personId: string | undefined;
};

/** One person's day: the bag, the order, how long it takes, and a round of it. */
export function DayPage({ desk, day, personId }: Props) {
  const router = useRouter();
  const change = useChangeRound();
  const { season, made, routes, valves } = desk;
  const at = made.days.indexOf(day);
  const p = personId
    ? made.people.findIndex(({ id }) => id === personId)
    : made.people.findIndex((_, i) => (routes[i]?.[at] ?? []).length > 0);
  const person = made.people[p];
  const route = routes[p]?.[at] ?? [];
  const own = route.flatMap((block) =>
    made.problem.blocks[block]!.valves.flatMap((id) => valves.get(id) ?? []),
  );
  const load = person ? dayLoad(made, routes, p, at) : { asked: 0, there: 0 };
  const toRound = () => {
    const round = roundOf(desk, { day, personId: person?.id ?? '', own });
    change.mutate(round, {
      onSuccess: () => {
        changePreferences({ round: round.id });
        router.replace('/');
      },
    });
  };
  return (
    <Screen
      title={longDay(day)}
      under={
        person
          ? `${season.name} · ${person.name} · ${hoursWords(load.asked)} of ${hoursWords(load.there)}`
          : season.name
      }
      back
      footer={
        own.length > 0 ? (
          <BigButton flex={1} onPress={toRound}>
            Make it my round
          </BigButton>
        ) : null
      }
    >
      {own.length === 0 ? (
        <Card>
          <Words>Nothing is planned for this day.</Words>
        </Card>
      ) : (
        <>
          <BagCard valves={own} />
          <Card>
            <Heading>In this order</Heading>
            {own.map((valve, i) => (
              <DayLine
                key={valve.id}
                desk={desk}
                valve={valve}
                place={i + 1}
                onPress={() => router.push(`/valves/${valve.id}`)}
              />
            ))}
            <Muted>{`${hoursWords(wayOf(made.problem, route))} of it on the way.`}</Muted>
          </Card>
        </>
      )}
    </Screen>
  );
}

function DayLine({
  desk,
  valve,
  place,
  onPress,
}: {
  readonly desk: SeasonDesk;
  readonly valve: Valve;
  readonly place: number;
  readonly onPress: () => void;
}) {
  const visit = desk.made.visits.get(valve.id);
  if (!visit) return null;
  const isUnsettled = visit.wanted.because === 're_test' || visit.wanted.because === 'repair';
  return (
    <Press onPress={onPress} aria-label={`${place}. ${valve.tag} ${valve.name}`}>
      <XStack gap="$3" paddingVertical="$2" borderBottomWidth={1} borderColor="$line">
        <Strong width={24}>{String(place)}</Strong>
        <YStack flex={1} minWidth={0}>
          <XStack justifyContent="space-between" gap="$2">
            <Strong flexShrink={1}>{`${valve.tag} ${valve.name}`}</Strong>
            {isUnsettled ? (
              <Pill tone="work">re-test</Pill>
            ) : (
              <Muted>{hoursWords(visit.effort.minutes)}</Muted>
            )}
          </XStack>
          <Muted>{valve.place}</Muted>
          <Muted>{wantedWords(visit.wanted, desk.today)}</Muted>
          {rulesFor(desk.season.rules, valve.id).map(({ id, why }) => (
            <Words key={id} color="$brass">
              {why}
            </Words>
          ))}
        </YStack>
      </XStack>
    </Press>
  );
}

/** The plan's day as a round, which every screen of the work already knows. */
const roundOf = (
  { season }: SeasonDesk,
  {
    day,
    personId,
    own,
  }: { readonly day: string; readonly personId: string; readonly own: readonly Valve[] },
): Round => ({
  id: `season-${digestOf([season.id, day, personId]).slice(0, 40)}`,
  name: `${season.name}, ${longDay(day)}`,
  site_id: season.site_id,
  day,
  valve_ids: own.map(({ id }) => id),
  why_this_order: 'As the season is planned: upstream before downstream, the shortest way round.',
});
