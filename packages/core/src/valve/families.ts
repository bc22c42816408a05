import type { Family, Plate } from './plate';

/** Which side of the valve an adjuster governs: its rating and its gauge stand there. */
export type Side = 'inlet' | 'outlet';
export type Approach = 'from_below' | 'from_above';

export type AdjusterSpec = {
  readonly id: string;
  readonly name: string;
  readonly approach: Approach;
  readonly role: Side;
};
export type FamilyFacts = {
  readonly name: string;
  /** What the leading adjuster does, before its figure. */
  readonly holds: string;
  /** The verb of a round: "reduce to 520 kPa". */
  readonly verb: string;
  readonly adjusters: readonly AdjusterSpec[];
  /** What the gauges are called where they stand. */
  readonly gauges: Readonly<Partial<Record<Side, string>>>;
  /** The gauge by which the setting is judged. */
  readonly judge: Side;
};

const main = (name: string, approach: Approach, role: Side): AdjusterSpec => ({
  id: 'main',
  name,
  approach,
  role,
});

/** What the rest of the house needs to know of a family without asking which one it is. */
export const families: Readonly<Record<Family, FamilyFacts>> = {
  reducing: {
    name: 'Pilot-operated reducing valve',
    holds: 'holds, downstream',
    verb: 'reduce to',
    adjusters: [main('Pilot adjuster', 'from_below', 'outlet')],
    gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
    judge: 'outlet',
  },
  sustaining: {
    name: 'Sustaining valve',
    holds: 'holds, upstream',
    verb: 'sustain',
    adjusters: [
      main('Sustaining adjuster', 'from_above', 'inlet'),
      { id: 'reducing', name: 'Reducing adjuster', approach: 'from_below', role: 'outlet' },
    ],
    gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
    judge: 'inlet',
  },
  relief_pilot: {
    name: 'Pilot-operated relief valve',
    holds: 'cracks at',
    verb: 'crack at',
    adjusters: [main('Pilot adjuster', 'from_above', 'inlet')],
    gauges: { inlet: 'Line gauge' },
    judge: 'inlet',
  },
  relief_spring: {
    name: 'Spring-loaded relief valve',
    holds: 'opens at',
    verb: 'open at',
    adjusters: [main('Spring cover', 'from_below', 'inlet')],
    gauges: { inlet: 'Machine gauge' },
    judge: 'inlet',
  },
  hydraulic: {
    name: 'Hydraulic pressures',
    holds: 'main relief opens at',
    verb: 'main relief',
    adjusters: [
      main('Main relief', 'from_below', 'inlet'),
      { id: 'cross_a', name: 'Cross-port A', approach: 'from_below', role: 'inlet' },
      { id: 'cross_b', name: 'Cross-port B', approach: 'from_below', role: 'inlet' },
      { id: 'compensator', name: 'Compensator', approach: 'from_above', role: 'inlet' },
    ],
    gauges: { inlet: 'Pump gauge' },
    judge: 'inlet',
  },
  gas: {
    name: 'Gas pressure regulator',
    holds: 'holds, downstream',
    verb: 'reduce to',
    adjusters: [main('Pilot adjuster', 'from_below', 'outlet')],
    gauges: { outlet: 'Low-range gauge' },
    judge: 'outlet',
  },
  self_operated: {
    name: 'Self-operated regulator',
    holds: 'holds',
    verb: 'hold',
    adjusters: [main('Adjusting screw', 'from_below', 'outlet')],
    gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
    judge: 'outlet',
  },
  suction: {
    name: 'Suction-pressure control',
    holds: 'holds suction at',
    verb: 'hold suction at',
    adjusters: [main('Control adjuster', 'from_below', 'inlet')],
    gauges: { inlet: 'Suction gauge' },
    judge: 'inlet',
  },
  pressure_switch: {
    name: 'On-off pressure switch',
    holds: 'scale at',
    verb: 'switch at',
    adjusters: [
      main('Scale screw', 'from_below', 'inlet'),
      { id: 'differential', name: 'Differential screw', approach: 'from_below', role: 'inlet' },
    ],
    gauges: { inlet: 'Gauge at the switch' },
    judge: 'inlet',
  },
  burner_pilot: {
    name: 'Pilot gas of a burner',
    holds: 'pilot gas',
    verb: 'light at',
    adjusters: [main('Pilot regulator', 'from_below', 'outlet')],
    gauges: { outlet: 'Manometer' },
    judge: 'outlet',
  },
  positioner: {
    name: 'Positioner',
    holds: 'air supply',
    verb: 'stroke on',
    adjusters: [
      main('Zero screw', 'from_below', 'outlet'),
      { id: 'span', name: 'Span screw', approach: 'from_below', role: 'outlet' },
    ],
    gauges: { inlet: 'Calibrator', outlet: 'Supply gauge' },
    judge: 'outlet',
  },
  indicator: {
    name: 'Pneumatic indicator',
    holds: 'mid-scale',
    verb: 'show',
    adjusters: [
      main('Zero screw', 'from_below', 'inlet'),
      { id: 'span', name: 'Span screw', approach: 'from_below', role: 'inlet' },
      { id: 'angularity', name: 'Link length', approach: 'from_below', role: 'inlet' },
    ],
    gauges: { inlet: 'Calibrator' },
    judge: 'inlet',
  },
  controller: {
    name: 'Pneumatic controller',
    holds: 'set point',
    verb: 'control on',
    adjusters: [
      main('Zero screw', 'from_below', 'inlet'),
      { id: 'span', name: 'Span screw', approach: 'from_below', role: 'inlet' },
      { id: 'angularity', name: 'Link length', approach: 'from_below', role: 'inlet' },
      { id: 'alignment', name: 'Alignment', approach: 'from_below', role: 'inlet' },
    ],
    gauges: { inlet: 'Calibrator', outlet: 'Output gauge' },
    judge: 'inlet',
  },
  electronic_pilot: {
    name: 'Electronic pilot with actuator',
    holds: 'holds',
    verb: 'hold',
    adjusters: [main('Set value', 'from_below', 'outlet')],
    gauges: { inlet: 'Calibrator', outlet: 'Line gauge' },
    judge: 'outlet',
  },
};

/** The name in the field's words, for titles. */
export const familyName = Object.fromEntries(
  Object.entries(families).map(([family, { name }]) => [family, name]),
) as Record<Family, string>;

/** Whether a self-operated regulator or any other holds the pressure on its inlet. */
const holdsInlet = (plate: Plate): boolean =>
  plate.family === 'self_operated' && plate.arrangement.service !== 'reducing';

/** The adjusters that a plate really has, leading one first. */
export function adjustersOf(plate: Plate): readonly AdjusterSpec[] {
  const { adjusters } = families[plate.family];
  return adjusters
    .filter(({ id }) => id === 'main' || plate.others?.[id] !== undefined)
    .map((spec) => (holdsInlet(plate) ? { ...spec, role: 'inlet' as const } : spec));
}

/** The gauge by which the leading setting is judged. */
export const judgeOf = (plate: Plate): Side => adjustersOf(plate)[0]!.role;

export const ratingOf = (plate: Plate, side: Side): number =>
  side === 'inlet' ? plate.inlet_rating_pa : plate.outlet_rating_pa;
