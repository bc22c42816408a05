/** The three spots of a range at which a linkage is set, and the screw that is turned at each. */
export const spots = ['low', 'mid', 'high'] as const;
export type Spot = (typeof spots)[number];
export type ScrewName = 'zero' | 'span' | 'angularity';
export const screwAt: Readonly<Record<Spot, ScrewName>> = {
  low: 'zero',
  mid: 'angularity',
  high: 'span',
};
export const spotOf: Readonly<Record<ScrewName, Spot>> = {
  zero: 'low',
  angularity: 'mid',
  span: 'high',
};

/** What was done, in order: an error read at a spot (fraction of span), or a screw turned there. */
export type ZeroSpanMark =
  | {
      readonly kind: 'read';
      readonly spot: Spot;
      readonly error: number;
      /** The signal ended before it was met: the error is at least as far on this side. */
      readonly atLeast?: 'over' | 'under';
    }
  | { readonly kind: 'turned'; readonly screw: ScrewName; readonly turns: number };

export type ZeroSpanOptions = {
  readonly screws: readonly ScrewName[];
  /** Allowed error, and expanded uncertainty of the calibrator, fractions of span. */
  readonly tolerance: number;
  readonly uncertainty: number;
  /** Standard deviation of one reading with what friction adds, fraction of span. */
  readonly noise: number;
  /** Kept free of what is allowed when it is called done, so that the next reading holds too; 0 where it is no verdict. */
  readonly guard: number;
  /** House rules: how many times the error a screw is moved, because the others take some back. */
  readonly spanFactor: number;
  readonly angularityFactor: number;
  /** First guess of span moved by a turn clockwise at the screw’s own spot; its sign may be wrong. */
  readonly perTurn: Readonly<Partial<Record<ScrewName, number>>>;
};

export type Row = { readonly mean: number[]; readonly variance: number[][] };
type SpotState = {
  error: number;
  moved: number[];
  isRead: boolean;
  /** How often in a row its error was only known to lie beyond the end of the signal. */
  guesses: number;
};
export type Replay = {
  readonly rows: Row[];
  readonly spots: SpotState[];
  readonly perTurn: Partial<Record<ScrewName, number>>;
};

/** Standard deviation of the error expected at a spot: what is not known of the moves made elsewhere. */
export const errorSd = ({ rows, spots: all }: Pick<Replay, 'rows' | 'spots'>, i: number): number =>
  Math.sqrt(
    rows[i]!.variance.reduce(
      (sum, line, j) =>
        sum + line.reduce((inner, v, k) => inner + v * all[i]!.moved[j]! * all[i]!.moved[k]!, 0),
      0,
    ),
  );

