import { printFigure, printQuantity, unbroken } from '@holvek/core';
import { useMemo } from 'react';
import { usePreferences } from './preferences';

export type Units = {
  readonly pressure: string;
  readonly flow: string;
  /** A figure without its unit; rounded to `resolution` (Pa), else to three figures. */
  readonly figure: (pa: number, resolution?: number) => string;
  readonly withUnit: (pa: number, resolution?: number) => string;
  readonly flowWithUnit: (m3s: number) => string;
};

/** Printing in the units of this phone. */
export function useUnits(): Units {
  const { pressureUnit, flowUnit } = usePreferences();
  return useMemo(
    () => ({
      pressure: pressureUnit,
      flow: flowUnit,
      figure: (pa, resolution) => unbroken(printFigure(pa, pressureUnit, resolution)),
      withUnit: (pa, resolution) => unbroken(printQuantity(pa, pressureUnit, resolution)),
      flowWithUnit: (m3s) => unbroken(printQuantity(m3s, flowUnit)),
    }),
    [pressureUnit, flowUnit],
  );
}
