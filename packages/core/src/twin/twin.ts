import type { Gauge } from '../gauge';
import { integrate, seededRandom } from '../numerics';
import type { GaugeRole, Positions } from '../procedure';
import type { Plate, TwinSketch } from '../valve';
import type { PlantOutputs } from './plant';
import { reducingPlant, type ReducingParams } from './reducing-plant';
import { reducingVariety } from './reducing-variety';
import { freeScrew, screwFor, setPointOf, turnScrew, type Screw, type ScrewParams } from './screw';
import { movePointer, readPointer } from './simulated-gauge';

/** A valve's simulated twin at one moment: plain data, so that it can be kept and sent. */
export type Twin = {
  readonly plant: ReducingParams;
  readonly screwParams: ScrewParams;
  readonly t: number;
  readonly state: readonly number[];
  readonly screw: Screw;
  /** Where the cocks are wanted, and where the hand has got to. */
  readonly wanted: Positions;
  readonly inputs: Positions;
  readonly gauges: Readonly<Partial<Record<GaugeRole, Gauge>>>;
  readonly pointers: Readonly<Record<GaugeRole, number>>;
  readonly draws: number;
  readonly seed: number;
  /** Set when the plant could not be carried on and stands at its last sound state. */
  readonly isStuck: boolean;
};

export type TwinOptions = {
  readonly plate: Plate;
  readonly targetPa: number;
  readonly sketch: TwinSketch;
  readonly gauges: Readonly<Partial<Record<GaugeRole, Gauge>>>;
  readonly initial: Positions;
};

const CHUNK = 0.25;
/** Share of a cock's travel that a careful hand makes in a second. */
const HAND_SPEED = 0.12;
const LONGEST_ADVANCE = 7200;

export function createTwin({ plate, targetPa, sketch, gauges, initial }: TwinOptions): Twin {
  const { plant, screw: screwParams } = reducingVariety(plate, targetPa, sketch);
  const screw = screwFor(sketch.found_pa, screwParams);
  const setPoint = setPointOf(screw, screwParams) / 1000;
  const start: Twin = {
    plant,
    screwParams,
    t: 0,
    state: reducingPlant.initial(plant, initial, setPoint),
    screw,
    wanted: initial,
    inputs: initial,
    gauges,
    pointers: { inlet: 0, outlet: 0 },
    draws: 0,
    seed: sketch.seed,
    isStuck: false,
  };
  const rested = advanceTwin(start, 90);
  return { ...rested, t: 0 };
}

/** The twin `seconds` later (0 … 7200); never NaN, whatever the inputs. */
export function advanceTwin(twin: Twin, seconds: number): Twin {
  let { t, state, inputs, pointers, isStuck } = twin;
  const setPoint = setPointOf(twin.screw, twin.screwParams) / 1000;
  const until = t + Math.min(LONGEST_ADVANCE, Math.max(0, seconds || 0));
  let firstStep = CHUNK;
  while (t < until - 1e-9) {
    const dt = Math.min(CHUNK, until - t);
    inputs = moveHands(inputs, twin.wanted, dt);
    const outcome = integrate(reducingPlant.derivative(twin.plant, inputs, setPoint), state, t, t + dt, {
      tolerance: 2e-4,
      scale: reducingPlant.scale,
      firstStep,
    });
    isStuck = outcome.ended !== 'at_end';
    state = reducingPlant.clamp(twin.plant, outcome.state);
    firstStep = Math.max(1e-3, outcome.nextStep);
    t += dt;
    const { inlet, outlet } = reducingPlant.outputs(twin.plant, inputs, setPoint, state);
    pointers = {
      inlet: pointerAt(twin.gauges.inlet, pointers.inlet, inlet, dt),
      outlet: pointerAt(twin.gauges.outlet, pointers.outlet, outlet, dt),
    };
  }
  return { ...twin, t, state, inputs, pointers, isStuck };
}

const pointerAt = (gauge: Gauge | undefined, pointer: number, pressure: number, dt: number): number =>
  gauge ? movePointer(pointer, pressure, dt, gauge) : pressure;

/** Cocks move at the speed of a hand; words change at once. */
function moveHands(now: Positions, wanted: Positions, dt: number): Positions {
  let moved: Record<string, number | string> | undefined;
  for (const [key, goal] of Object.entries(wanted)) {
    const at = now[key];
    if (at === goal) continue;
    moved ??= { ...now };
    const reach = HAND_SPEED * dt;
    moved[key] =
      typeof goal === 'number' && typeof at === 'number' && Math.abs(goal - at) > reach
        ? at + Math.sign(goal - at) * reach
        : goal;
  }
  return moved ?? now;
}

/** Does to the twin what a step says: cocks moved, or an adjuster backed off until free. */
export function actOnTwin(twin: Twin, does: Positions): Twin {
  const { adjuster_main: adjuster, ...cocks } = does;
  const screw = adjuster === 'free' ? freeScrew : twin.screw;
  return { ...twin, screw, wanted: { ...twin.wanted, ...cocks } };
}

/** Turns the adjuster as a hand does: the turn asked for, give or take a twenty-fifth of a turn. */
export function turnTwin(twin: Twin, turns: number): Twin {
  if (!Number.isFinite(turns)) return twin;
  const random = seededRandom(twin.seed * 7919 + twin.draws * 104729 + 17);
  const made = turns + 0.04 * random.normal();
  return { ...twin, draws: twin.draws + 1, screw: turnScrew(twin.screw, twin.screwParams, made) };
}

/** What the twin shows without a gauge between. */
export const twinOutputs = (twin: Twin): PlantOutputs =>
  reducingPlant.outputs(twin.plant, twin.inputs, setPointOf(twin.screw, twin.screwParams) / 1000, twin.state);

/** The main valve stands wide open: the main is filling or the demand is too strong. */
export const isWideOpen = (twin: Twin): boolean => twinOutputs(twin).opening > 0.97;

/** What a gauge on the twin shows, Pa; undefined where none is fitted. */
export function readTwin(twin: Twin, role: GaugeRole): number | undefined {
  const gauge = twin.gauges[role];
  if (!gauge) return undefined;
  const salt = role === 'inlet' ? 1 : 2;
  const random = seededRandom(twin.seed * 31 + Math.round(twin.t * 4) * 2 + salt);
  return readPointer(twin.pointers[role], gauge, random);
}
