import type { Printers, SheetBody } from '@holvek/core';
import { useMemo } from 'react';
import { useNamedValve } from '@/units/units-of-valve';
import { useUnits, useUnitsOf, type Units } from '@/units/use-units';

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

/** For lists of sheets: printing in the units of the valve of each. */
export function usePrintersOf(): (body: Pick<SheetBody, 'valve_id' | 'plate'>) => Printers {
  const named = useNamedValve();
  const unitsOf = useUnitsOf();
  return ({ valve_id: id, plate }) => printersOf(unitsOf(named(id, plate.family)));
}
