import { atPlace, type AtPlace, type Site } from '@holvek/core';
import { useMemo } from 'react';
import { useSites } from '@/data/queries';

const none: readonly Site[] = [];

/** What is so at a place: its air, its clock, its money, who is asked. */
export function useAtPlace(id: string | undefined): AtPlace {
  const places = useSites().data ?? none;
  return useMemo(() => atPlace(places, id), [places, id]);
}
