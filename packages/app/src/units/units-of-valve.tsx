import type { Family, ReadIn, Valve } from '@holvek/core';
import type { ReactNode } from 'react';
import { useValves } from '@/data/queries';
import { PlaceContext } from './use-barometer';
import { PressureUnitContext, useUnitsOf } from './use-units';

/** What is within shows its pressures in the unit of a valve, and reads them in the air where it stands. */
export function UnitsOfValve({
  valve,
  children,
}: {
  readonly valve: ReadIn;
  readonly children: ReactNode;
}) {
  const unit = useUnitsOf()(valve).pressure;
  return (
    <PlaceContext.Provider value={valve.place_id}>
      <PressureUnitContext.Provider value={unit}>{children}</PressureUnitContext.Provider>
    </PlaceContext.Provider>
  );
}

/** A valve as a run or a sheet names it: as the register has it now, else by its kind alone. */
export function useNamedValve(): (id: string, family: Family) => ReadIn {
  const valves = useValves().data;
  return (id, family) => {
    const known: Valve | undefined = valves?.find((each) => each.id === id);
    return known ?? { plate: { family } };
  };
}
