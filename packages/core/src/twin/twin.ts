import { drawTwin, headAt, type Plate } from '../family';
import { shownAt, type Gauge } from '../gauge';
import { integrate, seededRandom } from '../numerics';
import {
  actuatorPlant,
  boilerPlant,
  controllerPlant,
  heaterPlant,
  linePlant,
  linkagePlant,
  movePointer,
  readPointer,
  reducingPlant,
  screwFor,
  sensorShare,
  setPointOf,
  turnScrew,
  type DrawnPlant,
  type Plant,
  type PlantOutputs,
  type Positions,
  type Screw,
  type ScrewParams,
  type Settings,
} from '../plant';
import type { GaugeRole } from '../step';
import type { Targets, TwinSketch } from '../valve';
import { parkScrew, printedScales } from './screw-places';

/** A valve's simulated twin at one moment: plain data, so that it can be kept and sent. */
export type Twin = {
  readonly plant: DrawnPlant;
  readonly screwParams: Readonly<Record<string, ScrewParams>>;
  readonly screws: Readonly<Record<string, Screw>>;
  /** Where each screw stands by its printed scale when that shows its target, Pa. */
  readonly scales: Readonly<Record<string, number>>;
  /** Pa a turn of every spring of an adjuster's chart, and the one that is in. */
  readonly springs: Readonly<
    Record<string, { readonly rates: Readonly<Record<string, number>>; readonly fitted: string }>
  >;
  readonly t: number;
  readonly state: readonly number[];
  /** Where the cocks are wanted, and where the hand has got to. */
  readonly wanted: Positions;
  readonly inputs: Positions;
  readonly gauges: Readonly<Partial<Record<GaugeRole, Gauge>>>;
  /** How much less a gauge shows than stands at its tapping, for the column up to it, Pa. */
  readonly heads: Readonly<Record<GaugeRole, number>>;
  readonly pointers: Readonly<Record<GaugeRole, number>>;
  readonly draws: number;
  readonly seed: number;
  /** Set when the plant could not be carried on and stands at its last sound state. */
  readonly isStuck: boolean;
};

export type TwinOptions = {
  readonly plate: Plate;
  readonly targets: Targets;
  readonly sketch: TwinSketch;
  readonly gauges: Readonly<Partial<Record<GaugeRole, Gauge>>>;
  readonly initial: Positions;
};

const CHUNK = 0.25;
/** Share of a cock's travel that a careful hand makes in a second. */
const HAND_SPEED = 0.12;
const LONGEST_ADVANCE = 7200;

type AnyPlant = Plant<DrawnPlant['params']>;
const plants = {
  reducing: reducingPlant,
  line: linePlant,
  linkage: linkagePlant,
  boiler: boilerPlant,
  controller: controllerPlant,
  actuator: actuatorPlant,
  heater: heaterPlant,
};
const plantOf = ({ kind }: DrawnPlant): AnyPlant => plants[kind] as unknown as AnyPlant;

export function createTwin({ plate, targets, sketch, gauges, initial }: TwinOptions): Twin {
  const { plant, screws: screwParams, start: starts } = drawTwin(plate, targets, sketch);
  const screws = Object.fromEntries(
    Object.entries(screwParams).map(([id, params]) => {
      const found =
        starts?.[id] ??
        (id === 'main'
          ? sketch.found_pa
          : (sketch.found_others?.[id] ?? targets.other_targets?.[id]?.set_point_pa ?? 0));
      return [id, screwFor(Math.abs(found), params)];
    }),
  );
  const settings = settingsOf({ screws, screwParams });
  const start: Twin = {
    plant,
    screwParams,
    screws,
    scales: printedScales(Object.keys(screwParams), targets, sketch.seed),
    springs: Object.fromEntries(
      Object.keys(screwParams).map((id) => {
        const own = id === 'main' ? plate : plate.others![id]!;
        const rates = Object.fromEntries(
          own.springs.map(({ colour, rate_pa_per_turn }) => [colour, rate_pa_per_turn]),
        );
        return [id, { rates, fitted: own.fitted_spring }];
      }),
    ),
    t: 0,
    state: plantOf(plant).initial(plant.params, initial, settings),
    wanted: initial,
    inputs: initial,
    gauges,
    heads: { inlet: headAt(plate, gauges.inlet), outlet: headAt(plate, gauges.outlet) },
    pointers: { inlet: 0, outlet: 0 },
    draws: 0,
    seed: sketch.seed,
    isStuck: false,
  };
  const rested = advanceTwin(start, 90);
  return { ...rested, t: 0 };
}

/** Set points of all screws, kPa. */
const settingsOf = ({ screws, screwParams }: Pick<Twin, 'screws' | 'screwParams'>): Settings =>
  Object.fromEntries(
    Object.entries(screws).map(([id, screw]) => [id, setPointOf(screw, screwParams[id]!) / 1000]),
  );

/** The twin `seconds` later (0 … 7200); never NaN, whatever the inputs. */
export function advanceTwin(twin: Twin, seconds: number): Twin {
  let { t, state, inputs, pointers, isStuck } = twin;
  const plant = plantOf(twin.plant);
  const { params } = twin.plant;
  const settings = settingsOf(twin);
  const scale = plant.scale(params);
  const until = t + Math.min(LONGEST_ADVANCE, Math.max(0, seconds || 0));
  let firstStep = CHUNK;
  while (t < until - 1e-9) {
    const dt = Math.min(CHUNK, until - t);
    inputs = moveHands(inputs, twin.wanted, dt);
    const outcome = integrate(plant.derivative(params, inputs, settings), state, [t, t + dt], {
      tolerance: 2e-4,
      scale,
      firstStep,
    });
    isStuck = outcome.ended !== 'at_end';
    state = plant.clamp(params, outcome.state);
    firstStep = Math.max(1e-3, outcome.nextStep);
    t += dt;
    const { inlet, outlet } = plant.outputs(params, inputs, settings, state);
    pointers = {
      inlet: pointerAt(twin.gauges.inlet, pointers.inlet, inlet, dt),
      outlet: pointerAt(twin.gauges.outlet, pointers.outlet, outlet, dt),
    };
  }
  return { ...twin, t, state, inputs, pointers, isStuck };
}

