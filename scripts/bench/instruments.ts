import {
  edgeSearch,
  fitStep,
  previewLoop,
  seededRandom,
  simcSettings,
  zeroSpanView,
  type EdgeLimits,
  type Light,
  type Random,
  type ZeroSpanMark,
  type ZeroSpanOptions,
} from '@holvek/core';

const TOLERANCE = 0.01;
const GUARD = 0.002;
const NOISE = 0.0006;

/** An instrument with two screws: errors at both ends, and what each screw takes along. */
class Instrument {
  visits = 0;
  low: number;
  high: number;
  /** What a move of span, seen as 1 at the high end, does at the low one; of zero at the high end. */
  readonly back: number;
  readonly along: number;
  private readonly random: Random;
  private at: 'low' | 'high' | undefined;

  constructor(seed: number) {
    this.random = seededRandom(seed);
    this.low = this.random.between(-0.06, 0.06);
    this.high = this.low + this.random.between(-0.08, 0.08);
    this.back = this.random.between(-0.6, 0.6);
    this.along = this.random.between(0.92, 1.08);
  }
  read(end: 'low' | 'high'): number {
    if (this.at !== end) this.visits += 1;
    this.at = end;
    return this[end] + NOISE * this.random.normal();
  }
  /** Moves a screw until the pointer has gone `seen`, give or take a hand’s error. */
  move(end: 'low' | 'high', seen: number): void {
    const made = seen * (1 + 0.04 * this.random.normal()) + 0.0005 * this.random.normal();
    if (end === 'high') {
      this.high += made;
      this.low += this.back * made;
    } else {
      this.low += made;
      this.high += this.along * made;
    }
  }
  get holds(): boolean {
    return Math.max(Math.abs(this.low), Math.abs(this.high)) <= TOLERANCE;
  }
}
const MOST = 60;
const holds = (error: number) => Math.abs(error) <= TOLERANCE - GUARD;

/** Low, high, low, high …, each brought to where a rule says, until both were found right in a row. */
function backAndForth(one: Instrument, spanMove: (error: number) => number): void {
  let right = 0;
  for (let i = 0; right < 2 && one.visits < MOST; i++) {
    const end = i % 2 ? 'high' : 'low';
    const error = one.read(end);
    right = holds(error) ? right + 1 : 0;
    if (holds(error)) continue;
    one.move(end, end === 'low' ? -error : spanMove(error));
  }
}

function coached(one: Instrument): void {
  const options: ZeroSpanOptions = {
    screws: ['zero', 'span'],
    tolerance: TOLERANCE,
    uncertainty: GUARD,
    noise: NOISE,
    guard: 2 * NOISE,
    spanFactor: 1,
    angularityFactor: 5,
    perTurn: { zero: 1, span: 1 },
  };
  const marks: ZeroSpanMark[] = [];
  for (let i = 0; i < 3 * MOST && one.visits < MOST; i++) {
    const { move } = zeroSpanView(marks, options);
    if (move.kind === 'done' || move.kind === 'cannot_judge') return;
    const spot = move.spot as 'low' | 'high';
    if (move.kind === 'turn') {
      one.move(spot, move.turns);
      marks.push({ kind: 'turned', screw: move.screw, turns: move.turns });
    }
    marks.push({ kind: 'read', spot, error: one.read(spot) });
  }
}

/** Knows what each screw takes along: span first by just enough, then zero, then a look at both. */
function clairvoyant(one: Instrument): void {
  while (one.visits < MOST) {
    const [low, high] = [one.read('low'), one.read('high')];
    if (holds(low) && holds(high)) return;
    one.move('high', (-high + one.along * low) / (1 - one.along * one.back));
    one.move('low', -one.read('low'));
  }
}

/** Visits to an end of the range until both hold, and how often both really did. */
export function zeroSpanBench(count: number) {
  const policies: readonly (readonly [string, (one: Instrument) => void])[] = [
    ['plain errors', (one) => backAndForth(one, (error) => -error)],
    ['house factor 2', (one) => backAndForth(one, (error) => -2 * error)],
    ['ours', coached],
    ['clairvoyant', clairvoyant],
  ];
  const rows = policies.map(([policy, work]) => {
    const done = Array.from({ length: count }, (_, i) => {
      const one = new Instrument(i + 1);
      work(one);
      return one;
    });
    const visits = done.map((one) => one.visits).sort((a, b) => a - b);
    return {
      policy,
      'rounds, mean': visits.reduce((sum, n) => sum + n, 0) / count / 2,
      'rounds, p95': visits[Math.floor(0.95 * count)]! / 2,
      'never done, %': (100 * visits.filter((n) => n >= MOST).length) / count,
      'both hold, %': (100 * done.filter((one) => one.holds).length) / count,
    };
  });
  const best = rows.at(-1)!['rounds, mean'];
  return rows.map((row) => ({ ...row, 'x clairvoyant': row['rounds, mean'] / best }));
}

