import { useSeasons } from '@/data/queries';
import { SeasonForm } from '@/season/season-form';
import { SeasonPage } from '@/season/season-page';
import { useSeasonDesk } from '@/season/use-season-desk';
import { Loading } from '@/ui/states';

/** The season, or the beginning of one where there is none. */
export default function SeasonScreen() {
  const seasons = useSeasons().data;
  const desk = useSeasonDesk();
  if (seasons?.length === 0) return <SeasonForm />;
  if (!desk) return <Loading what="Fetching the season" />;
  return <SeasonPage desk={desk} />;
}
