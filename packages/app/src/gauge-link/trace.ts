import {
  parseGaugeLine,
  parseQuantity,
  settling,
  type AbsolutePressure,
  type Gauge,
  type Measure,
  type Sample,
  type Settling,
  type Seconds,
} from '@holvek/core';
import { useSyncExternalStore } from 'react';
import type { GaugeLink, LinkSight, SeenRole } from './gauge-link';

const KEEP_SECONDS = 300;

export type TraceSnapshot = {
  readonly samples: Readonly<Record<SeenRole, readonly Sample[]>>;
  readonly sight: LinkSight | undefined;
  /** Link time of the last thing done to the valve: settling is judged from there. */
  readonly disturbedAt: number;
};

const NOTHING: TraceSnapshot = {
  samples: { inlet: [], outlet: [], travel: [] },
  sight: undefined,
  disturbedAt: 0,
};

/** What a linked gauge has sent in the last five minutes. */
export class Trace {
  private state = NOTHING;
  private pending = 0;
  private effectAt = 0;
  private readonly learned = new Map<SeenRole, Seconds>();
  private readonly listeners = new Set<() => void>();

  /**
   * @param barometer  Pa absolute, where the gauge hangs
   * @param tappingOf  the pressure at its tapping when a gauge says so much, Pa
   * @param measures   what its gauges show: a line of another kind is not listened to
   */
  listen(
    link: GaugeLink,
    barometer: AbsolutePressure,
    tappingOf: (role: SeenRole, shown: number) => number = (_, shown) => shown,
    measures: Measure = 'pressure',
  ): () => void {
    return link.subscribe(
      ({ role, line, t }) => {
        const parsed =
          role === 'travel'
            ? parseQuantity(line, 'fraction', '%')
            : parseGaugeLine(line, barometer, measures);
        if (!parsed.ok) return;
        if (t < this.lastHeard()) this.beginAnew(t);
        const kept = this.state.samples[role].filter((sample) => sample.t > t - KEEP_SECONDS);
        const value = tappingOf(role, parsed.value.si);
        const samples = { ...this.state.samples, [role]: [...kept, { t, value }] };
        this.state = { ...this.state, samples };
      },
      (sight) => {
        this.state = { ...this.state, sight };
        this.tell();
      },
    );
  }

  /**
   * The valve is being touched: no line counts until the link has told when that took effect, s, and
   * none from before it does afterwards. Undefined: nothing was touched after all.
   */
  disturb = async (effect: Promise<number | undefined>): Promise<void> => {
    const { disturbedAt } = this.state;
    if (this.pending === 0) this.effectAt = disturbedAt;
    this.pending += 1;
    this.hold(Infinity);
    const at = await effect.catch(() => this.lastHeard());
    this.pending -= 1;
    this.effectAt = Math.max(this.effectAt, at ?? 0);
    if (this.pending === 0) this.hold(this.effectAt);
  };

  /** The link's time has gone back: an undone step was lived through again, or the line was opened anew. */
  private beginAnew(t: number): void {
    this.effectAt = t;
    this.state = {
      ...NOTHING,
      sight: this.state.sight,
      disturbedAt: this.pending > 0 ? Infinity : t,
    };
  }

  private hold(disturbedAt: number): void {
    this.state = { ...this.state, disturbedAt };
    this.tell();
  }

  private lastHeard(): number {
    const { inlet, outlet, travel } = this.state.samples;
    return Math.max(...[inlet, outlet, travel].map((samples) => samples.at(-1)?.t ?? 0));
  }

  /** How fast this valve comes to rest, s: what a settled gauge has shown, for the moves to come. */
  learn = (role: SeenRole, timeConstant: Seconds): void => {
    this.learned.set(role, timeConstant);
  };

  learnedOf = (role: SeenRole): Seconds | undefined => this.learned.get(role);

  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  snapshot = (): TraceSnapshot => this.state;
}

export const useTrace = (trace: Trace): TraceSnapshot =>
  useSyncExternalStore(trace.subscribe, trace.snapshot, () => NOTHING);

export const latest = ({ samples }: TraceSnapshot, role: SeenRole): Sample | undefined =>
  samples[role].at(-1);

/**
 * Whether the linked gauge has come to rest since the valve was last touched.
 *
 * @param learned  time constant that this valve has shown before, s
 */
export function traceSettling(
  { samples, disturbedAt }: TraceSnapshot,
  role: SeenRole,
  gauge: Pick<Gauge, 'resolution_pa'>,
  learned?: Seconds,
): Settling {
  const since = samples[role].filter(({ t }) => t > disturbedAt + 1);
  return settling(since, gauge.resolution_pa, learned);
}
