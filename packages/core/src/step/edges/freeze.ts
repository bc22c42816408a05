import { lastReading } from '../last-reading';
import type { RunState } from '../run-state';
import type { FrozenEdges } from './frozen';
import { lightsOf, lightsView } from './lights';

/** Edges of a flame and every try that found them; undefined for anything else. */
export function edgesOf(run: RunState): { edges?: FrozenEdges } {
  const lights = lightsOf(run);
  if (lights.length === 0) return {};
  const { search } = lightsView(run);
  const left = lastReading(run, 'as_left')?.reading.si;
  const { lit: low } = search.low;
  const { lit: high } = search.high;
  if (low === undefined || high === undefined || left === undefined) return {};
  return {
    edges: {
      low_pa: low,
      high_pa: high,
      to_low_pa: left - low,
      to_high_pa: high - left,
      lights: lights.map(({ pressure, lit, weak }) => ({
        pressure_pa: pressure,
        lit,
        weak: weak ?? false,
      })),
    },
  };
}
