/** What one valve has shown of one adjuster, against what its chart says. */
export type Lesson = {
  readonly family: string;
  readonly adjuster: string;
  /** Which spring, whole: colour, range and rate of its chart; '' for a screw that has no chart. */
  readonly spring: string;
  readonly size_dn: number;
  /** ln of the rate shown over the chart's; of the rate itself, Pa a turn, where there is no chart. */
  readonly log_ratio: number;
  /** Standard deviation of `log_ratio`. */
  readonly sd: number;
};

/** What valves of a kind do that were never met: a spring of any size, or of one size. */
export type FleetKind = Pick<Lesson, 'family' | 'adjuster' | 'spring'> & {
  /** null: of any size. */
  readonly size_dn: number | null;
  /** Valves that have taught it. */
  readonly valves: number;
  /** Expected `log_ratio` of the next one, and its standard deviation: what is not known, and how they differ. */
  readonly mean: number;
  readonly sd: number;
};

/** How far charts are off, and how far valves of a kind differ, before any was met; and how firmly that is held. */
const CHART_SD = 0.35;
const BARE_SD = 1.2;
const BETWEEN_SD = 0.12;
const BETWEEN_WORTH = 3;
/** No two screws are alike to less than this. */
const LEAST_SD = 0.04;

type Prior = { readonly mean: number; readonly sd: number };

/**
 * The next valve of a kind, from those that were met: normal, with the spread between valves estimated
 * from them (three valves' worth of belief in 12 %), and a mean that starts where the wider kind stands.
 *
 *     τ² = (3·0.12² + Σ max(0, (x − x̄)² − se²)) / (3 + n − 1)        μ | x : precisions 1/(se² + τ²), prior
 *
 * @param lessons  one or more
 * @returns mean and standard deviation of the next one's `log_ratio`
 */
function nextOf(lessons: readonly Lesson[], prior: Prior): Prior {
  const n = lessons.length;
  const middle = lessons.reduce((sum, { log_ratio }) => sum + log_ratio, 0) / n;
  const spread = lessons.reduce(
    (sum, { log_ratio, sd }) => sum + Math.max(0, (log_ratio - middle) ** 2 - sd ** 2),
    0,
  );
  const between = (BETWEEN_WORTH * BETWEEN_SD ** 2 + spread) / (BETWEEN_WORTH + n - 1);
  let precision = 1 / prior.sd ** 2;
  let weighed = prior.mean * precision;
  for (const { log_ratio, sd } of lessons) {
    const own = 1 / (sd ** 2 + between);
    precision += own;
    weighed += own * log_ratio;
  }
  return {
    mean: weighed / precision,
    sd: Math.max(LEAST_SD, Math.sqrt(between + 1 / precision)),
  };
}

/** Lessons under one key, in the order in which keys are met. */
function grouped(
  lessons: readonly Lesson[],
  keyOf: (lesson: Lesson) => string,
): readonly (readonly Lesson[])[] {
  const groups = new Map<string, Lesson[]>();
  for (const lesson of lessons) {
    const key = keyOf(lesson);
    const known = groups.get(key);
    if (known) known.push(lesson);
    else groups.set(key, [lesson]);
  }
  return [...groups.values()];
}

const springKey = ({ family, adjuster, spring }: Lesson): string =>
  JSON.stringify([family, adjuster, spring]);

/**
 * What the whole fleet teaches of valves that were never met: first each spring over all sizes, then each
 * size of it, which starts where its spring stands.
 *
 * @param lessons  one for each valve and adjuster
 */
export const learnFleet = (lessons: readonly Lesson[]): readonly FleetKind[] =>
  grouped(lessons, springKey).flatMap((ofSpring) => {
    const { family, adjuster, spring } = ofSpring[0]!;
    const same = { family, adjuster, spring };
    const root = { mean: 0, sd: spring === '' ? BARE_SD : CHART_SD };
    const any = nextOf(ofSpring, spring === '' ? bareRoot(ofSpring) : root);
    return [
      { ...same, size_dn: null, valves: ofSpring.length, ...any },
      ...grouped(ofSpring, ({ size_dn }) => String(size_dn)).map((ofSize) => ({
        ...same,
        size_dn: ofSize[0]!.size_dn,
        valves: ofSize.length,
        ...nextOf(ofSize, any),
      })),
    ];
  });

/** Where there is no chart, the first valve stands for it. */
const bareRoot = ([first]: readonly Lesson[]): Prior => ({
  mean: first?.log_ratio ?? 0,
  sd: BARE_SD,
});

/** What is known of the next valve: of its size, else of its spring. */
export const fleetKindFor = (
  fleet: readonly FleetKind[],
  { family, adjuster, spring, size_dn }: Pick<Lesson, 'family' | 'adjuster' | 'spring' | 'size_dn'>,
): FleetKind | undefined => {
  const same = fleet.filter(
    (kind) => kind.family === family && kind.adjuster === adjuster && kind.spring === spring,
  );
  return (
    same.find((kind) => kind.size_dn === size_dn) ?? same.find((kind) => kind.size_dn === null)
  );
};
