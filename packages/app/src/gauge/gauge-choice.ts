import {
  adjustersOf,
  calibratorFitness,
  dutyOf,
  gaugeFitness,
  instrumentRules,
  isInstrument,
  isStrict,
  measureOf,
  measureOfUnit,
  ratingOf,
  targetOf,
  type Gauge,
  type GaugeFitness,
  type HouseRules,
  type Side,
  type Valve,
} from '@holvek/core';

/** Gauges that show what a valve is set by; the others could never judge it. */
export const ofItsKind = (gauges: readonly Gauge[], { plate }: Pick<Valve, 'plate'>) =>
  gauges.filter(({ unit }) => measureOfUnit(unit) === measureOf(plate));

const order: Record<GaugeFitness['grade'], number> = { fits: 0, usable: 1, unfit: 2 };

/** Whether a gauge may judge what is set on one side of a valve: the worst over all its settings there. */
export function fitnessFor(
  gauge: Gauge,
  valve: Valve,
  side: Side,
  { rules, today }: { readonly rules: HouseRules; readonly today: string },
): GaugeFitness {
  const { plate } = valve;
  if (isInstrument(plate) && side === 'inlet') {
    const { scale_reading: scaleReading } = instrumentRules(rules);
    return calibratorFitness(gauge, plate.input, {
      tolerance: plate.tolerance_span,
      scaleReading,
      today,
    });
  }
  const targets = adjustersOf(valve.plate).flatMap(({ id, role }) => {
    const target = role === side ? targetOf(valve, id) : undefined;
    return target ? [target] : [];
  });
  const all = (targets.length > 0 ? targets : [valve.target]).map((target) =>
    gaugeFitness(
      gauge,
      { ...target, isStrict: isStrict(dutyOf(valve)), measures: measureOf(plate) },
      today,
      rules,
    ),
  );
  return all.reduce((a, b) => (order[b.grade] > order[a.grade] ? b : a));
}

/**
 * The gauge that suits best: grade first, then the larger ratio of tolerance to its error. A calibrator
 * stays in the bag where an ordinary gauge will do, and comes first where a signal is asked for.
 */
export const bestGauge = (
  gauges: readonly Gauge[],
  fitness: (gauge: Gauge) => GaugeFitness,
  wantsSignal = false,
): Gauge | undefined => {
  const outOfPlace = ({ sources }: Gauge) => Number((sources !== undefined) !== wantsSignal);
  return [...gauges].sort((a, b) => {
    const [fa, fb] = [fitness(a), fitness(b)];
    return (
      order[fa.grade] - order[fb.grade] ||
      outOfPlace(a) - outOfPlace(b) ||
      fb.testUncertaintyRatio - fa.testUncertaintyRatio
    );
  })[0];
};

/** For a side that is only watched, range matters more than fineness: the smallest in date that reaches over it. */
export const reachingGauge = (
  gauges: readonly Gauge[],
  valve: Valve,
  side: Side,
  today: string,
): Gauge | undefined => {
  const most = Math.abs(ratingOf(valve.plate, side));
  return gauges
    .filter(({ unit }) => measureOfUnit(unit) === measureOf(valve.plate))
    .filter(({ calibration_due_on: due, range_high_pa: high }) => due >= today && high > 0)
    .sort(
      (a, b) =>
        Number(a.range_high_pa < most) - Number(b.range_high_pa < most) ||
        a.range_high_pa - b.range_high_pa,
    )[0];
};
