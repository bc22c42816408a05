import {
  checkEvent,
  extendRun,
  hashOfEntry,
  headsOf,
  isRooted,
  pastOf,
  reduceRun,
  type EventError,
  type Run,
  type RunEvent,
} from '@holvek/core';

/** Why an entry cannot stand where it says that it stands. */
export type PlaceError = {
  readonly code:
    | 'event.hash_missing'
    | 'event.unseen'
    | 'event.follows_refused'
    | 'event.order_wrong'
    | 'run.nothing_to_undo'
    | 'run.started_twice';
};
export type Trouble = { readonly code: string; readonly detail?: unknown };

const unfit = (code: PlaceError['code']): PlaceError => ({ code });

/**
 * Judges entries in causal order by the rules of the core, each against the run as its author saw it:
 * what others entered meanwhile makes no right entry wrong.
 */
export class Judge {
  private readonly accepted: RunEvent[];
  private readonly hashes: Set<string>;
  private heads: readonly string[];
  /** The run as all that is accepted tells it; undefined while there are gaps. */
  private run: Run | undefined;

  /**
   * @param known    entries that are stored
   * @param refused  hashes of entries that were refused
   */
  constructor(
    known: readonly RunEvent[],
    readonly refused: Set<string>,
  ) {
    this.accepted = [...known];
    this.hashes = new Set(known.map(hashOfEntry));
    this.heads = headsOf(known);
    const hasGaps = known.some(({ seen }) => seen?.some((hash) => !this.hashes.has(hash)));
    const reduced = hasGaps ? undefined : reduceRun(known);
    this.run = reduced?.ok ? reduced.value : undefined;
  }

  /**
   * Why an entry is refused; undefined when it may stand, and it counts from then on.
   *
   * @param before  what is wrong with it already, by what only the caller knows
   */
  trouble(event: RunEvent, before?: Trouble): Trouble | undefined {
    const error = before ?? this.judge(event);
    if (error) this.refused.add(hashOfEntry(event));
    else {
      this.refused.delete(hashOfEntry(event));
      this.accept(event);
    }
    return error;
  }

  /** How the run began, as far as that is here. */
  get started(): Run['started'] | undefined {
    return this.accepted.find((event) => event.type === 'started');
  }

  /** Whether there are signatures, and each is about entries that are not here. */
  signatureLacks(): boolean {
    const signatures = this.accepted.filter(isRooted);
    return (
      signatures.length > 0 &&
      signatures.every((each) => pastOf(each, this.accepted).missing.length > 0)
    );
  }

  private judge(event: RunEvent): PlaceError | EventError | undefined {
    const { hash, seen } = event;
    if (hash === undefined || seen === undefined)
      return this.isOfBefore() ? undefined : unfit('event.hash_missing');
    if (event.type === 'started') return this.judgeStart(event);
    if (seen.length === 0) return unfit('event.unseen');
    const state = this.stateSeenBy(event);
    if (state === 'follows_refused') return unfit('event.follows_refused');
    // What it has seen is not all here yet: it is judged when it is signed for.
    if (state === undefined) return undefined;
    if (event.lamport !== state.lamport + 1) return unfit('event.order_wrong');
    if (event.type === 'undone' && !this.accepted.some(({ id }) => id === event.undoes))
      return unfit('run.nothing_to_undo');
    return checkEvent(state, event);
  }

  /** A run that was begun before entries were sealed goes on as it began. */
  private isOfBefore(): boolean {
    const start = this.accepted.find(({ type }) => type === 'started');
    return start !== undefined && start.hash === undefined;
  }

  private judgeStart(event: RunEvent): PlaceError | undefined {
    if (this.accepted.some(({ type }) => type === 'started')) return unfit('run.started_twice');
    return event.lamport === 1 && event.seen?.length === 0 ? undefined : unfit('event.order_wrong');
  }

  /** The run as the author of an entry saw it; undefined while part of that is not here. */
  private stateSeenBy({ seen = [] }: RunEvent): Run | 'follows_refused' | undefined {
    if (seen.some((hash) => this.refused.has(hash))) return 'follows_refused';
    if (this.run && isSameSet(seen, this.heads)) return this.run;
    const past = pastOf({ seen }, this.accepted);
    if (past.missing.some((hash) => this.refused.has(hash))) return 'follows_refused';
    if (past.missing.length > 0) return undefined;
    const reduced = reduceRun(past.covered);
    return reduced.ok ? reduced.value : undefined;
  }

  private accept(event: RunEvent): void {
    this.accepted.push(event);
    this.hashes.add(hashOfEntry(event));
    const { seen = [] } = event;
    this.heads = [...this.heads.filter((hash) => !seen.includes(hash)), hashOfEntry(event)];
    const hasGap = seen.some((hash) => !this.hashes.has(hash));
    this.run = hasGap ? undefined : this.extended(event);
  }

  private extended(event: RunEvent): Run | undefined {
    const next = this.run && extendRun(this.run, event);
    if (next) return next;
    if (!this.run && this.accepted.length > 1) return undefined;
    const reduced = reduceRun(this.accepted);
    return reduced.ok ? reduced.value : undefined;
  }
}

const isSameSet = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((each) => b.includes(each));

/** The first of a run's entries that was not allowed where it stands, in causal order. */
export function firstUnfit(
  covered: readonly RunEvent[],
): { readonly id: string; readonly code: string } | undefined {
  const isSealed = ({ hash }: RunEvent) => hash !== undefined;
  const judge = new Judge(
    covered.filter((event) => !isSealed(event)),
    new Set(),
  );
  for (const event of covered.filter(isSealed)) {
    const error = judge.trouble(event);
    if (error) return { id: event.id, code: error.code };
  }
  return undefined;
}

/** Runs that are remembered between batches; the one that was longest not worked on is let go first. */
const MOST_REMEMBERED = 200;

/** Judges of the runs that are being worked on: what they know need not be read again for each batch. */
class JudgesBench {
  private readonly sitting = new Map<string, Judge>();

  /** The judge of a run, who leaves the bench until he is put back. */
  take(runId: string): Judge | undefined {
    const judge = this.sitting.get(runId);
    this.sitting.delete(runId);
    return judge;
  }

  keep(runId: string, judge: Judge): void {
    this.sitting.set(runId, judge);
    const [oldest] = this.sitting.keys();
    if (this.sitting.size > MOST_REMEMBERED && oldest !== undefined) this.sitting.delete(oldest);
  }
}

const benches = new WeakMap<object, JudgesBench>();
/** The bench of a store: one process alone writes to it. */
export function benchOf(store: object): JudgesBench {
  const bench = benches.get(store) ?? new JudgesBench();
  benches.set(store, bench);
  return bench;
}
