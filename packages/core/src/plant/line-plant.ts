import { limit, positionOf, root, type Plant, type Settings } from './plant';
import type { Source, Pilot, Regulator, Relief, LineElement, LineParams } from './line-params';
import type { Positions } from './positions';

/** Own states of an element, after those of the nodes. */
const statesOf = (element: LineElement): number =>
  element.kind === 'source'
    ? 1
    : element.kind === 'relief'
      ? 1
      : element.kind === 'regulator'
        ? 2 + element.pilots.length
        : 0;

type Layout = {
  readonly node: ReadonlyMap<string, number>;
  readonly first: readonly number[];
  readonly count: number;
};
const layouts = new WeakMap<LineParams, Layout>();
function layoutOf(params: LineParams): Layout {
  const known = layouts.get(params);
  if (known) return known;
  let count = params.nodes.length;
  const first = params.elements.map((element) => {
    const at = count;
    count += statesOf(element);
    return at;
  });
  const layout = { node: new Map(params.nodes.map(({ id }, i) => [id, i])), first, count };
  layouts.set(params, layout);
  return layout;
}

const levelOf = ({ levels, input }: Source, inputs: Positions): number => {
  const word = inputs[input];
  return typeof word === 'string'
    ? (levels[word] ?? 0)
    : (levels['on'] ?? 0) * positionOf(inputs, input);
};
const isOpen = ({ when }: Relief, inputs: Positions): boolean =>
  when === undefined || inputs[when.input] === when.is;
const settingAt = (params: LineParams, inputs: Positions, settings: Settings, id: string): number =>
  (settings[id] ?? 0) * (params.loadedBy === undefined ? 1 : positionOf(inputs, params.loadedBy));

/** Flow through an element, from → to, L/s. */
function flowOf(
  element: LineElement,
  at: {
    readonly from: number;
    readonly to: number;
    readonly own: number;
    readonly setting: number;
  },
  inputs: Positions,
): number {
  switch (element.kind) {
    case 'source':
      return root(at.own - at.to) / Math.sqrt(element.resistance);
    case 'cock':
      return element.capacity * positionOf(inputs, element.input) ** 2 * root(at.from - at.to);
    case 'regulator':
      return (element.capacity * limit(at.own, 0, 1) ** 2 + element.leak) * root(at.from - at.to);
    case 'relief':
      return isOpen(element, inputs)
        ? (element.capacity * limit(at.own, 0, 1) + element.leak) *
            limit(root(at.from - at.to), -1, 1)
        : 0;
    case 'pump':
      return inputs[element.override] === 'on'
        ? element.flow
        : element.flow * limit((at.setting + element.band - at.to) / element.band, 0, 1);
  }
}

/** How far a pilot asks its valve to open. */
const asked = (
  { holds, band, lockup }: Pilot,
  set: number,
  { from, to, integral }: { readonly from: number; readonly to: number; readonly integral: number },
): number =>
  limit(integral + (holds === 'to' ? set + lockup - to : from - set + lockup) / band, 0, 1);

/** The air outside. */
const OPEN_AIR = 0;

