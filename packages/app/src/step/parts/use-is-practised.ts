import { useMemo } from 'react';
import { isPractised } from './gathered';
import { useVisits } from '@/data/use-visits';
import { useDesk } from '@/desk/use-desk';
import { usePreferences } from '@/prefs/preferences';

/** Whether whoever works here has set enough of this family, by the house's rule that this run was begun with. */
export function useIsPractised(): boolean {
  const { run } = useDesk();
  const visits = useVisits();
  const { technician: hand } = usePreferences();
  const { plate, house_rules: rules } = run.started;
  const { family } = plate;
  return useMemo(
    () => isPractised([...visits.values()].flat(), { hand, family }, rules),
    [visits, hand, family, rules],
  );
}
