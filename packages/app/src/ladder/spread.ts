/**
 * Places of labels along an axis: each as near its wish as it can be, none nearer than `gap` to the
 * next, all within 0 … length where they fit. The wishes keep their order.
 *
 * @param wishes  px, in any order
 * @returns px, in the order given
 */
export function spreadLabels(
  wishes: readonly number[],
  gap: number,
  length: number,
): readonly number[] {
  const order = wishes.map((wish, i) => ({ wish, i })).sort((a, b) => a.wish - b.wish || a.i - b.i);
  // Groups of touching labels settle at the mean of what their members wish.
  const groups: { members: { wish: number; i: number }[]; start: number }[] = [];
  for (const item of order) {
    groups.push({ members: [item], start: item.wish });
    for (let last = groups.at(-1)!; groups.length > 1; last = groups.at(-1)!) {
      const before = groups.at(-2)!;
      if (before.start + before.members.length * gap <= last.start) break;
      before.members.push(...last.members);
      groups.pop();
      const mean =
        before.members.reduce((sum, { wish }, k) => sum + wish - k * gap, 0) /
        before.members.length;
      before.start = mean;
    }
  }
  const placed = new Array<number>(wishes.length).fill(0);
  let floor = 0;
  for (const group of groups) {
    const start = Math.max(floor, group.start);
    group.members.forEach(({ i }, k) => (placed[i] = start + k * gap));
    floor = start + group.members.length * gap;
  }
  const over = floor - gap - length;
  if (over > 0) {
    // Push back up from the bottom edge, keeping the gaps.
    let ceiling = length;
    for (const { i } of [...order].reverse()) {
      placed[i] = Math.min(placed[i]!, ceiling);
      ceiling = placed[i]! - gap;
    }
  }
  return placed;
}
