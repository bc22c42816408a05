/**
 * One line of JSON with every figure to six significant digits: what a recorded judgement is compared
 * by, so that another order of summing does not count as another judgement.
 */
export const rounded = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    typeof each === 'number' && Number.isFinite(each) ? Number(each.toPrecision(6)) : each,
  );

/** A valve to seven figures, its springs by colour: what a file may change by writing and reading. */
export const roundedValve = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (key, each: unknown) =>
      typeof each === 'number'
        ? Number(each.toPrecision(7))
        : key === 'springs'
          ? (each as { colour: string }[]).toSorted((a, b) => a.colour.localeCompare(b.colour))
          : each,
    ),
  );
