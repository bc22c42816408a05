import { rankCauses, type Cause } from '../coach';
import { procedures } from './list';

/** What speaks most for a cause: of each thing that can be seen, what is likeliest with it. */
const bestEvidence = ({ likelihood }: Cause): Record<string, string> =>
  Object.fromEntries(
    Object.entries(likelihood).flatMap(([key, table]) => {
      const [best] = Object.entries(table)
        .filter(([value]) => value !== 'else')
        .sort(([, a], [, b]) => b - a);
      return best ? [[key, best[0]]] : [];
    }),
  );

const lists = new Map(
  procedures
    .map(({ family, causes }) => [family, causes] as const)
    .filter(([, causes]) => causes.length),
);

describe.each([...lists])('causes of %s', (_, causes) => {
  test('each comes first where all speaks for it', () => {
    const never = causes.filter(
      (cause) => rankCauses(causes, bestEvidence(cause))[0]!.cause !== cause,
    );
    expect(never.map(({ id }) => id)).toEqual([]);
  });
  test('what is seen with a cause adds up to no more than certainty, and to nearly that', () => {
    const wrong = causes.flatMap(({ id, likelihood }) =>
      Object.entries(likelihood).flatMap(([key, table]) => {
        const sum = Object.values(table).reduce((a, b) => a + b, 0);
        return sum > 1.001 || sum < 0.9 ? [`${id}.${key} ${sum.toFixed(2)}`] : [];
      }),
    );
    expect(wrong).toEqual([]);
  });
});
