import type { GaugePressure, Turns } from '../quantity';

/** What can be seen or asked when the gauge does not do what was foretold. */
export type Evidence = Readonly<Record<string, string | undefined>>;

/** A cause of a deaf adjuster, as data of its family. */
export type Cause = {
  readonly id: string;
  readonly title: string;
  readonly tell: string;
  readonly doThis: string;
  /** Question that tells it from the others, and the evidence that each answer gives. */
  readonly check?: {
    readonly ask: string;
    readonly key: string;
    readonly answers: readonly { readonly say: string; readonly value: string }[];
  };
  /** How common it is before anything is looked at. */
  readonly prior: number;
  /** P(evidence value | this cause); a value not listed counts as `else`, a key not listed as background. */
  readonly likelihood: Readonly<Record<string, Readonly<Record<string, number>>>>;
};

export type RankedCause = {
  readonly cause: Cause;
  readonly probability: number;
  readonly word: 'very likely' | 'likely' | 'possible' | 'less likely';
};

export const answers = ['as_foretold', 'no_change', 'wrong_way', 'too_little', 'too_much'] as const;
export type Answer = (typeof answers)[number];

/**
 * How the gauge has answered a turn.
 *
 * @param change    Pa between the settled readings before and after
 * @param foretold  mean and 90 % interval of the reading after, Pa
 * @param noise     standard deviation of a reading, Pa
 * @example answerOf(200_000, 202_000, { mean: 300_000, low: 285_000, high: 315_000 }, 1000) // → 'no_change'
 */
export function answerOf(
  before: GaugePressure,
  after: GaugePressure,
  foretold: { readonly mean: number; readonly low: number; readonly high: number },
  noise: number,
): Answer {
  const change = after - before;
  const wanted = foretold.mean - before;
  const still = Math.max(3 * noise, 0.12 * Math.abs(wanted));
  const slack = 2 * noise;
  if (after >= foretold.low - slack && after <= foretold.high + slack) return 'as_foretold';
  if (Math.abs(change) <= still) return 'no_change';
  if (Math.sign(change) !== Math.sign(wanted)) return 'wrong_way';
  return Math.abs(change) < Math.abs(wanted) ? 'too_little' : 'too_much';
}

/**
 * Causes in order of probability, by Bayes over the evidence; unknown evidence is left out.
 *
 * @param causes    of the family; priors need not sum to one
 * @param evidence  key → value
 */
export function rankCauses(causes: readonly Cause[], evidence: Evidence): readonly RankedCause[] {
  const weighted = causes.map((cause) => {
    let weight = cause.prior;
    for (const [key, value] of Object.entries(evidence)) {
      if (value === undefined) continue;
      const table = cause.likelihood[key];
      weight *= table ? (table[value] ?? table['else'] ?? 0.1) : background(causes, key, value);
    }
    return { cause, weight };
  });
  const total = weighted.reduce((sum, { weight }) => sum + weight, 0) || 1;
  return weighted
    .map(({ cause, weight }) => ({
      cause,
      probability: weight / total,
      word: wordFor(weight / total),
    }))
    .sort((a, b) => b.probability - a.probability);
}

/** What can be seen of one thing, as the causes speak of it, in the order in which they do. */
export const signsOf = (causes: readonly Cause[], key: string): readonly string[] => [
  ...new Set(
    causes.flatMap(({ likelihood }) =>
      Object.keys(likelihood[key] ?? {}).filter((value) => value !== 'else'),
    ),
  ),
];

/** How often a sign is seen with a cause that says nothing of it: seldom, when it is another one's telltale. */
function background(causes: readonly Cause[], key: string, value: string): number {
  const best = Math.max(0, ...causes.map(({ likelihood }) => likelihood[key]?.[value] ?? 0));
  return best >= TELLTALE ? Math.max(0.02, Math.min(0.12, 1 - best)) : 0.6;
}
const TELLTALE = 0.4;

const wordFor = (probability: number): RankedCause['word'] =>
  probability >= 0.5
    ? 'very likely'
    : probability >= 0.25
      ? 'likely'
      : probability >= 0.08
        ? 'possible'
        : 'less likely';

/** A turn that nobody means: nothing, or more than any screw on this adjuster has. */
export type TurnError =
  | { readonly code: 'coach.turn_of_nothing' }
  | { readonly code: 'coach.turn_too_large'; readonly turns: Turns; readonly largest: Turns };

export const checkTurn = (turns: Turns, travel: Turns): TurnError | undefined =>
  !Number.isFinite(turns) || Math.abs(turns) < 1 / 64
    ? { code: 'coach.turn_of_nothing' }
    : Math.abs(turns) > travel
      ? { code: 'coach.turn_too_large', turns, largest: travel }
      : undefined;
