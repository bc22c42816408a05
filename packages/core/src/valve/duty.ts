import { z } from 'zod';

/** What a valve is there for: it decides how often it is looked at, and how strictly. */
export const duties = ['gas', 'fire', 'safety', 'process', 'comfort'] as const;
export const dutySchema = z.enum(duties);
export type Duty = z.infer<typeof dutySchema>;

const months = z.number().int().min(1).max(240);
/** Months between visits by duty, and how long one may be late before it is called so. */
export const visitRulesSchema = z.object({
  gas: months,
  fire: months,
  safety: months,
  process: months,
  comfort: months,
  /** Days; duties that protect people have none. */
  grace_days: z.number().int().min(0).max(365),
});
export type VisitRules = z.infer<typeof visitRulesSchema>;

export const defaultVisits: VisitRules = {
  gas: 12,
  fire: 12,
  safety: 12,
  process: 12,
  comfort: 24,
  grace_days: 30,
};

const STRICT: ReadonlySet<Duty> = new Set(['gas', 'fire', 'safety']);
/** Gas, fire and safety: late is late on the day, and a gauge out of date judges nothing. */
export const isStrict = (duty: Duty): boolean => STRICT.has(duty);
