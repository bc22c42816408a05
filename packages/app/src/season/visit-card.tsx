import {
  effortIn,
  barsOf,
  moverOf,
  nextDay,
  offersOf,
  reasonOf,
  whereIs,
  type VisitMove,
  type SeasonVisit,
  rulesFor,
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
  hereWords,
  hoursWords,
  shortDay,
  wantedWords,
  worthWords,
} from './season-words';
import type { PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

/** Share by which a hand is quicker or slower before it is said. */
const WORTH_TELLING = 0.1;

type Props = {
  readonly desk: SeasonDesk;
  readonly visit: SeasonVisit;
  readonly actions: PlanActions;
};

/** One visit: why it stands where it stands, what another day would cost, and what one may do about it. */
export function VisitCard({ desk, visit, actions }: Props) {
  const router = useRouter();
  const { made, routes, people, today } = desk;
  const { valve, wanted } = visit;
  const block = made.blockOf.get(valve.id);
  const place = block === undefined ? undefined : whereIs(routes).get(block);
  const effort = effortIn(made, valve.id, place?.person);
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
      {hand && Math.abs(effort.pace - 1) >= WORTH_TELLING ? (
        <Muted>{`By what was signed before, ${hand.name} takes ${Math.round(100 * effort.pace)} % of what most do.`}</Muted>
      ) : null}
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
  const reason = reasonOf(made, routes, block);
  const place = whereIs(routes).get(block)!;
  const mover = moverOf(made.problem, routes, block);
  const [earlier, later] = ([-1, 1] as const).map((way) => nextDay(mover, place, way));
  const bars = reason && barsWords(reason);
  return (
    <YStack gap="$2">
      {reason ? <Muted>{hereWords(reason)}</Muted> : null}
      {reason?.next ? (
        <Words>
          {`Second best: ${placeWords(desk, reason.next.place)}; ${worthWords(reason.next.more)}.`}
        </Words>
      ) : (
        <Words>No other day of this season is worth it.</Words>
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

function MoveButton({
  label,
  found,
  desk,
  actions,
  block,
}: ActionProps & { readonly label: string; readonly found: VisitMove | undefined }) {
  return (
    <BigButton
      flex={1}
      kind="outline"
      disabled={!found}
      onPress={() => found && actions.move(block, found.place)}
      label={label}
    >
      {found ? `${label}: ${shortDay(desk.made.days[found.place.day]!)}` : label}
    </BigButton>
  );
}

/** Why it has no day, and the best that there is after all. */
function UnplacedActions({ desk, actions, block }: ActionProps) {
  const { made, routes, season } = desk;
  const own = made.problem.blocks[block]!;
  const mover = moverOf(made.problem, routes, block);
  const [best] = offersOf(made.problem, mover.rest, block);
  if (!best) {
    const valve = own.valves[0]!;
    const bar = barsOf(made, routes, block)[0]?.bar ?? 'day_full';
    return <Words>{`No day takes it: ${barSentence(bar, rulesFor(season.rules, valve))}.`}</Words>;
  }
  return (
    <BigButton onPress={() => actions.move(block, best.place)}>
      {`Put it on ${placeWords(desk, best.place)}`}
    </BigButton>
  );
}
