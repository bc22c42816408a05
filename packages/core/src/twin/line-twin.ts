import { pilotHolding, valveLag } from '../family';
import type { Ladder, Rung, System } from '../ladder';
import { integrate } from '../numerics';
import {
  linePlant,
  screwFor,
  setPointOf,
  turnScrew,
  type LineElement,
  type LineNode,
  type LineParams,
  type Positions,
  type Screw,
  type ScrewParams,
} from '../plant';

/** The valves of one system on one line, so that setting one moves the gauges of the others. */
export type LineTwin = {
  readonly params: LineParams;
  readonly screwParams: Readonly<Record<string, ScrewParams>>;
  readonly screws: Readonly<Record<string, Screw>>;
  readonly state: readonly number[];
  readonly inputs: Positions;
  readonly t: number;
};

const CHUNK = 0.25;
const SOURCE = 'source';

/** l/s that is drawn as usual. */
const FLOW = 6;
/** Pa of the plant's kPa. */
const KILO = 1000;

/**
 * A line drawn from a system: its pump, what sustains, what relieves, and reducing zones down the
 * slope, each with outlets of its own. Settings start where they were found, else at their targets.
 *
 * @returns undefined where nothing in the system can be simulated as a line (no rung that regulates)
 */
export function createLineTwin(
  { rungs }: Pick<System, 'rungs'>,
  { targets }: Ladder,
): LineTwin | undefined {
  const pa = new Map(targets.map((target) => [target.rung, target.pa]));
  const regulating = rungs.filter(
    ({ kind }) => kind === 'reducing' || kind === 'sustaining' || kind === 'relief',
  );
  if (regulating.length === 0) return undefined;
  const running = runningOf(rungs, regulating, pa) / KILO;
  const nodeOf = nodeFinder(rungs);
  const through = regulating.filter(({ kind }) => kind !== 'relief');
  const nodes: LineNode[] = [
    { id: SOURCE, compliance: FLOW * 0.02, start: running },
    ...through.map(({ id }) => ({ id, compliance: FLOW * 0.05, start: 0 })),
  ];
  const screwParams = Object.fromEntries(regulating.map(({ id }) => [id, paramsOf(pa.get(id)!)]));
  const params: LineParams = {
    nodes,
    elements: [
      pumpOf(running),
      ...regulating.map((rung) =>
        elementOf(rung, nodeOf(rung.fed_by), FLOW, pa.get(rung.id)! / KILO),
      ),
      ...nodes.map(({ id }) => outletOf(id, running)),
    ],
    inlet: SOURCE,
    outlet: nodes.at(-1)!.id,
    about: regulating[0]!.id,
    sign: 1,
    highest: running * 2,
    wideIsDeaf: false,
  };
  const isEnd = (node: string) =>
    through.some(({ id }) => id === node) &&
    !through.some((other) => nodeOf(other.fed_by) === node);
  const twin: LineTwin = {
    params,
    screwParams,
    screws: Object.fromEntries(
      regulating.map(({ id, found_pa: found }) => [
        id,
        screwFor(found ?? pa.get(id)!, screwParams[id]!),
      ]),
    ),
    inputs: {
      pump: 'on',
      ...Object.fromEntries(nodes.map(({ id }) => [`outlets_${id}`, isEnd(id) ? 0.4 : 0])),
    },
    state: [],
    t: 0,
  };
  return advanceLine(
    { ...twin, state: linePlant.initial(params, twin.inputs, settingsOf(twin)) },
    120,
  );
}

/** Pa that the source runs at: its own rung's, else a little above the highest that is regulated. */
function runningOf(
  rungs: readonly Rung[],
  regulating: readonly Rung[],
  pa: ReadonlyMap<string, number>,
): number {
  const pump = rungs.find(
    ({ kind, fed_by: feeder }) => feeder === undefined && (kind === 'pump' || kind === 'switch'),
  );
  return pump ? pa.get(pump.id)! : Math.max(...regulating.map(({ id }) => pa.get(id)!)) * 1.1;
}

/** The node that a rung hangs on: what passes flow has one of its own, all else is at the source. */
function nodeFinder(rungs: readonly Rung[]): (id: string | undefined) => string {
  const byId = new Map(rungs.map((rung) => [rung.id, rung]));
  return (id) => {
    const rung = id === undefined ? undefined : byId.get(id);
    return rung?.kind === 'reducing' || rung?.kind === 'sustaining' ? rung.id : SOURCE;
  };
}

