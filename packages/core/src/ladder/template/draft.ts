import type { Rule, System } from '../system';

/** What a template gives a system of its own. */
export type Draft = Pick<System, 'rungs' | 'rules'>;
/** A rule by a figure of the house. */
export const house = (id: string, rule: { readonly why: string } & Record<string, unknown>) =>
  ({ id, from: 'house_rule', ...rule }) as Rule;
/** A rule by something that was measured, printed or asked for. */
export const fact = (
  id: string,
  from: Rule['from'],
  rule: { readonly why: string } & Record<string, unknown>,
) => ({ id, from, ...rule }) as Rule;
