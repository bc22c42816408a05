import { placedIn, placeWords, type Site, type Valve } from '@holvek/core';
import { useMemo } from 'react';
import { useSites, useValves } from './queries';

const none: readonly Site[] = [];

/** The register with each place in the words of the tree; undefined while it is fetched. Not to be written back. */
export function usePlacedValves(): readonly Valve[] | undefined {
  const valves = useValves().data;
  const places = useSites().data ?? none;
  return useMemo(() => valves?.map((valve) => placedIn(places, valve)), [valves, places]);
}

/** Where a valve stands, in the words of the tree. */
export function usePlaceWords(): (valve: Pick<Valve, 'place' | 'place_id'>) => string {
  const places = useSites().data ?? none;
  return (valve) => placeWords(places, valve);
}
