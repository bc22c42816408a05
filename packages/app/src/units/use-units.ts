import {
  measureOfUnit,
  printFigure,
  printQuantity,
  TEMPERATURE_UNIT,
  unbroken,
  unitFor,
  type Gauge,
  type ReadIn,
} from '@holvek/core';
import { createContext, useContext } from 'react';
import { useHouseRules } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';

export type Units = {
  readonly pressure: string;
  readonly flow: string;
  /** A figure without its unit; rounded to `resolution` (Pa), else to three figures. */
  readonly figure: (pa: number, resolution?: number) => string;
  readonly withUnit: (pa: number, resolution?: number) => string;
  readonly flowWithUnit: (m3s: number) => string;
};

const made = new Map<string, Units>();

/** Printing pressures in one unit and flows in another; made once, since every row of a list asks. */
export function unitsIn(pressure: string, flow: string): Units {
  const key = `${pressure} ${flow}`;
  const known = made.get(key);
  if (known) return known;
  const units: Units = {
    pressure,
    flow,
    figure: (pa, resolution) => unbroken(printFigure(pa, pressure, resolution)),
    withUnit: (pa, resolution) => unbroken(printQuantity(pa, pressure, resolution)),
    flowWithUnit: (m3s) => unbroken(printQuantity(m3s, flow)),
  };
  made.set(key, units);
  return units;
}

/** The unit of the valve that a screen is about; undefined where it is about none. */
export const PressureUnitContext = createContext<string | undefined>(undefined);

/** Printing in the units of the valve that the screen is about, else of this phone. */
export function useUnits(): Units {
  const own = useContext(PressureUnitContext);
  const { pressureUnit, flowUnit } = usePreferences();
  return unitsIn(own ?? pressureUnit, flowUnit);
}

/** What a gauge's own face is told in: a thermometer's in degrees, whatever the phone is used to. */
export function useUnitsOfGauge({ unit }: Pick<Gauge, 'unit'>): Units {
  const units = useUnits();
  return measureOfUnit(unit) === 'temperature' ? unitsIn(TEMPERATURE_UNIT, units.flow) : units;
}

/** For lists of many valves: printing in the units of each. */
export function useUnitsOf(): (valve: ReadIn) => Units {
  const rules = useHouseRules();
  const { pressureUnit, flowUnit } = usePreferences();
  return (valve) => unitsIn(unitFor(valve, rules, pressureUnit), flowUnit);
}