const pointerAt = (
  gauge: Gauge | undefined,
  pointer: number,
  pressure: number,
  dt: number,
): number => (gauge ? movePointer(pointer, pressure, dt, gauge) : pressure);

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

const ADJUSTER = 'adjuster_';
const SPRING = 'spring_';
/**
 * Does to the twin what a step says: cocks moved, adjusters parked `free`, `near_free` or
 * `full`, or set by their printed scale, `scaled`.
 */
export function actOnTwin(twin: Twin, does: Positions): Twin {
  const cocks: Record<string, number | string> = {};
  let screws: Record<string, Screw> | undefined;
  for (const [key, value] of Object.entries(does)) {
    const id = key.startsWith(ADJUSTER) ? key.slice(ADJUSTER.length) : undefined;
    if (id === undefined) {
      if (!key.startsWith(SPRING)) cocks[key] = value;
    } else if (twin.screws[id]) {
      const params = twin.screwParams[id]!;
      const parked =
        value === 'scaled' ? screwFor(twin.scales[id]!, params) : parkScrew(value, params);
      screws = { ...(screws ?? twin.screws), [id]: parked ?? twin.screws[id] };
    }
  }
  const acted = { ...twin, screws: screws ?? twin.screws, wanted: { ...twin.wanted, ...cocks } };
  return Object.entries(does).reduce(
    (now, [key, colour]) =>
      key.startsWith(SPRING) ? changeSpring(now, key.slice(SPRING.length), String(colour)) : now,
    acted,
  );
}

/** Another spring: its rate stands to the old one's as their charts say. */
function changeSpring(twin: Twin, id: string, colour: string): Twin {
  const own = twin.springs[id];
  const params = twin.screwParams[id];
  const rate = own?.rates[colour];
  const before = own?.rates[own.fitted];
  if (!own || !params || !rate || !before) return twin;
  return {
    ...twin,
    springs: { ...twin.springs, [id]: { ...own, fitted: colour } },
    screwParams: { ...twin.screwParams, [id]: { ...params, rate: (params.rate * rate) / before } },
  };
}

/** Turns an adjuster as a hand does: the turn asked for, give or take a twenty-fifth of a turn. */
export function turnTwin(twin: Twin, adjuster: string, turns: number): Twin {
  const screw = twin.screws[adjuster];
  if (!screw || !Number.isFinite(turns)) return twin;
  const random = seededRandom(twin.seed * 7919 + twin.draws * 104729 + 17);
  const made = turns + 0.04 * random.normal();
  const turned = turnScrew(screw, twin.screwParams[adjuster]!, made);
  return { ...twin, draws: twin.draws + 1, screws: { ...twin.screws, [adjuster]: turned } };
}

/** What the twin shows without a gauge between. */
export const twinOutputs = (twin: Twin): PlantOutputs =>
  plantOf(twin.plant).outputs(twin.plant.params, twin.inputs, settingsOf(twin), twin.state);

/** The valve stands wide open: the main is filling, or the demand is on the wrong side. */
export const isWideOpen = (twin: Twin): boolean => !twinOutputs(twin).isInControl;

/**
 * What is seen beside the gauges, 0 … 1: a travel or pointer scale, the contact of a switch, the signal
 * of a flame. Undefined where there is nothing of the kind.
 */
export function readScale(twin: Twin, finest = 0.001): number | undefined {
  const random = seededRandom(twin.seed * 37 + Math.round(twin.t * 4) * 2 + 3);
  const { plant, state } = twin;
  switch (plant.kind) {
    case 'boiler':
      return (state[2] ?? 0) > 0.5 ? 1 : 0;
    case 'controller':
    case 'linkage': {
      const [moved = 0] = state;
      const isReverse = plant.kind === 'linkage' && plant.params.isReverse;
      const travel = isReverse ? 1 - moved : moved;
      return Math.round((travel + 0.0003 * random.normal()) / finest) * finest;
    }
    case 'actuator': {
      const share = sensorShare(plant.params, twin.inputs, state[1] ?? 0);
      return Math.round((share + 0.0002 * random.normal()) / finest) * finest;
    }
    case 'line':
      return (
        plant.params.flame &&
        flameSignal(twinOutputs(twin).outlet / 1000, plant.params.flame, random.normal())
      );
    default:
      return undefined;
  }
}

/** Strength of a flame at a pressure, kPa: strong inside its edges, and a matter of luck at them. */
function flameSignal(
  pressure: number,
  { low, high, soft }: { readonly low: number; readonly high: number; readonly soft: number },
  luck: number,
): number {
  const edge = (over: number) => 1 / (1 + Math.exp(-over / soft));
  return Math.min(1, Math.max(0, edge(pressure - low) * edge(high - pressure) + 0.06 * luck));
}

/** What a gauge on the twin shows, Pa; undefined where none is fitted. */
export function readTwin(twin: Twin, role: GaugeRole): number | undefined {
  const gauge = twin.gauges[role];
  if (!gauge) return undefined;
  const salt = role === 'inlet' ? 1 : 2;
  const random = seededRandom(twin.seed * 31 + Math.round(twin.t * 4) * 2 + salt);
  return readPointer(shownAt(gauge, twin.pointers[role] - twin.heads[role]), gauge, random);
}
