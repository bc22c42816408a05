import type { AbsolutePressure } from '@holvek/core';
import { createContext, useContext } from 'react';
import { useAtPlace } from './use-at-place';

/** The place of the valve that a screen is about; undefined where it is about none, or names none. */
export const PlaceContext = createContext<string | undefined>(undefined);

/**
 * Where the barometer stands at the valve that the screen is about, else at the house's first site, Pa absolute: for
 * what is written above nothing.
 */
export const useBarometer = (): AbsolutePressure => useAtPlace(useContext(PlaceContext)).barometer;
