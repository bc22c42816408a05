import { z } from 'zod';
import { targetSumSchema } from '../valve';

const id = z.string().min(1).max(64);
const pressure = z.number().min(-101_325).max(1e9);
const share = z.number().nonnegative().max(1e9);
const text = z.string().max(400);

/** What a rung stands for. Limiters open at their pressure; loads and ratings only bound the others. */
export const rungKinds = [
  'load',
  'rating',
  'pump',
  'compensator',
  'main_relief',
  'cross_port',
  'relief',
  'sustaining',
  'reducing',
  'switch',
] as const;
export type RungKind = (typeof rungKinds)[number];

/** One pressure of a system. */
export const rungSchema = z.object({
  id,
  name: z.string().min(1).max(80),
  kind: z.enum(rungKinds),
  /** The rung that feeds it; absent at a source. Rungs with the same root share a source. */
  fed_by: id.optional(),
  /** Position of a directional valve in which it is open to the source; absent: always. */
  open_when: z.string().max(40).optional(),
  /** Either way about the set point. */
  tolerance_pa: share,
  /** Rise over the set point when the flow stops: the larger of a share and a least. */
  lockup: z.object({ fraction: z.number().min(0).max(1), least_pa: share }).optional(),
  /** Rise over the set point at full flow. */
  accumulation_pa: share.optional(),
  /** The valve of the register that holds it, and which of its adjusters. */
  valve_id: id.optional(),
  adjuster: id.optional(),
  found_pa: pressure.optional(),
});
export type Rung = z.infer<typeof rungSchema>;

export const ruleSources = ['house_rule', 'plate', 'maker', 'measured', 'own'] as const;
const rule = <K extends string, S extends z.ZodRawShape>(kind: K, shape: S) =>
  z.object({ id, kind: z.literal(kind), why: text, from: z.enum(ruleSources), ...shape });

/** Rules between pressures, as data. Which extras of a rung count is said by the rule. */
export const ruleSchema = z.discriminatedUnion('kind', [
  rule('above_by', {
    high: id,
    low: id,
    by_pa: pressure,
    counts_lockup: z.boolean().optional(),
    counts_accumulation: z.boolean().optional(),
  }),
  rule('between', { rung: id, base: id, least_pa: pressure, most_pa: pressure }),
  rule('at_most', {
    rung: id,
    pa: pressure,
    counts_lockup: z.boolean().optional(),
    counts_accumulation: z.boolean().optional(),
  }),
  rule('at_least', { rung: id, pa: pressure }),
  rule('fixed', { rung: id, pa: pressure }),
  /** What hangs on a rung: the sum of a target, over what stands in the line, kg/m³. */
  rule('serves', { rung: id, sum: targetSumSchema, density_kgm3: z.number().min(0).max(2000) }),
]);
export type Rule = z.infer<typeof ruleSchema>;

/** What excess pressure costs: flow that carries it, hours a year, price of a kilowatt-hour. */
export const economySchema = z.object({
  flow_m3s: z.number().min(0).max(1e3),
  hours_per_year: z.number().min(0).max(8784),
  price_per_kwh: z.number().min(0).max(1e3),
  currency: z.string().max(8),
});
export type Economy = z.infer<typeof economySchema>;

export const systemSchema = z.object({
  id,
  name: z.string().min(1).max(120),
  site_id: id,
  rungs: z.array(rungSchema).min(1).max(1000),
  rules: z.array(ruleSchema).max(10_000),
  economy: economySchema,
});
export type System = z.infer<typeof systemSchema>;

/** The rungs that a rule speaks of. */
export const rungsOf = (rule: Rule): readonly string[] =>
  rule.kind === 'above_by'
    ? [rule.high, rule.low]
    : rule.kind === 'between'
      ? [rule.rung, rule.base]
      : [rule.rung];
