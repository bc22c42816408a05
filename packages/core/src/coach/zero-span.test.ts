import { seededRandom } from '../numerics';
import { zeroSpanView } from './zero-span';
import {
  screwAt,
  spots,
  type ScrewName,
  type Spot,
  type ZeroSpanMark,
  type ZeroSpanOptions,
} from './zero-span-belief';

const options: ZeroSpanOptions = {
  screws: ['zero', 'span'],
  tolerance: 0.01,
  uncertainty: 0.002,
  noise: 0.0008,
  guard: 0.0016,
  spanFactor: 1,
  angularityFactor: 5,
  perTurn: { zero: 0.1, span: 0.1, angularity: 0.1 },
};

/** An instrument by what each screw does at each spot, per turn. */
type Truth = Readonly<Record<ScrewName, Readonly<Record<Spot, number>>>>;
const truth = (spanAtLow: number, atMid = 0): Truth => ({
  zero: { low: 0.08, mid: 0.08, high: 0.08 },
  span: { low: 0.13 * spanAtLow, mid: (0.13 * (1 + spanAtLow)) / 2, high: 0.13 },
  angularity: { low: 0.2 * (0.8 + atMid), mid: 0.2, high: 0.2 * 0.8 },
});

/** Does what the coach says until it says done; the marks, or undefined when it never did. */
function follow(
  how: ZeroSpanOptions,
  instrument: Truth,
  start: Readonly<Record<Spot, number>>,
  seed: number,
) {
  const random = seededRandom(seed);
  const errors = { ...start };
  const marks: ZeroSpanMark[] = [];
  const read = (spot: Spot) =>
    marks.push({ kind: 'read', spot, error: errors[spot] + 0.0004 * random.normal() });
  for (let i = 0; i < 60; i++) {
    const { move } = zeroSpanView(marks, how);
    if (move.kind === 'done') return { marks, errors };
    if (move.kind === 'go') read(move.spot);
    if (move.kind !== 'turn') continue;
    const turns = move.turns + 0.02 * random.normal();
    for (const spot of spots) errors[spot] += instrument[move.screw][spot] * turns;
    marks.push({ kind: 'turned', screw: move.screw, turns: move.turns });
    read(move.spot);
  }
  return undefined;
}

