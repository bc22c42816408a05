import type { Printers } from '@holvek/core';
import { useMemo } from 'react';
import { useUnits, type Units } from '@/settings/use-units';

/** A phone's units as reports and lists print with them. */
export const printersOf = ({ pressure: unit, figure, withUnit }: Units): Printers => ({
  unit,
  figure,
  pressure: withUnit,
});

export function usePrinters(): Printers {
  const units = useUnits();
  return useMemo(() => printersOf(units), [units]);
}
