import { atPlace, type AbsolutePressure, type Site } from '@holvek/core';
import { createContext, useContext } from 'react';
import { useSites } from '@/data/queries';

/** The place of the valve that a screen is about; undefined where it is about none, or names none. */
export const PlaceContext = createContext<string | undefined>(undefined);

const none: readonly Site[] = [];

/**
 * Where the barometer stands at the valve that the screen is about, else at the house's first site, Pa absolute: for
 * what is written above nothing.
 */
export function useBarometer(): AbsolutePressure {
  const place = useContext(PlaceContext);
  return atPlace(useSites().data ?? none, place).barometer;
}