describe('zero and span as one system', () => {
  test.each([
    ['alone', 0],
    ['taking half along', 0.5],
    ['pushing zero the other way', -0.5],
  ])('both ends are brought in with the span %s', (_, spanAtLow) => {
    for (let seed = 1; seed <= 30; seed++) {
      const end = follow(options, truth(spanAtLow), { low: 0.05, mid: 0, high: -0.04 }, seed);
      expect(end).toBeDefined();
      expect(Math.max(Math.abs(end!.errors.low), Math.abs(end!.errors.high))).toBeLessThan(0.01);
    }
  });

  test('three screws: angularity goes first, and all three hold', () => {
    const three: ZeroSpanOptions = {
      ...options,
      screws: ['zero', 'span', 'angularity'],
      spanFactor: 2,
    };
    const first = zeroSpanView(
      [
        { kind: 'read', spot: 'low', error: 0.01 },
        { kind: 'read', spot: 'mid', error: 0.03 },
        { kind: 'read', spot: 'high', error: 0.01 },
      ],
      three,
    );
    expect(first.move).toMatchObject({ kind: 'turn', screw: 'angularity', spot: 'mid' });
    for (let seed = 1; seed <= 20; seed++) {
      const end = follow(three, truth(0.3, 0.05), { low: 0.02, mid: 0.035, high: -0.02 }, seed);
      expect(end).toBeDefined();
      for (const spot of spots) expect(Math.abs(end!.errors[spot])).toBeLessThan(0.01);
    }
  });

  test('a screw that works the other way is noticed by what the pointer did', () => {
    const end = follow(
      { ...options, perTurn: { zero: -0.1, span: 0.1 } },
      truth(0.2),
      { low: 0.04, mid: 0, high: 0.03 },
      3,
    );
    expect(end).toBeDefined();
    expect(zeroSpanView(end!.marks, options).perTurn.zero).toBeCloseTo(0.08, 1);
  });

  test('learns what span does to zero from one look back', () => {
    const marks: ZeroSpanMark[] = [
      { kind: 'read', spot: 'low', error: 0 },
      { kind: 'read', spot: 'high', error: 0.06 },
      { kind: 'turned', screw: 'span', turns: -0.5 },
      { kind: 'read', spot: 'high', error: 0 },
      { kind: 'read', spot: 'low', error: 0.024 },
    ];
    const { interactions } = zeroSpanView(marks, options);
    const learned = interactions.find(({ screw, spot }) => screw === 'span' && spot === 'low')!;
    expect(learned.mean).toBeCloseTo(-0.4, 1);
    expect(learned.sd).toBeLessThan(0.05);
  });

  test('the first screw is set to what the next takes back', () => {
    const { move } = zeroSpanView(
      [
        { kind: 'read', spot: 'low', error: 0.04 },
        { kind: 'read', spot: 'high', error: 0.04 },
        { kind: 'turned', screw: 'span', turns: 0.001 },
        { kind: 'read', spot: 'high', error: 0.04 },
        { kind: 'read', spot: 'low', error: 0.04 },
      ],
      { ...options, spanFactor: 2 },
    );
    expect(move).toMatchObject({ kind: 'turn', screw: 'zero', why: 'last_of_all' });
    expect(move.kind === 'turn' && move.comeTo).toBeCloseTo(0, 6);
  });

  test.each([
    [0.006, 'done'],
    [0.0068, 'turn'],
    [0.0079, 'turn'],
  ])('zero read %d out of 0.008 allowed, each reading 0.0008: %s', (error, kind) => {
    const { move } = zeroSpanView(
      [
        { kind: 'read', spot: 'low', error },
        { kind: 'read', spot: 'high', error: 0 },
      ],
      options,
    );
    expect(move.kind).toBe(kind);
  });

  const short = (more: readonly ZeroSpanMark[]) =>
    zeroSpanView(
      [
        { kind: 'read', spot: 'low', error: 0 },
        { kind: 'read', spot: 'high', error: -0.02, atLeast: 'under' },
        ...more,
      ],
      options,
    );
  const still: ZeroSpanMark = { kind: 'read', spot: 'high', error: -0.02, atLeast: 'under' };
  const turned = (turns: number): ZeroSpanMark => ({ kind: 'turned', screw: 'span', turns });

  test('an end that the signal does not reach is sought further out, and teaches nothing of the screw', () => {
    const first = short([]);
    expect(first.errors.high!.error).toBeCloseTo(-0.03, 9);
    const again = short([turned(0.3), still]);
    expect(again.errors.high!.error).toBeCloseTo(-0.04, 9);
    expect(again.perTurn.span).toBe(options.perTurn.span);
    const seen = short([turned(0.3), { kind: 'read', spot: 'high', error: 0.05 }]);
    expect(seen.errors.high).toEqual({ error: 0.05, isStale: false });
    expect(seen.perTurn.span).toBe(options.perTurn.span);
  });

  test('a screw that brings nothing to be seen is tried the other way, one that was seen to move never', () => {
    const twice = [turned(0.3), still, turned(0.5), still];
    const thrice = [...twice, turned(0.9), still];
    expect(short(twice).perTurn.span).toBe(0.1);
    expect(short(thrice).perTurn.span).toBe(-0.1);
    const seen: ZeroSpanMark[] = [
      turned(1),
      { kind: 'read', spot: 'high', error: -0.015 },
      turned(1),
      { kind: 'read', spot: 'high', error: 0.08 },
    ];
    const known = short([...seen, ...thrice, turned(1), still, turned(1), still]);
    expect(known.perTurn.span).toBeCloseTo(0.095, 9);
  });

  test('a tolerance within the calibrator’s own uncertainty cannot be judged', () => {
    expect(zeroSpanView([], { ...options, tolerance: 0.002 }).move).toEqual({
      kind: 'cannot_judge',
    });
  });

  test('screws that do the same are told by their independence', () => {
    const alike = { ...options, spanFactor: 50 };
    expect(zeroSpanView([], alike).independence).toBeLessThan(0.05);
    expect(zeroSpanView([], options).independence).toBeCloseTo(1, 6);
  });

  test('every spot has its screw', () => {
    expect(spots.map((spot) => screwAt[spot])).toEqual(['zero', 'angularity', 'span']);
  });
});
