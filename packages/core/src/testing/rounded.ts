/**
 * One line of JSON with every figure to six significant digits: what a recorded judgement is compared
 * by, so that another order of summing does not count as another judgement.
 */
export const rounded = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    typeof each === 'number' && Number.isFinite(each) ? Number(each.toPrecision(6)) : each,
  );
