import { fromSI, printFigure, toSI } from '@holvek/core';

/** About `count` round values of a unit between two SI bounds, with their printed figures. */
export function niceTicks(
  low: number,
  high: number,
  unit: string,
  count: number,
): { readonly si: number; readonly text: string }[] {
  const from = fromSI(low, unit);
  const to = fromSI(high, unit);
  const raw = (to - from) / count;
  if (!(raw > 0) || !Number.isFinite(raw)) return [];
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = [1, 2, 5, 10].map((f) => f * power).find((s) => s >= raw) ?? raw;
  const ticks: { si: number; text: string }[] = [];
  for (let value = Math.ceil(from / step) * step; value <= to + step * 1e-6; value += step) {
    const si = toSI(value, unit);
    ticks.push({ si, text: printFigure(si, unit, toSI(step, unit) - toSI(0, unit)) });
  }
  return ticks;
}
