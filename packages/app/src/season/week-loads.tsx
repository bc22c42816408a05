import { weekLoad, canWait, withWaiting } from '@holvek/core';
import { Card } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Heading, Words } from '@/ui/words';
import { hoursWords, longDay } from './season-words';
import type { PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

/** Minutes beyond a week that nobody would speak of. */
const SLIGHT = 30;

/** The first week that asks for more than there is, and what can wait. */
export function TooMuchCard({
  desk,
  actions,
}: {
  readonly desk: SeasonDesk;
  readonly actions: PlanActions;
}) {
  const { made, routes, season } = desk;
  const weeks = Array.from({ length: season.weeks }, (_, week) => ({
    week,
    ...weekLoad(made, routes, week),
  }));
  const full = weeks.find(({ asked, there }) => asked > there + SLIGHT);
  if (!full) return null;
  const waiting = canWait(made, routes, full.week);
  const tags = waiting.flatMap((block) =>
    made.problem.blocks[block]!.valves.map((id) => desk.valves.get(id)?.tag ?? id),
  );
  return (
    <Card tone="stop">
      <Heading>{`${hoursWords(full.asked - full.there)} too many in the week of ${longDay(made.days[7 * full.week]!)}`}</Heading>
      <Words color="$onVermilionSoft">
        {tags.length > 0
          ? `These can wait without leaving their lanes: ${tags.join(', ')}.`
          : 'None of them can wait without risk: more hands, or more hours.'}
      </Words>
      {tags.length > 0 && actions.may ? (
        <XStack>
          <WordButton
            onPress={() =>
              actions.put(withWaiting(made, routes, waiting, full.week), 'Moved to later weeks.')
            }
          >
            move them
          </WordButton>
        </XStack>
      ) : null}
    </Card>
  );
}
