/** "550 ± 10", "−0.5 %", "–": what must stand on one line. */
export const isFigure = (text: string): boolean => /^[−±+]?\d|^–$/u.test(text);

/** Letters of a head are smaller than those of a cell. */
const HEAD = 0.85;
const LEAST = 3;

const longestWord = (text: string): number =>
  Math.max(0, ...text.split(/[\s\u00a0]+/u).map(({ length }) => length));

/**
 * How a table's width is shared out: each column by the longest thing in it that is not to be broken,
 * a figure whole, of words the longest.
 *
 * @returns letters by column, at least 3
 */
export function columnWeights(
  head: readonly string[],
  rows: readonly (readonly string[])[],
): readonly number[] {
  return head.map((label, i) => {
    const cells = rows.map((row) => row[i] ?? '');
    const widths = cells.map((text) => (isFigure(text) ? text.length : longestWord(text)));
    return Math.max(LEAST, longestWord(label) * HEAD, ...widths);
  });
}
