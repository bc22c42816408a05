import {
  barOf,
  reasonOf,
  seasonCost,
  whereIs,
  withMoved,
  type Bar,
  type SeasonVisit,
} from '@holvek/core';
import { useRouter } from 'expo-router';
import { Card, Pill } from '@/ui/card';
import { Choice } from '@/ui/field';
import { XStack, YStack } from '@/ui/kit';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';
import {
  barSentence,
  barsWords,
  hoursWords,
  rulesFor,
  shortDay,
  wantedWords,
  worthWords,
} from './season-words';
import type { PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

type Props = {
  readonly desk: SeasonDesk;
  readonly visit: SeasonVisit;
  readonly actions: PlanActions;
};

/** One visit: why it stands where it stands, what another day would cost, and what one may do about it. */
export function VisitCard({ desk, visit, actions }: Props) {
  const router = useRouter();
  const { made, routes, people, today } = desk;
  const { valve, wanted, effort } = visit;
  const block = made.blockOf.get(valve.id);
  const place = block === undefined ? undefined : whereIs(routes).get(block);
  const held = desk.season.plan.find(({ valve_id }) => valve_id === valve.id)?.locked === true;
  const hand = place ? people.find(({ id }) => id === made.people[place.person]?.id) : undefined;
  const full = desk.valves.get(valve.id);
  return (
    <Card tone="work" testID="visit-card">
      <XStack justifyContent="space-between" gap="$2">
        <Heading>{`${valve.tag} ${full?.name ?? ''}`}</Heading>
        {held ? <Pill tone="work">held</Pill> : null}
      </XStack>
      <Muted>{valve.place}</Muted>
      <Words>{wantedWords(wanted, today)}</Words>
      <Words>
        {place && hand
          ? `${shortDay(made.days[place.day]!)}, ${hand.name}, about ${hoursWords(effort.minutes)} (±\u00a0${hoursWords(effort.spread)}).`
          : `Not planned; it takes about ${hoursWords(effort.minutes)}.`}
      </Words>
      {rulesFor(desk.season.rules, valve.id).map(({ id, why }) => (
        <Muted key={id}>{why}</Muted>
      ))}
      {!actions.may || block === undefined ? null : place ? (
        <PlacedActions {...{ desk, actions, block, held }} />
      ) : (
        <UnplacedActions {...{ desk, actions, block }} />
      )}
      <WordButton onPress={() => router.push(`/valves/${valve.id}`)}>open the valve</WordButton>
    </Card>
  );
}

type ActionProps = {
  readonly desk: SeasonDesk;
  readonly actions: PlanActions;
  readonly block: number;
};

/** Why here, and where else. */
function PlacedActions({ desk, actions, block, held }: ActionProps & { readonly held: boolean }) {
  const { made, routes, season } = desk;
  const { problem, days } = made;
  const reason = reasonOf(made, routes, block);
  const place = whereIs(routes).get(block)!;
  const cost = seasonCost(problem, routes);
  const to = (day: number) => moveTo(desk, block, { person: place.person, day }, cost);
  const [earlier, later] = [
    nextOpen(days.length, (day) => to(day), place.day, -1),
    nextOpen(days.length, (day) => to(day), place.day, 1),
  ];
  const bars = reason && barsWords(reason);
  return (
    <YStack gap="$2">
      {reason?.next ? (
        <Words>
          {`Second best: ${placeWords(desk, reason.next.place)}; ${worthWords(reason.next.more)}.`}
        </Words>
      ) : (
        <Words>No other day of this season would take it.</Words>
      )}
      {bars ? <Muted>{bars}</Muted> : null}
      <XStack gap="$2">
        <MoveButton label="Earlier" found={earlier} {...{ desk, actions, block }} />
        <MoveButton label="Later" found={later} {...{ desk, actions, block }} />
      </XStack>
      {made.people.length > 1 ? (
        <Choice
          label="Whose"
          value={String(place.person)}
          options={made.people.map(({ name }, i) => ({ value: String(i), say: name }))}
          onChange={(person) => actions.move(block, { person: Number(person), day: place.day })}
        />
      ) : null}
      <XStack gap="$3" flexWrap="wrap">
        <WordButton onPress={() => actions.hold(block, !held)}>
          {held ? 'let it be moved again' : 'hold it here'}
        </WordButton>
        <WordButton tone="$vermilion" onPress={() => actions.takeOut(block)}>
          take it out of the plan
        </WordButton>
      </XStack>
      {season.plan.length === 0 ? null : (
        <Muted>Held visits stay when the season is planned anew.</Muted>
      )}
    </YStack>
  );
}

const placeWords = (
  { made }: SeasonDesk,
  { day, person }: { readonly day: number; readonly person: number },
): string => `${shortDay(made.days[day]!)}, ${made.people[person]!.name}`;

type Found = { readonly day: number; readonly more: number; readonly person: number };

/** What a block would cost more on another day of the same hand, or why it may not go there. */
export function moveTo(
  { made: { problem }, routes }: Pick<SeasonDesk, 'made' | 'routes'>,
  block: number,
  to: { readonly person: number; readonly day: number },
  cost: number,
): Found | Bar {
  const moved = withMoved(problem, routes, block, to);
  if (moved) return { ...to, more: seasonCost(problem, moved.routes) - cost };
  const rest = routes.map((days) => days.map((route) => route.filter((each) => each !== block)));
  const at = rest[to.person]?.[to.day]?.length ?? 0;
  return barOf(problem, rest, whereIs(rest), { ...to, at, block }) ?? 'day_full';
}

function nextOpen(
  days: number,
  to: (day: number) => Found | Bar,
  from: number,
  way: 1 | -1,
): Found | undefined {
  for (let day = from + way; day >= 0 && day < days; day += way) {
    const found = to(day);
    if (typeof found !== 'string') return found;
  }
  return undefined;
}

function MoveButton({
  label,
  found,
  desk,
  actions,
  block,
}: ActionProps & { readonly label: string; readonly found: Found | undefined }) {
  return (
    <BigButton
      flex={1}
      kind="outline"
      disabled={!found}
      onPress={() => found && actions.move(block, found)}
      label={label}
    >
      {found ? `${label}: ${shortDay(desk.made.days[found.day]!)}` : label}
    </BigButton>
  );
}

/** Why it has no day, and the best that there is after all. */
function UnplacedActions({ desk, actions, block }: ActionProps) {
  const { made, routes, season } = desk;
  const own = made.problem.blocks[block]!;
  const cost = seasonCost(made.problem, routes);
  const all = made.days.flatMap((_, day) =>
    own.hands.map((person) => moveTo(desk, block, { person, day }, cost)),
  );
  const found = all.filter((each): each is Found => typeof each !== 'string');
  const best = found.reduce<Found | undefined>(
    (least, each) => (least && least.more <= each.more ? least : each),
    undefined,
  );
  if (!best) {
    const valve = own.valves[0]!;
    const bar = all.find((each): each is Bar => typeof each === 'string') ?? 'no_hand';
    return <Words>{`No day takes it: ${barSentence(bar, rulesFor(season.rules, valve))}.`}</Words>;
  }
  return (
    <BigButton onPress={() => actions.move(block, best)}>
      {`Put it on ${placeWords(desk, best)}`}
    </BigButton>
  );
}
