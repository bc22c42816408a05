import {
  countersignDigest,
  countersignOf,
  defaultCountersignRules,
  type Countersign,
  type CountersignSaid,
  type CountersignState,
  type Sheet,
} from '@holvek/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '@/data/api';
import { signHere } from '@/people/sign-here';
import { useValves } from '@/data/queries';

export const useCountersignRules = () =>
  useQuery({ queryKey: ['countersign-rules'], queryFn: api.countersignRules });

const useSaid = () => useQuery({ queryKey: ['countersigns'], queryFn: api.countersigns });

/** What was said last of a sheet. @param id  the beginning of its hash, by which it is called */
export const useSaidOf = (id: string): Countersign | undefined =>
  useSaid().data?.findLast(({ sheet }) => sheet.startsWith(id));

/** How sheets stand with their second signatures. */
export function useCountersigns(): (sheet: Pick<Sheet, 'hash' | 'body'>) => CountersignState {
  const { data: rules = defaultCountersignRules } = useCountersignRules();
  const { data: said = [] } = useSaid();
  const valves = useValves().data ?? [];
  return (sheet) => {
    const duty = valves.find(({ id }) => id === sheet.body.valve_id)?.duty;
    return countersignOf(sheet, said, { duty, rules });
  };
}

/** Says something of a sheet, under the signature of this device. */
export function useSayOf(sheet: Sheet) {
  const client = useQueryClient();
  return useMutation({
    networkMode: 'always',
    mutationFn: async (said: Omit<CountersignSaid, 'sheet'>): Promise<Countersign> => {
      const whole = { ...said, sheet: sheet.hash };
      const signed = await signHere(countersignDigest(whole));
      return api.countersign(sheet.id, { ...whole, signed });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['countersigns'] }),
  });
}
