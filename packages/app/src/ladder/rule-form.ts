import {
  parseDifference,
  parsePressure,
  readSum,
  ruleSources,
  sumFields,
  textsOfSum,
  type Rule,
  type SumTexts,
  type System,
  type TargetSum,
  type Writing,
} from '@holvek/core';
import { z } from 'zod';
import { idFor } from './id-for';
import type { Figures } from './rung-form';
import { plainNumber } from '@/ui/plain-number';
import { sayOfSum, sumTextsSchema } from '@/valve/sum-fields';
import { parseTrouble } from '@/words/trouble';

export const ruleKinds = ['above_by', 'between', 'at_most', 'at_least', 'fixed', 'serves'] as const;
export const ruleExtras = ['none', 'lockup', 'accumulation'] as const;
type Kind = Rule['kind'];
type Extra = (typeof ruleExtras)[number];

/** Between two rungs stands a difference; one rung alone stands at a pressure. */
export const isPair = (kind: Kind): boolean => kind === 'above_by' || kind === 'between';
/** Whether what a rung does beyond its tolerance can be counted. */
export const canCount = (kind: Kind): boolean => kind === 'above_by' || kind === 'at_most';

const texts = z.object({
  kind: z.enum(ruleKinds),
  one: z.string(),
  other: z.string(),
  low: z.string(),
  high: z.string(),
  extra: z.enum(ruleExtras),
  sum: sumTextsSchema,
  density: z.string(),
  why: z.string().trim().min(3, 'Say why: the next person will ask.').max(400),
  from: z.enum(ruleSources),
});
export type RuleTexts = z.infer<typeof texts>;

const read = (kind: Kind, text: string, { pressure, barometer }: Figures) =>
  isPair(kind) ? parseDifference(text, pressure) : parsePressure(text, pressure, barometer);

const writingOf = ({ pressure, barometer }: Figures): Writing => ({ unit: pressure, barometer });
/** kg/m³ of water, which is what stands in most lines. */
const WATER = '998.2';
const HEAVIEST = 2000;

/** What is typed of a rule; the figures are text until they are kept. */
export const ruleTexts = (figures: Figures) =>
  texts.superRefine((typed, context) => {
    if (typed.kind === 'serves') return sayOfServed(typed, context, figures);
    const { kind, one, other, low, high } = typed;
    const say = (path: keyof RuleTexts, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    const least = read(kind, low, figures);
    if (!least.ok) say('low', parseTrouble(least.error, figures));
    if (isPair(kind) && one === other) say('other', 'Two different pressures, please');
    if (kind !== 'between') return;
    const most = read(kind, high, figures);
    if (!most.ok) say('high', parseTrouble(most.error, figures));
    else if (least.ok && least.value.si > most.value.si)
      say('high', 'Most must not be under least');
  });

/** Of a rung that serves points: its sum, with a need, and what stands in the line. */
function sayOfServed(typed: RuleTexts, context: z.core.$RefinementCtx, figures: Figures): void {
  sayOfSum(typed, context, writingOf(figures), figures);
  const say = (path: readonly string[], message: string) =>
    context.addIssue({ code: 'custom', path: [...path], message });
  if (typed.sum.need_pa.trim() === '') say(['sum', 'need_pa'], 'What does it want while it draws?');
  const density = plainNumber(typed.density);
  if (!(density >= 0 && density <= HEAVIEST)) say(['density'], 'Between 0 and 2000 kg/m³, please');
}

const figureOf = (rule: Exclude<Rule, { kind: 'serves' }>): number => {
  if (rule.kind === 'above_by') return rule.by_pa;
  return rule.kind === 'between' ? rule.least_pa : rule.pa;
};
const otherOf = (rule: Rule): string => {
  if (rule.kind === 'above_by') return rule.low;
  return rule.kind === 'between' ? rule.base : '';
};
const extraOf = (rule: Rule): Extra => {
  if ('counts_lockup' in rule && rule.counts_lockup) return 'lockup';
  return 'counts_accumulation' in rule && rule.counts_accumulation ? 'accumulation' : 'none';
};

const oneOf = (rule: Rule): string => (rule.kind === 'above_by' ? rule.high : rule.rung);

const noSum = Object.fromEntries(sumFields.map(([field]) => [field, ''])) as SumTexts;

const newTexts = ([one, other]: System['rungs']): RuleTexts => ({
  kind: 'above_by',
  one: one?.id ?? '',
  other: other?.id ?? '',
  low: '',
  high: '',
  extra: 'none',
  sum: noSum,
  density: WATER,
  why: '',
  from: 'own',
});

export function textsOfRule(
  known: Rule | undefined,
  { rungs }: System,
  figures: Figures,
): RuleTexts {
  if (!known) return newTexts(rungs);
  const isServed = known.kind === 'serves';
  return {
    kind: known.kind,
    one: oneOf(known),
    other: otherOf(known),
    low: isServed ? '' : figures.figure(figureOf(known), 100),
    high: known.kind === 'between' ? figures.figure(known.most_pa, 100) : '',
    extra: extraOf(known),
    sum: isServed ? textsOfSum(known.sum, writingOf(figures)) : noSum,
    density: isServed ? String(known.density_kgm3) : WATER,
    why: known.why,
    from: known.from,
  };
}

/** The system with the rule as it was typed, in its old place or at the end. */
export function withRule(
  system: System,
  known: Rule | undefined,
  typed: RuleTexts,
  figures: Figures,
): System {
  const next = ruleFrom(system, known, typed, figures);
  return {
    ...system,
    rules: known
      ? system.rules.map((each) => (each.id === known.id ? next : each))
      : [...system.rules, next],
  };
}

function ruleFrom(
  { rules }: System,
  known: Rule | undefined,
  { kind, one, other, low, high, extra, why, from, ...served }: RuleTexts,
  figures: Figures,
): Rule {
  const taken = rules.map(({ id }) => id);
  const base = { id: known?.id ?? idFor(why, taken), why: why.trim(), from };
  const pa = siOf(kind, low, figures);
  const counts = {
    ...(extra === 'lockup' ? { counts_lockup: true } : {}),
    ...(extra === 'accumulation' ? { counts_accumulation: true } : {}),
  };
  switch (kind) {
    case 'above_by':
      return { ...base, kind, high: one, low: other, by_pa: pa, ...counts };
    case 'between':
      return {
        ...base,
        kind,
        rung: one,
        base: other,
        least_pa: pa,
        most_pa: siOf(kind, high, figures),
      };
    case 'at_most':
      return { ...base, kind, rung: one, pa, ...counts };
    case 'at_least':
    case 'fixed':
      return { ...base, kind, rung: one, pa };
    case 'serves':
      return {
        ...base,
        kind,
        rung: one,
        sum: sumOf(served.sum, figures),
        density_kgm3: plainNumber(served.density),
      };
  }
}

/** The sum of texts that the form has let through. */
function sumOf(typed: SumTexts, figures: Figures): TargetSum {
  const read = readSum(typed, writingOf(figures));
  return (read.ok ? read.value : undefined) ?? { need_pa: Number.NaN };
}

/** The figure of a text that the form has let through. */
function siOf(kind: Kind, text: string, figures: Figures): number {
  const parsed = read(kind, text, figures);
  return parsed.ok ? parsed.value.si : Number.NaN;
}

export const withoutRule = (system: System, gone: Rule): System => ({
  ...system,
  rules: system.rules.filter(({ id }) => id !== gone.id),
});
