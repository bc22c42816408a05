/** The adjuster of a twin: a screw with play on a spring that is not quite straight. */
export type Screw = {
  /** Turns clockwise from backed off. */
  readonly position: number;
  /** Where the carried part stands, in the direction that raises. */
  readonly carried: number;
};
export type ScrewParams = {
  /** Pa per turn at the middle of the travel, positive. */
  readonly rate: number;
  /** Change of rate over the whole travel, as a share. */
  readonly curvature: number;
  readonly backlash: number;
  readonly travel: number;
  /** +1 clockwise raises, −1 lowers. */
  readonly sense: 1 | -1;
};

/** Turns the screw; it stops at neither end by itself, the spring only goes slack or solid. */
export function turnScrew(screw: Screw, params: ScrewParams, turns: number): Screw {
  const position = screw.position + turns;
  const raised = params.sense * position;
  const carried = Math.min(raised, Math.max(raised - params.backlash, screw.carried));
  return { position, carried };
}

/** Set point of the spring as compressed, Pa; 0 when slack, flat when the coils touch. */
export function setPointOf({ carried }: Screw, { rate, curvature, travel }: ScrewParams): number {
  const y = Math.min(travel, Math.max(0, carried));
  return rate * y * (1 + curvature * (y / travel - 0.5));
}

/** A screw that holds a set point, play taken up on the raising side. */
export function screwFor(setPoint: number, params: ScrewParams): Screw {
  let low = 0;
  let high = params.travel;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (setPointOf({ position: 0, carried: middle }, params) < setPoint) low = middle;
    else high = middle;
  }
  return { position: params.sense * (low + params.backlash), carried: low };
}

/** Backed off: spring free, play taken up on the lowering side. */
export const freeScrew: Screw = { position: 0, carried: 0 };

/** Run in until its coils touch, play taken up on the raising side. */
export const solidScrew = ({ sense, travel, backlash }: ScrewParams): Screw => ({
  position: sense * (travel + backlash),
  carried: travel,
});
