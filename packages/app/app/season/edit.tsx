import { SeasonForm } from '@/season/season-form';
import { latestSeason } from '@/season/use-season-desk';
import { useSeasons } from '@/data/queries';
import { Loading } from '@/ui/states';

/** Whose days a season has, and what binds it. */
export default function SeasonEditScreen() {
  const seasons = useSeasons().data;
  if (!seasons) return <Loading what="Fetching the season" />;
  const known = latestSeason(seasons);
  return <SeasonForm {...(known ? { known } : {})} />;
}