export const linePlant: Plant<LineParams> = {
  scale: (params) => {
    const { count } = layoutOf(params);
    return Array.from({ length: count }, (_, i) =>
      i < params.nodes.length ? Math.max(1, params.highest / 4) : 1,
    );
  },
  initial: (params, inputs) => [
    ...params.nodes.map(({ start }) => start),
    ...params.elements.flatMap((element) =>
      element.kind === 'source'
        ? [levelOf(element, inputs)]
        : element.kind === 'relief'
          ? [0]
          : element.kind === 'regulator'
            ? [0.2, element.air, ...element.pilots.map(({ integral }) => (integral > 0 ? 0.2 : 0))]
            : [],
    ),
  ],
  derivative: (params, inputs, settings) => {
    const { node, first } = layoutOf(params);
    const settingOf = (id: string) => settingAt(params, inputs, settings, id);
    return (state, t, out) => {
      const pressure = (id: string | null) => (id === null ? OPEN_AIR : state[node.get(id)!]!);
      for (let i = 0; i < params.nodes.length; i++) out[i] = 0;
      params.elements.forEach((element, e) => {
        const at = first[e]!;
        const from = pressure(element.from);
        const to = pressure(element.to);
        const setting = 'setting' in element ? settingOf(element.setting) : 0;
        const flow = flowOf(element, { from, to, own: state[at] ?? 0, setting }, inputs);
        if (element.from !== null) out[node.get(element.from)!]! -= flow;
        if (element.to !== null) out[node.get(element.to)!]! += flow;
        if (element.kind === 'source')
          out[at] = limit((levelOf(element, inputs) - state[at]!) * 2, -element.slew, element.slew);
        if (element.kind === 'relief')
          out[at] = reliefLift(element, { lift: state[at]!, pressure: from, setting, t });
        if (element.kind === 'regulator')
          regulate(element, { state, at, from, to, inputs, settingOf }, out);
      });
      for (let i = 0; i < params.nodes.length; i++) out[i] = out[i]! / params.nodes[i]!.compliance;
    };
  },
  clamp: (params, state) => {
    const { first } = layoutOf(params);
    const next = state.slice();
    for (let i = 0; i < params.nodes.length; i++)
      next[i] = limit(next[i]!, 0, params.highest * 1.5);
    params.elements.forEach((element, e) => {
      if (element.kind === 'source') return;
      for (let i = 0; i < statesOf(element); i++)
        next[first[e]! + i] = limit(next[first[e]! + i]!, 0, 1);
    });
    return next;
  },
  outputs: (params, inputs, settings, state) => {
    const { node, first } = layoutOf(params);
    const pressure = (id: string | null) => (id === null ? OPEN_AIR : state[node.get(id)!]!);
    const e = params.elements.findIndex(({ id }) => id === params.about);
    const element = params.elements[e]!;
    const at = first[e]!;
    const setting = 'setting' in element ? settingAt(params, inputs, settings, element.setting) : 0;
    const from = pressure(element.from);
    const flow = flowOf(
      element,
      { from, to: pressure(element.to), own: state[at] ?? 0, setting },
      inputs,
    );
    const opening = element.kind === 'regulator' || element.kind === 'relief' ? state[at]! : 0;
    const isWide = params.wideIsDeaf && opening > 0.97;
    return {
      inlet: params.sign * pressure(params.inlet) * 1000,
      outlet: params.sign * pressure(params.outlet) * 1000,
      flow: Math.max(0, flow) / 1000,
      vent: element.kind === 'regulator' && !isWide && opening > 0.01 ? 4e-6 : 0,
      opening,
      fill: 1,
      isInControl: !isWide,
    };
  },
};

/** Lifts over its band; once open it holds on until the pressure has fallen by its blowdown. */
function reliefLift(
  relief: Relief,
  {
    lift,
    pressure,
    setting,
    t,
  }: {
    readonly lift: number;
    readonly pressure: number;
    readonly setting: number;
    readonly t: number;
  },
): number {
  const stuck = setting * (1 + relief.sticking * Math.sin(t / 17 + 3 * Math.sin(t / 41)));
  const held = relief.blowdown * limit(lift / 0.04, 0, 1);
  return (limit((pressure - stuck + held) / relief.band, 0, 1) - lift) / relief.lag;
}

type Regulating = {
  readonly state: readonly number[];
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly inputs: Positions;
  readonly settingOf: (id: string) => number;
};

/** The pilot that asks for least rules; air in the chamber slows everything and leaves by the vent. */
function regulate(
  regulator: Regulator,
  { state, at, from, to, inputs, settingOf }: Regulating,
  out: number[],
): void {
  const selector = regulator.selector === undefined ? 'automatic' : inputs[regulator.selector];
  const air = state[at + 1]!;
  const wishes = regulator.pilots.map((pilot, k) =>
    asked(pilot, settingOf(pilot.setting), { from, to, integral: state[at + 2 + k]! }),
  );
  const wish = selector === 'close' ? 0 : selector === 'open' ? 1 : Math.min(...wishes);
  out[at] = (wish - state[at]!) / (regulator.lag * (1 + 8 * air));
  out[at + 1] = selector === 'open' ? -air * 0.12 : -air * 2e-4;
  regulator.pilots.forEach((pilot, k) => {
    const set = settingOf(pilot.setting);
    const error = pilot.holds === 'to' ? set - to : from - set;
    const memory = state[at + 2 + k]!;
    const isHeld =
      selector !== 'automatic' || (memory >= 1 && error > 0) || (memory <= 0 && error < 0);
    out[at + 2 + k] = pilot.integral === 0 || isHeld ? 0 : limit(pilot.integral * error, -0.1, 0.1);
  });
}