/** What the marks have taught, and how far each spot has been moved since it was read. */
export function replay(
  marks: readonly ZeroSpanMark[],
  used: readonly Spot[],
  options: ZeroSpanOptions,
): Replay {
  const rows = used.map((spot) => firstGuess(spot, used, options));
  const state: SpotState[] = used.map(() => ({
    error: 0,
    moved: used.map(() => 0),
    isRead: false,
    guesses: 0,
  }));
  const perTurn: Partial<Record<ScrewName, number>> = { ...options.perTurn };
  const seenToMove = new Set<ScrewName>();
  let pending: { screw: ScrewName; turns: number } | undefined;
  const moveSeen = (screw: ScrewName, seen: number) => {
    const j = used.indexOf(spotOf[screw]);
    for (const own of state) if (own.isRead) own.moved[j]! += seen;
  };
  const settle = () => {
    if (pending) moveSeen(pending.screw, pending.turns * (perTurn[pending.screw] ?? 0.1));
    pending = undefined;
  };
  for (const mark of marks) {
    if (mark.kind === 'turned') {
      if (!used.includes(spotOf[mark.screw])) continue;
      if (pending?.screw === mark.screw) pending.turns += mark.turns;
      else {
        settle();
        pending = { screw: mark.screw, turns: mark.turns };
      }
      continue;
    }
    const i = used.indexOf(mark.spot);
    const own = state[i];
    if (!own) continue;
    if (mark.atLeast !== undefined) {
      const screw = screwAt[mark.spot];
      const wasTurned = pending?.screw === screw;
      settle();
      // Turned for it time and again, and it never came: it may work the other way.
      if (wasTurned && !seenToMove.has(screw) && own.guesses > 0 && own.guesses % TRIES === 0)
        perTurn[screw] = -(perTurn[screw] ?? 0.1);
      own.error = beyond(mark.error, mark.atLeast, own, expectedError({ rows, spots: state }, i));
      own.moved = used.map(() => 0);
      own.isRead = true;
      own.guesses += 1;
      continue;
    }
    // From a guess nothing is learned of the move that led away from it.
    const isSeen = own.isRead && own.guesses === 0;
    if (pending && spotOf[pending.screw] === mark.spot && isSeen) {
      // Seen at its own spot: the move is what the pointer did, however far the screw went.
      const seen = mark.error - expectedError({ rows, spots: state }, i);
      if (Math.abs(seen) > 2 * options.noise && Math.abs(pending.turns) > 0.01) {
        perTurn[pending.screw] = seen / pending.turns;
        seenToMove.add(pending.screw);
      }
      moveSeen(pending.screw, seen);
      pending = undefined;
    } else {
      settle();
      if (isSeen) learn(rows[i]!, own.moved, mark.error - own.error, i, options.noise);
    }
    own.error = mark.error;
    own.moved = used.map(() => 0);
    own.isRead = true;
    own.guesses = 0;
  }
  settle();
  return { rows, spots: state, perTurn };
}

/** Moves that may bring nothing to be seen before the screw is tried the other way. */
const TRIES = 3;
/** How far beyond the end of the signal an end is taken to lie, as a share; twice that each time it is missed again. */
const BEYOND = 0.01;

function beyond(
  bound: number,
  side: 'over' | 'under',
  { isRead, guesses }: SpotState,
  expected: number,
): number {
  const sign = side === 'over' ? 1 : -1;
  const least = sign * bound + BEYOND * 2 ** Math.min(guesses, 4);
  return sign * (isRead ? Math.max(least, sign * expected) : least);
}

/** Zero moves all alike; span and angularity give back what the house factors say. */
function firstGuess(spot: Spot, used: readonly Spot[], options: ZeroSpanOptions): Row {
  const far = { span: 1 - 1 / options.spanFactor, angularity: 1 - 1 / options.angularityFactor };
  const sds = { zero: 0.08, span: 0.45, angularity: 0.2 };
  const mean = used.map((other) => {
    const screw = screwAt[other];
    if (other === spot || screw === 'zero') return 1;
    return screw === 'span' && spot === 'mid' ? (1 + far.span) / 2 : far[screw];
  });
  const variance = used.map((other, j) =>
    used.map((_, k) => (j === k && other !== spot ? sds[screwAt[other]] ** 2 : 0)),
  );
  return { mean, variance };
}

/** One Kalman step: the change seen at a spot is the sum of what each screw did to it. */
function learn(
  row: Row,
  moved: readonly number[],
  change: number,
  own: number,
  noise: number,
): void {
  if (!moved.some((move, j) => j !== own && move !== 0)) return;
  const spread = row.variance.map((line) => line.reduce((sum, v, k) => sum + v * moved[k]!, 0));
  const total = moved.reduce((sum, move, j) => sum + move * spread[j]!, 0) + 2 * noise ** 2;
  const surprise = change - row.mean.reduce((sum, mean, j) => sum + mean * moved[j]!, 0);
  const gain = spread.map((s) => s / total);
  for (let j = 0; j < row.mean.length; j++) {
    row.mean[j]! += gain[j]! * surprise;
    for (let k = 0; k < row.mean.length; k++) row.variance[j]![k]! -= gain[j]! * spread[k]!;
  }
}

export const expectedError = (
  { rows, spots: all }: Pick<Replay, 'rows' | 'spots'>,
  i: number,
): number =>
  all[i]!.error + rows[i]!.mean.reduce((sum, mean, j) => sum + mean * all[i]!.moved[j]!, 0);
