import { digestOf, type CsvRowIssue, type Imported } from '@holvek/core';

/** What a row says, and what the house has in its place. */
export type FileRow<T extends object> = { readonly value: T; readonly before: T | undefined };

/** Whether a row says anything that the house does not know. */
export const isNews = <T extends object>({ value, before }: FileRow<T>): boolean =>
  before === undefined || digestOf(before) !== digestOf(value);

/** What a file would do, in the words that the register has for it. */
export function importedOf<T extends object>(
  rows: readonly FileRow<T>[],
  issues: readonly CsvRowIssue[],
  nameOf: (value: T) => string,
): Imported {
  const names = (some: readonly FileRow<T>[]) => some.map(({ value }) => nameOf(value));
  return {
    kept: names(rows),
    fresh: names(rows.filter(({ before }) => before === undefined)),
    changed: names(rows.filter((row) => row.before !== undefined && isNews(row))),
    issues: [...issues],
  };
}
