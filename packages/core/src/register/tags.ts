/** Most valves that are made alike at once. */
export const MOST_ALIKE = 50;

/**
 * Tags that follow one: its last number counts on and keeps its width.
 *
 * @param count  how many in all, the first included, 1 … 50
 * @returns undefined where there is no number to count on
 * @example tagsFrom('PRV-21', 3) // → ['PRV-21', 'PRV-22', 'PRV-23']
 */
export function tagsFrom(tag: string, count: number): readonly string[] | undefined {
  if (count <= 1) return [tag];
  const match = /^(.*?)(\d+)(\D*)$/su.exec(tag);
  if (!match) return undefined;
  const [, before = '', digits = '', after = ''] = match;
  return Array.from(
    { length: Math.min(count, MOST_ALIKE) },
    (_, i) => `${before}${String(Number(digits) + i).padStart(digits.length, '0')}${after}`,
  );
}
