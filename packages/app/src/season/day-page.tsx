import {
  effortIn,
  digestOf,
  rulesFor,
  wayOf,
  type RestOfDay,
  type Round,
  type Stop,
  type Valve,
} from '@holvek/core';
import { useRouter } from 'expo-router';
import { BagCard } from '@/bag/bag-card';
import { TellCard } from '@/bag/tell-card';
import { useChangeRound } from '@/data/queries';
import { changePreferences } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { Card, Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { BigButton, Press } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { OverCard, QuickerCard } from './day-cards';
import { clockWords, hoursWords, longDay, wantedWords } from './season-words';
import { useDay, type DayDesk } from './use-day';
import { usePlan } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

type Props = {
  readonly desk: SeasonDesk;
  readonly day: string;
  readonly personId: string | undefined;
};

/** One person's day: who has to know, the bag, the order with its times, what can wait, and a round of it. */
export function DayPage({ desk, day, personId }: Props) {
  const router = useRouter();
  const change = useChangeRound();
  const actions = usePlan(desk);
  const mine = useDay(desk, day, personId);
  const { person, own, rest } = mine;
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
      under={underWords(desk, mine)}
      back
      footer={
        own.length > 0 ? (
          <BigButton flex={1} onPress={toRound}>
            Make it my round
          </BigButton>
        ) : null
      }
    >
      {own.length === 0 || !rest ? (
        <Card>
          <Words>Nothing is planned for this day.</Words>
        </Card>
      ) : (
        <>
          <OverCard desk={desk} own={mine} rest={rest} actions={actions} />
          <QuickerCard desk={desk} own={mine} rest={rest} actions={actions} />
          <TellCard valves={own} day={day} />
          <BagCard valves={own} day={day} />
          <OrderCard desk={desk} mine={mine} rest={rest} />
        </>
      )}
    </Screen>
  );
}

/** Whose day, and from when to when. */
function underWords({ season }: SeasonDesk, { person, rest, own }: DayDesk): string {
  if (!person || !rest || own.length === 0) return season.name;
  const first = rest.stops[0]?.from ?? rest.home;
  return `${season.name} · ${person.name} · ${clockWords(first)} to ${clockWords(rest.home)}`;
}

function OrderCard({
  desk,
  mine: { route, person },
  rest,
}: {
  readonly desk: SeasonDesk;
  readonly mine: DayDesk;
  readonly rest: RestOfDay;
}) {
  const router = useRouter();
  const { made, valves } = desk;
  const hand = made.people.findIndex(({ id }) => id === person?.id);
  const stopOf = new Map(rest.stops.map((stop) => [stop.block, stop]));
  const lines = route.flatMap((block) =>
    made.problem.blocks[block]!.valves.flatMap((id, i) => {
      const valve = valves.get(id);
      // Several at one stop share its time: the first of them says it.
      return valve ? [{ valve, stop: i === 0 ? stopOf.get(block) : undefined }] : [];
    }),
  );
  return (
    <Card>
      <Heading>In this order</Heading>
      {lines.map(({ valve, stop }, i) => (
        <DayLine
          key={valve.id}
          desk={desk}
          valve={valve}
          person={hand}
          place={i + 1}
          stop={stop}
          onPress={() => router.push(`/valves/${valve.id}`)}
        />
      ))}
      <Muted>{`${hoursWords(wayOf(made.problem, route))} of it on the way.`}</Muted>
    </Card>
  );
}

function DayLine({
  desk,
  valve,
  person,
  place,
  stop,
  onPress,
}: {
  readonly desk: SeasonDesk;
  readonly valve: Valve;
  /** Whose day it is, by his place in the crew. */
  readonly person: number;
  readonly place: number;
  readonly stop: Stop | undefined;
  readonly onPress: () => void;
}) {
  const visit = desk.made.visits.get(valve.id);
  if (!visit) return null;
  const isUnsettled = visit.wanted.because === 're_test' || visit.wanted.because === 'repair';
  return (
    <Press onPress={onPress}>
      <XStack gap="$3" paddingVertical="$2" borderBottomWidth={1} borderColor="$line">
        <Strong width={24}>{String(place)}</Strong>
        <YStack flex={1} minWidth={0}>
          <XStack justifyContent="space-between" gap="$2">
            <Strong flexShrink={1}>{`${valve.tag} ${valve.name}`}</Strong>
            {isUnsettled ? (
              <Pill tone="work">re-test</Pill>
            ) : stop ? null : (
              <Muted>{hoursWords(effortIn(desk.made, valve.id, person).minutes)}</Muted>
            )}
          </XStack>
          <Muted>
            {stop
              ? `${clockWords(stop.from)} to ${clockWords(stop.to)} · ${valve.place}`
              : valve.place}
          </Muted>
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
