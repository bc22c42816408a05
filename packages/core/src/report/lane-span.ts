/** What part of the pressures a picture of a setting shows. */
export type LaneSpan = {
  readonly lowest: number;
  readonly highest: number;
  /** Whether the limit lies within it; otherwise it is only named at the edge. */
  readonly hasLimit: boolean;
};

/** Share of what is shown that stays free on either side. */
const ROOM = 0.14;
/** In lanes: narrower is not looked at, so that a division of the gauge never fills the picture. */
const LEAST_LANES = 3;
/** A limit as near as this share of the moves' spread is drawn in its place. */
const NEAR = 0.6;

/**
 * The span of pressures that the moves of a setting fill: what was read and what is foretold, with the
 * lane, and the limit where it is near. Nothing below a line without pressure, unless it was read.
 *
 * @param aim        lane and limit, Pa, a vacuum by its size
 * @param pressures  Pa, what was read and what is foretold; may be empty
 */
export function laneSpan(
  {
    lower,
    upper,
    limit,
  }: { readonly lower: number; readonly upper: number; readonly limit: number },
  pressures: readonly number[],
): LaneSpan {
  const low = Math.min(lower, ...pressures);
  const high = Math.max(upper, ...pressures);
  const extent = Math.max(high - low, LEAST_LANES * (upper - lower));
  const wider = (extent - (high - low)) / 2 + ROOM * extent;
  const hasLimit = limit <= high + NEAR * extent;
  return {
    lowest: low < 0 ? low - wider : Math.max(0, low - wider),
    highest: Math.max(high + wider, hasLimit ? limit + ROOM * extent : 0),
    hasLimit,
  };
}
