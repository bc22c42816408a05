import { bagOf, toolKey, toldFor } from '@holvek/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { changePreferences, usePreferences } from '@/prefs/preferences';
import { usePacked } from '@/bag/packed';
import { Card, Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { Press, WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';
import { mayRemind, useReminder, wantReminders } from './reminder';
import { shortDay } from './season-words';
import { useDay } from './use-day';
import { useSeasonDesk, type SeasonDesk } from './use-season-desk';

/** The evening before: what the next day of work asks for, and what of it is not there yet. */
export function NextDayCard({ name }: { readonly name: string }) {
  const desk = useSeasonDesk();
  const person = desk?.made.people.find((each) => each.name === name);
  if (!desk || !person) return null;
  const p = desk.made.people.indexOf(person);
  const day = desk.made.days.find(
    (each, d) => each > desk.today && (desk.routes[p]?.[d] ?? []).length > 0,
  );
  return day === undefined ? null : <NextDay desk={desk} day={day} personId={person.id} />;
}

function NextDay({
  desk,
  day,
  personId,
}: {
  readonly desk: SeasonDesk;
  readonly day: string;
  readonly personId: string;
}) {
  const router = useRouter();
  const { own } = useDay(desk, day, personId);
  const ticked = usePacked(day);
  const toPack = bagOf(own).filter(({ tool }) => !ticked.has(toolKey(tool))).length;
  const toTell = toldFor(own).filter(({ who }) => !ticked.has(`tell ${who}`)).length;
  const left = [
    toPack > 0 ? `${toPack} still to pack` : '',
    toTell > 0 ? `${toTell} to tell` : '',
  ].filter(Boolean);
  const words = left.length > 0 ? left.join(', ') : 'all packed, all know';
  const tags = own.map(({ tag }) => tag).join(', ');
  useReminder(day, shortDay(day), `${tags}: ${words}`);
  return (
    <YStack>
      <Press onPress={() => router.push(`/season/${day}?person=${personId}`)} testID="next-day">
        <Card padding="$3">
          <XStack justifyContent="space-between" alignItems="center" gap="$3">
            <Strong fontSize="$4" lineHeight="$4">
              {shortDay(day)}
            </Strong>
            <Pill tone={left.length > 0 ? 'work' : 'good'}>{words}</Pill>
          </XStack>
          <Muted>{tags}</Muted>
        </Card>
      </Press>
      <RemindMe />
    </YStack>
  );
}

/** Being told of it while the page lies in the background; nothing where the browser never lets it. */
function RemindMe() {
  const { isReminded } = usePreferences();
  const [may, setMay] = useState(mayRemind);
  if (may === 'never') return null;
  return isReminded && may === 'yes' ? (
    <WordButton onPress={() => changePreferences({ isReminded: false })}>
      remind me no more of the next day
    </WordButton>
  ) : (
    <WordButton onPress={() => void wantReminders().then(setMay)}>
      remind me of the next day each evening
    </WordButton>
  );
}