function pumpOf(running: number): LineElement {
  const resistance = (0.45 * running) / (4 * FLOW) ** 2;
  return {
    id: 'pump',
    kind: 'source',
    from: null,
    to: SOURCE,
    input: 'pump',
    slew: running * 0.1,
    resistance,
    levels: { on: running + resistance * FLOW ** 2, off: 0 },
  };
}

const outletOf = (node: string, running: number): LineElement => ({
  id: `outlets_${node}`,
  kind: 'cock',
  from: node,
  to: null,
  capacity: (4 * FLOW) / Math.sqrt(running),
  input: `outlets_${node}`,
});

/** Five turns from slack to the target: a screw as good as any where no plate is at hand. */
const paramsOf = (target: number): ScrewParams => ({
  rate: Math.max(target / 5, 1000),
  curvature: 0,
  backlash: 0.05,
  travel: 12,
  sense: 1,
});

function elementOf({ id, kind }: Rung, from: string, flow: number, set: number): LineElement {
  if (kind === 'relief')
    return {
      id,
      kind,
      from,
      to: null,
      setting: id,
      capacity: flow * 3,
      band: set * 0.04,
      blowdown: set * 0.04,
      lag: 0.5,
      leak: 0,
      sticking: 0,
    };
  const pilot = pilotHolding(id, kind === 'sustaining' ? 'from' : 'to');
  return {
    id,
    kind: 'regulator',
    from,
    to: id,
    capacity: (4 * flow) / Math.sqrt(40),
    pilots: [pilot],
    lag: valveLag,
    leak: 0,
    air: 0.03,
  };
}

const settingsOf = ({ screws, screwParams }: Pick<LineTwin, 'screws' | 'screwParams'>) =>
  Object.fromEntries(
    Object.entries(screws).map(([id, screw]) => [id, setPointOf(screw, screwParams[id]!) / 1000]),
  );

/** The line `seconds` later (0 … 3600). */
export function advanceLine(twin: LineTwin, seconds: number): LineTwin {
  const { params, inputs } = twin;
  const settings = settingsOf(twin);
  const scale = linePlant.scale(params);
  const until = twin.t + Math.min(3600, Math.max(0, seconds || 0));
  let { t, state } = twin;
  let firstStep = CHUNK;
  while (t < until - 1e-9) {
    const dt = Math.min(CHUNK, until - t);
    const outcome = integrate(linePlant.derivative(params, inputs, settings), state, [t, t + dt], {
      tolerance: 2e-4,
      scale,
      firstStep,
    });
    state = linePlant.clamp(params, outcome.state);
    firstStep = Math.max(1e-3, outcome.nextStep);
    t += dt;
  }
  return { ...twin, t, state };
}

export const turnLine = (twin: LineTwin, rung: string, turns: number): LineTwin =>
  twin.screws[rung] && Number.isFinite(turns)
    ? {
        ...twin,
        screws: {
          ...twin.screws,
          [rung]: turnScrew(twin.screws[rung], twin.screwParams[rung]!, turns),
        },
      }
    : twin;

/** Moves an outlet or the pump of the line. */
export const moveLine = (twin: LineTwin, does: Positions): LineTwin => ({
  ...twin,
  inputs: { ...twin.inputs, ...does },
});

export type LineGauge = { readonly node: string; readonly pa: number };

/** Every gauge of the line: at the source, and behind each valve that passes flow. */
export const lineGauges = ({ params, state }: LineTwin): readonly LineGauge[] =>
  params.nodes.map(({ id }, i) => ({ node: id, pa: state[i]! * 1000 }));

/** Lift of each relief, 0 … 1: whether it throws. */
export function lineReliefs({ params, state }: LineTwin): Readonly<Record<string, number>> {
  let at = params.nodes.length;
  const lifts: Record<string, number> = {};
  for (const element of params.elements) {
    if (element.kind === 'relief') lifts[element.id] = state[at]!;
    at +=
      element.kind === 'source' || element.kind === 'relief'
        ? 1
        : element.kind === 'regulator'
          ? 2 + element.pilots.length
          : 0;
  }
  return lifts;
}
