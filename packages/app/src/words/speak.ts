import type { Units } from '@/units/use-units';

type Coded = { readonly code: string };
type Table<E extends Coded> = {
  readonly [C in E['code']]: (error: Extract<E, { code: C }>, units: Units) => string;
};
/** Words for every code that something can go wrong with; one without words does not compile. */
export const speak =
  <E extends Coded>(table: Table<E>) =>
  (error: E, units: Units): string =>
    (table as unknown as Record<string, (error: E, units: Units) => string>)[error.code]!(
      error,
      units,
    );
