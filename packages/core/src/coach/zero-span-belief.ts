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

type ReadMark = Extract<ZeroSpanMark, { kind: 'read' }>;

/** What the marks have taught, and how far each spot has been moved since it was read. */
export function replay(
  marks: readonly ZeroSpanMark[],
  used: readonly Spot[],
  options: ZeroSpanOptions,
): Replay {
  const replaying = new Replaying(used, options);
  for (const mark of marks) {
    if (mark.kind === 'turned') replaying.turned(mark.screw, mark.turns);
    else if (mark.atLeast === undefined) replaying.read(mark);
    else replaying.readBeyond(mark, mark.atLeast);
  }
  return replaying.end();
}

/** Marks taken one after another. */
class Replaying {
  private readonly rows: Row[];
  private readonly spots: SpotState[];
  private readonly perTurn: Partial<Record<ScrewName, number>>;
  private readonly seenToMove = new Set<ScrewName>();
  /** A screw that was turned and whose spot has not been read since. */
  private pending: { screw: ScrewName; turns: number } | undefined;

  constructor(
    private readonly used: readonly Spot[],
    private readonly options: ZeroSpanOptions,
  ) {
    this.rows = used.map((spot) => firstGuess(spot, used, options));
    this.spots = used.map(() => ({
      error: 0,
      moved: used.map(() => 0),
      isRead: false,
      guesses: 0,
    }));
    this.perTurn = { ...options.perTurn };
  }

  turned(screw: ScrewName, turns: number): void {
    if (!this.used.includes(spotOf[screw])) return;
    if (this.pending?.screw === screw) {
      this.pending.turns += turns;
      return;
    }
    this.settle();
    this.pending = { screw, turns };
  }

  read({ spot, error }: ReadMark): void {
    const i = this.used.indexOf(spot);
    const own = this.spots[i];
    if (!own) return;
    // From a guess nothing is learned of the move that led away from it.
    const isSeen = own.isRead && own.guesses === 0;
    const { pending } = this;
    if (pending && spotOf[pending.screw] === spot && isSeen) {
      // Seen at its own spot: the move is what the pointer did, however far the screw went.
      this.learnTurn(pending, error - expectedError(this.state, i));
    } else {
      this.settle();
      const { noise } = this.options;
      if (isSeen) learn(this.rows[i]!, i, { moved: own.moved, change: error - own.error, noise });
    }
    Object.assign(own, { error, moved: this.used.map(() => 0), isRead: true, guesses: 0 });
  }

  /** An end that lies beyond the signal: how far, nobody saw. */
  readBeyond({ spot, error: bound }: ReadMark, side: 'over' | 'under'): void {
    const i = this.used.indexOf(spot);
    const own = this.spots[i];
    if (!own) return;
    const screw = screwAt[spot];
    const wasTurned = this.pending?.screw === screw;
    this.settle();
    // Turned for it time and again, and it never came: it may work the other way.
    const isTried = own.guesses > 0 && own.guesses % TRIES === 0;
    if (wasTurned && isTried && !this.seenToMove.has(screw))
      this.perTurn[screw] = -(this.perTurn[screw] ?? 0.1);
    const error = beyond(bound, side, own, expectedError(this.state, i));
    const guesses = own.guesses + 1;
    Object.assign(own, { error, moved: this.used.map(() => 0), isRead: true, guesses });
  }

  end(): Replay {
    this.settle();
    return { rows: this.rows, spots: this.spots, perTurn: this.perTurn };
  }

  private get state(): Pick<Replay, 'rows' | 'spots'> {
    return { rows: this.rows, spots: this.spots };
  }

  private learnTurn({ screw, turns }: { screw: ScrewName; turns: number }, seen: number): void {
    if (Math.abs(seen) > 2 * this.options.noise && Math.abs(turns) > 0.01) {
      this.perTurn[screw] = seen / turns;
      this.seenToMove.add(screw);
    }
    this.moveSeen(screw, seen);
    this.pending = undefined;
  }

  private moveSeen(screw: ScrewName, seen: number): void {
    const j = this.used.indexOf(spotOf[screw]);
    for (const own of this.spots) if (own.isRead) own.moved[j]! += seen;
  }

  /** What was turned and not looked at counts as its turns are worth. */
  private settle(): void {
    if (this.pending) {
      const { screw, turns } = this.pending;
      this.moveSeen(screw, turns * (this.perTurn[screw] ?? 0.1));
    }
    this.pending = undefined;
  }
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

/** A change seen at a spot, what was moved meanwhile at each spot, and the deviation of one reading. */
type Seen = {
  readonly moved: readonly number[];
  readonly change: number;
  readonly noise: number;
};

/** One Kalman step: the change seen at a spot is the sum of what each screw did to it. */
function learn(row: Row, own: number, { moved, change, noise }: Seen): void {
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