/** Lights and failed lights until both edges are known to a fortieth of the range. */
export function edgesBench(count: number) {
  const limits: EdgeLimits = { lowest: 0, highest: 1, resolution: 0.025, failCost: 3 };
  const chanceAt = (p: number, low: number, high: number) =>
    1 / (1 + Math.exp(-(p - low) / 0.004)) / (1 + Math.exp((p - high) / 0.004));
  const search = (next: (lights: readonly Light[]) => number | undefined) => {
    let [lights, failed, off] = [0, 0, 0];
    for (let seed = 1; seed <= count; seed++) {
      const random = seededRandom(seed);
      const [low, high] = [random.between(0.1, 0.4), random.between(0.55, 0.95)];
      const made: Light[] = [];
      for (let p: number | undefined = 0.48; p !== undefined && made.length < 200; p = next(made))
        made.push({ pressure: p, lit: random.between(0, 1) < chanceAt(p, low, high) });
      const found = edgeSearch(made, limits);
      lights += made.length;
      failed += made.filter(({ lit }) => !lit).length;
      off += Math.abs((found.low.at ?? 0) - low) + Math.abs((found.high.at ?? 1) - high);
    }
    return {
      lights: lights / count,
      failed: failed / count,
      'edge off, % of range': (50 * off) / count,
    };
  };
  /** Down by equal steps until it fails, then up from the start until it fails. */
  const bySteps = (made: readonly Light[]): number | undefined => {
    const down = made.findIndex(({ lit, pressure }) => !lit && pressure < 0.48);
    const step = limits.resolution;
    if (down === -1) return 0.48 - step * made.length;
    const up = made.length - down - 1;
    return up > 0 && !made.at(-1)!.lit ? undefined : 0.48 + step * (up + 1);
  };
  return [
    { search: 'equal steps', ...search(bySteps) },
    {
      search: 'halving',
      ...search((made) => edgeSearch(made, { ...limits, failCost: 1 }).next?.pressure),
    },
    { search: 'ours', ...search((made) => edgeSearch(made, limits).next?.pressure) },
  ];
}

const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? Number.NaN;

/** Model fits on noisy steps against the generating values, and what the settings do on the true process. */
export function tuningBench(count: number) {
  const seen = {
    gain: [] as number[],
    timeConstant: [] as number[],
    deadTime: [] as number[],
    overshoot: [] as number[],
    settling: [] as number[],
    sensitivity: [] as number[],
  };
  let refused = 0;
  for (let seed = 1; seed <= count; seed++) {
    const random = seededRandom(seed);
    const truth = {
      gain: random.between(0.4, 3),
      timeConstant: random.between(8, 120),
      deadTime: random.between(1, 20),
    };
    const span = 1.3 * (truth.deadTime + 5 * truth.timeConstant);
    const noise = random.between(0.05, 0.8);
    const fit = fitStep(
      Array.from({ length: 240 }, (_, i) => {
        const t = (span * i) / 239;
        const since = t - 0.15 * span - truth.deadTime;
        const rise = since > 0 ? 1 - Math.exp(-since / truth.timeConstant) : 0;
        return {
          t,
          output: t < 0.15 * span ? 40 : 50,
          value: 50 + 10 * truth.gain * rise + noise * random.normal(),
        };
      }),
    );
    if (!fit.ok) {
      refused += 1;
      continue;
    }
    const { model } = fit.value;
    for (const key of ['gain', 'timeConstant', 'deadTime'] as const)
      seen[key].push(100 * Math.abs(model[key] / truth[key] - 1));
    const loop = previewLoop(truth, simcSettings(model));
    seen.overshoot.push(100 * loop.overshoot);
    seen.settling.push(
      (loop.settling ?? Number.POSITIVE_INFINITY) / (truth.deadTime + truth.timeConstant),
    );
    seen.sensitivity.push(loop.sensitivity);
  }
  const names = {
    gain: 'gain off, %',
    timeConstant: 'time constant off, %',
    deadTime: 'dead time off, %',
    overshoot: 'overshoot, %',
    settling: 'settling, x (dead time + constant)',
    sensitivity: 'largest sensitivity',
  };
  return [
    ...Object.entries(seen).map(([key, values]) => ({
      figure: names[key as keyof typeof names],
      median: percentile(values, 0.5),
      p95: percentile(values, 0.95),
    })),
    { figure: 'refused, of all', median: refused, p95: count },
  ];
}
