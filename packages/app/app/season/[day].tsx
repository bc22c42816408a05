import { useLocalSearchParams } from 'expo-router';
import { DayPage } from '@/season/day-page';
import { useSeasonDesk } from '@/season/use-season-desk';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

const ISO = /^\d{4}-\d{2}-\d{2}$/u;

/** A day of the season, of one person. */
export default function SeasonDayScreen() {
  const { day, person } = useLocalSearchParams<{ day: string; person?: string }>();
  const desk = useSeasonDesk();
  if (!ISO.test(day) || Number.isNaN(Date.parse(day)))
    return (
      <Screen title="No such day" back>
        <Trouble title="No such day" say="A day is written as 2026-12-03." />
      </Screen>
    );
  if (!desk) return <Loading what="Fetching the season" />;
  return <DayPage desk={desk} day={day} personId={person} />;
}
