import { printFigure, printQuantity } from '../quantity';

/** How quantities are printed where the report is shown. */
export type Printers = {
  /** Unit of pressure that stands beside figures without one. */
  readonly unit: string;
  /** A pressure without its unit; `step` is what the gauge can show, Pa. */
  readonly figure: (pa: number, step?: number) => string;
  readonly pressure: (pa: number, step?: number) => string;
};

/** Everything in one unit: what a sheet on paper, or made for a file, is printed with. */
export const printersIn = (unit: string): Printers => ({
  unit,
  figure: (pa, step) => printFigure(pa, unit, step),
  pressure: (pa, step) => printQuantity(pa, unit, step),
});

/** A share of span in per cent. */
export const percent = (share: number, decimals = 1): string => {
  const text = Math.abs(share * 100).toFixed(decimals);
  return `${share < 0 && Number(text) !== 0 ? '−' : ''}${text} %`;
};
