import { withMoved, type RestOfDay, type Routes } from '@holvek/core';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';
import { hoursWords, shortDay, worthWords } from './season-words';
import type { DayDesk } from './use-day';
import type { PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

type Props = {
  readonly desk: SeasonDesk;
  readonly own: DayDesk;
  readonly rest: RestOfDay;
  readonly actions: PlanActions;
};

const tagsOf = ({ made, valves }: SeasonDesk, route: readonly number[]): string =>
  route
    .flatMap((block) => made.problem.blocks[block]!.valves)
    .map((id) => valves.get(id)?.tag ?? id)
    .join(', ');

/** The day asks for more than it has: what can wait, and what that costs. */
export function OverCard({ desk, rest, actions }: Props) {
  const { over, waits, stays } = rest;
  if (over < 1) return null;
  const { made, routes } = desk;
  const sendAway = () => {
    const next = waits.reduce<Routes>(
      (now, { block, person, day }) =>
        withMoved(made.problem, now, block, { person, day })?.routes ?? now,
      routes,
    );
    actions.put(next, 'They wait.');
  };
  return (
    <Card tone="warn" testID="day-over">
      <Heading>{`${hoursWords(over)} beyond the day`}</Heading>
      {waits.map(({ block, person, day, more }) => (
        <Words key={block} color="$onBrassSoft">
          {`${tagsOf(desk, [block])} can wait until ${shortDay(made.days[day]!)}, ${made.people[person]!.name}: ${worthWords(more)}.`}
        </Words>
      ))}
      {stays >= 1 ? (
        <Words color="$onBrassSoft">
          {waits.length === 0
            ? 'Nothing of it can wait: its days, its order or its hands leave no other place.'
            : `${hoursWords(stays)} stay beyond it: the rest cannot wait.`}
        </Words>
      ) : null}
      {waits.length > 0 && actions.may ? (
        <BigButton kind="outline" onPress={sendAway} testID="let-wait">
          {waits.length === 1 ? 'Let it wait' : 'Let them wait'}
        </BigButton>
      ) : null}
    </Card>
  );
}

/** Another way round is quicker from here. */
export function QuickerCard({ desk, own, rest, actions }: Props) {
  const { quicker } = rest;
  if (!quicker) return null;
  const take = () =>
    actions.put(
      desk.routes.map((days, p) =>
        p === own.p ? days.map((route, d) => (d === own.at ? quicker.route : route)) : days,
      ),
      'In that order.',
    );
  return (
    <Card tone="work" testID="day-quicker">
      <Heading>{`Another way round saves ${hoursWords(quicker.saves)}`}</Heading>
      <Words>{tagsOf(desk, quicker.route)}</Words>
      {actions.may ? (
        <BigButton kind="outline" onPress={take}>
          Go that way
        </BigButton>
      ) : (
        <Muted>Who plans may change the order.</Muted>
      )}
    </Card>
  );
}
