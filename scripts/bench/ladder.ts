import { compileRules, seededRandom, solveLadder, type Rule, type Rung } from '@holvek/core';
import { bestOf } from './print';

/** A random system with an answer: every rule leads from a lower rung to a higher one. */
function system(count: number, rulesPerRung: number) {
  const random = seededRandom(count);
  const rungs: Rung[] = Array.from({ length: count }, (_, i) => ({
    id: `r${i}`,
    name: `r${i}`,
    kind: 'reducing',
    tolerance_pa: 1000,
    ...(i % 3 === 0 ? { lockup: { fraction: 0.02, least_pa: 2000 } } : {}),
  }));
  const rules: Rule[] = [
    { id: 'floor', kind: 'at_least', rung: 'r0', pa: 1e5, why: '', from: 'own' },
  ];
  for (let i = 1; i < count; i++)
    rules.push({ id: `f${i}`, kind: 'at_least', rung: `r${i}`, pa: 1e4, why: '', from: 'own' });
  while (rules.length < count * rulesPerRung) {
    const [a, b] = [Math.floor(random.uniform() * count), Math.floor(random.uniform() * count)];
    if (a === b) continue;
    rules.push({
      id: `x${rules.length}`,
      kind: 'above_by',
      high: `r${Math.max(a, b)}`,
      low: `r${Math.min(a, b)}`,
      by_pa: random.between(0, 5000),
      counts_lockup: random.uniform() < 0.2,
      why: '',
      from: 'own',
    });
  }
  return { rungs, rules };
}

/** Time of a whole solution against one pass over its rules, and how it grows. */
export async function ladderBench() {
  const time = async (count: number) => {
    const given = system(count, 10);
    const zeros = new Array<number>(count + 1).fill(0);
    const edges = compileRules(given.rungs, given.rules, zeros);
    let sink = 0;
    const pass = await bestOf(20, () => {
      for (const { from, to, weight } of edges) sink += zeros[from]! + weight - zeros[to]!;
    });
    const read = await bestOf(10, () => compileRules(given.rungs, given.rules, zeros));
    const solve = await bestOf(10, () => solveLadder(given));
    if (!Number.isFinite(sink)) throw new Error('a pass went astray');
    return { count, rules: given.rules.length, pass, read, solve };
  };
  const [small, large] = [await time(50), await time(500)];
  return [small, large].map(({ count, rules, pass, read, solve }) => ({
    pressures: count,
    rules,
    'solve, ms': solve * 1000,
    'against one bare pass': solve / pass,
    'against reading the rules once': solve / read,
    'against the small one': solve / small.solve,
  }));
}
