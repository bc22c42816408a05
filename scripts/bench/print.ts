/** A table with short numbers. */
export function print(title: string, rows: readonly object[]): void {
  console.log(`\n${title}`);
  console.table(
    rows.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([key, value]) => [
          key,
          typeof value === 'number' ? Number(value.toPrecision(4)) : value,
        ]),
      ),
    ),
  );
}

/** Seconds that a piece of work takes, best of a few. */
export async function bestOf(times: number, work: () => unknown): Promise<number> {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await work();
    best = Math.min(best, (performance.now() - start) / 1000);
  }
  return best;
}
