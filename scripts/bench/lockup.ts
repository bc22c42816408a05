import { noFlowVerdict, seededRandom } from '@holvek/core';

/** Lockup told from creep on seeded records of nine readings in a minute: a confusion table. */
export function lockupBench(count: number) {
  const table = { lockup: { levels: 0, creeps: 0 }, creep: { levels: 0, creeps: 0 } };
  for (let seed = 1; seed <= count; seed++) {
    const random = seededRandom(seed);
    const isCreep = seed % 2 === 0;
    const [tau, rise, rate, noise] = [
      random.between(3, 14),
      random.between(5000, 45_000),
      random.between(120, 900),
      random.between(100, 900),
    ];
    const record = Array.from({ length: 9 }, (_, i) => {
      const t = i * 7.5;
      const value =
        520_000 +
        rise * (1 - Math.exp(-t / tau)) +
        (isCreep ? rate * t : 0) +
        noise * random.normal();
      return { t, value: Math.round(value / 1000) * 1000 };
    });
    const verdict = noFlowVerdict(record, 520_000, 2000, 52_000);
    if (verdict.ok) table[isCreep ? 'creep' : 'lockup'][verdict.value.shape] += 1;
  }
  return Object.entries(table).map(([truth, said]) => ({
    truth,
    ...said,
    'right, %': (100 * said[truth === 'creep' ? 'creeps' : 'levels']) / (said.levels + said.creeps),
  }));
}
