import { daysBetween, weekLoad } from '@holvek/core';
import { View, XStack } from '@/ui/kit';
import { Muted, Strong } from '@/ui/words';
import { LABELS, type Track } from './board-row';
import { loadWords, monthDay } from './season-words';
import type { SeasonDesk } from './use-season-desk';

/** The weeks with what each asks of its hours, and where today is. */
export function WeekHead({ desk, track }: { readonly desk: SeasonDesk; readonly track: Track }) {
  const { made, routes, season, today } = desk;
  const week = 7 * track.perDay;
  const now = daysBetween(season.from, today);
  return (
    <View paddingLeft={LABELS} position="relative">
      <Muted position="absolute" left={0} top={26}>
        hours asked of those there
      </Muted>
      <XStack>
        {Array.from({ length: season.weeks }, (_, i) => {
          const { asked, there } = weekLoad(made, routes, i);
          const isOver = asked > there + 1;
          const isClosed = there === 0;
          return (
            <View key={i} width={week} paddingRight={4} gap={4}>
              <Muted numberOfLines={1}>{monthDay(made.days[7 * i]!)}</Muted>
              <View
                position="relative"
                height={26}
                borderRadius="$1"
                backgroundColor="$quiet"
                overflow="hidden"
                justifyContent="center"
              >
                <View
                  position="absolute"
                  top={0}
                  bottom={0}
                  left={0}
                  width={`${isClosed ? 0 : Math.min(100, (100 * asked) / there)}%`}
                  backgroundColor={isOver ? '$vermilionSoft' : '$lane'}
                />
                <Strong
                  position="relative"
                  fontSize="$1"
                  paddingHorizontal={4}
                  numberOfLines={1}
                  color={isOver ? '$onVermilionSoft' : '$color'}
                >
                  {isClosed ? 'closed' : loadWords({ asked, there })}
                </Strong>
              </View>
            </View>
          );
        })}
      </XStack>
      {now >= 0 && now < track.days ? (
        <Muted position="absolute" top={48} left={LABELS + now * track.perDay} color="$brass">
          │ today
        </Muted>
      ) : null}
    </View>
  );
}
