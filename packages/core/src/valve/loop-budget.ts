import { err, ok, type Result } from '../result';

/** Copper conductors by cross-section, m², thinnest first. */
export const conductors: readonly { readonly name: string; readonly area_m2: number }[] = [
  { name: '0.5 mm² · AWG 20', area_m2: 0.5e-6 },
  { name: '0.75 mm² · AWG 18', area_m2: 0.75e-6 },
  { name: '1 mm² · AWG 17', area_m2: 1e-6 },
  { name: '1.5 mm² · AWG 15', area_m2: 1.5e-6 },
  { name: '2.5 mm² · AWG 13', area_m2: 2.5e-6 },
  { name: '4 mm² · AWG 11', area_m2: 4e-6 },
];

const COPPER_PER_KELVIN = 0.00393;
const ROOM_K = 293.15;

/**
 * Resistance of a pair of copper conductors, there and back.
 *
 *     R = 2 · ρ₂₀ · (1 + α (T − 20 °C)) · length / area
 *
 * @param copper  ρ₂₀, ohm metre; the house reckons with the worst that a flexible conductor may have
 * @returns ohm
 * @source  α 0.00393 a kelvin, international annealed copper standard
 * @example pairResistance({ length: 100, area: 1e-6, at: 293.15 }, 2e-8) // → 4
 */
export const pairResistance = ({ length, area, at }: Cable, copper: number): number =>
  (2 * copper * (1 + COPPER_PER_KELVIN * (at - ROOM_K)) * length) / area;

/** m one way, m² of the conductor, and K. */
export type Cable = { readonly length: number; readonly area: number; readonly at: number };
export type LoopNeeds = {
  /** V of the supply, and what the sensor needs at the least. */
  readonly supply: number;
  readonly sensor: number;
  /** V kept in hand. */
  readonly headroom: number;
  /** ohm of everything else in the loop. */
  readonly load: number;
  /** A at the high end. */
  readonly current: number;
  readonly cable: Cable;
  /** ohm metre of the conductor's copper at 20 °C. */
  readonly copper: number;
};
export type LoopBudget = {
  readonly drop: number;
  /** V left over; negative: it will not work. */
  readonly left: number;
  /** Longest cable, m one way, that would do with this conductor. */
  readonly longest: number;
  /** The thinnest conductors that would do at this length, thinnest first. */
  readonly wouldDo: readonly string[];
};
export type LoopError = { readonly code: 'valve.loop_nonsense'; readonly field: string };

/**
 * What is left of a loop's supply: supply − sensor − headroom − drop of cable and load.
 *
 * @errors  valve.loop_nonsense, for what is not above nothing
 * @example loopBudget({ supply: 24, sensor: 12, headroom: 3, load: 250, current: 0.02,
 *   cable: { length: 400, area: 1e-6, at: 293.15 }, copper: 2e-8 })
 *   // → ok({ drop: 0.32, left: 3.68 })
 */
export function loopBudget(needs: LoopNeeds): Result<LoopBudget, LoopError> {
  const { supply, sensor, headroom, load, current, cable, copper } = needs;
  const above = {
    supply,
    current,
    area: cable.area,
    length: cable.length,
    temperature: cable.at,
    copper,
  };
  for (const [field, value] of Object.entries(above))
    if (!(value > 0 && Number.isFinite(value))) return err({ code: 'valve.loop_nonsense', field });
  const spare = supply - sensor - headroom - load * current;
  const dropOf = (length: number, area: number) =>
    current * pairResistance({ length, area, at: cable.at }, copper);
  const drop = dropOf(cable.length, cable.area);
  return ok({
    drop,
    left: spare - drop,
    longest: Math.max(0, spare / dropOf(1, cable.area)),
    wouldDo: conductors
      .filter(({ area_m2 }) => spare - dropOf(cable.length, area_m2) > 0)
      .map(({ name }) => name),
  });
}
