import type { Writing } from '@holvek/core';
import { useHouseRules, useSites } from '@/data/queries';
import { useBarometer } from './use-barometer';
import { useUnits } from './use-units';

/** How figures are written on this screen: in its unit, in the air of its place. */
export function useWriting(): Writing {
  const units = useUnits();
  return {
    unit: units.pressure,
    barometer: useBarometer(),
    places: useSites().data ?? [],
    rules: useHouseRules(),
  };
}
