import { defaultPeopleRules, lackedLicence, licenceKinds, type Family } from '@holvek/core';
import { useQuery } from '@tanstack/react-query';
import { useHandsHere, useSession } from './session';
import { api } from '@/data/api';
import { useMay, usePreferences } from '@/prefs/preferences';
import { today } from '@/ui/local-day';

export const usePeopleRules = () =>
  useQuery({ queryKey: ['people-rules'], queryFn: api.peopleRules });

/** What keeps whoever is here from a record of this family, in words; nothing where he may make one. */
export function useBarred(
  family: Family,
): { readonly title: string; readonly say: string } | undefined {
  const { data: session } = useSession();
  const { data: hands = [] } = useHandsHere();
  const { technician } = usePreferences();
  const { data: rules = defaultPeopleRules } = usePeopleRules();
  const { may, needs } = useMay('work');
  if (!may)
    return {
      title: 'You may practise here',
      say: `A record is made by a ${needs}. Practice is open to everybody.`,
    };
  const person = [session?.person, ...hands].find((each) => each?.name === technician);
  const kind = person && lackedLicence({ person, family, rules, day: today() });
  return (
    kind && {
      title: `A licence is asked for: ${licenceKinds[kind]}`,
      say: 'You have none here that holds today. Practise, or have somebody with it begin; an owner enters licences under People.',
    }
  );
}
