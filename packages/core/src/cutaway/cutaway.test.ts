import fc from 'fast-check';
import {
  cutawayAtRest,
  cutawayFaults,
  cutawayKinds,
  isCutawayStill,
  KNOB_TURNS,
  looksOf,
  netForce,
  stepCutaway,
  viewCutaway,
  type CutawayFault,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
} from '.';

const sound: CutawayHands = { knob: 6, supply: 1, draw: 0.3, fault: null };
const FRAME = 1 / 60;

/** What is seen after some seconds of frames, and the least and most of one pressure on the way. */
function watched(kind: CutawayKind, all: readonly Partial<CutawayHands>[], seconds = 10) {
  let state = cutawayAtRest(kind);
  let hands = sound;
  let seen: CutawayView[] = [];
  for (const some of all) {
    hands = { ...sound, ...some };
    seen = [];
    for (let t = 0; t < seconds; t += FRAME) {
      state = stepCutaway(kind, state, hands, FRAME);
      seen.push(viewCutaway(kind, state, hands));
    }
  }
  const late = seen.slice(-240).map(({ outlet }) => outlet / 1000);
  return { ...seen.at(-1)!, state, hands, swing: Math.max(...late) - Math.min(...late), seen };
}
const kPa = (pa: number): number => Math.round(pa / 1000);
const stands = (kind: CutawayKind, ...all: readonly Partial<CutawayHands>[]) => {
  const { inlet, outlet, lift, doing } = watched(kind, all);
  return { inlet: kPa(inlet), outlet: kPa(outlet), lift: Number(lift.toFixed(2)), doing };
};

describe('a spring-loaded regulator, cut open', () => {
  test('knob out, supply on: nothing passes', () => {
    expect(stands('direct', { knob: 0 })).toEqual({
      inlet: 920,
      outlet: 0,
      lift: 0,
      doing: 'spring_free',
    });
  });

  test('knob in: it opens, the outlet pushes back, and both are equal', () => {
    const { forces, ...seen } = watched('direct', [{}]);
    expect(seen.doing).toBe('balanced');
    expect(Math.abs(netForce(forces))).toBeLessThan(1);
    // 200 N/mm × (6 × 1.5 mm − lift) against 6 N/kPa and 0.2 N/kPa on the seat.
    const lift = seen.lift * 1.5;
    expect(kPa(seen.outlet)).toBeCloseTo((200 * (9 - lift) - 0.2 * 920) / 5.8, -0.5);
  });

  test('more drawn: it droops; nothing drawn: it locks up above', () => {
    const [little, much, none] = [{ draw: 0.3 }, { draw: 1 }, { draw: 0 }].map((some) =>
      stands('direct', { draw: 0.3 }, some),
    );
    expect(much!.outlet).toBeLessThan(little!.outlet - 10);
    expect(none!.outlet).toBeGreaterThan(little!.outlet + 10);
    expect(none).toMatchObject({ lift: 0, doing: 'locked_up' });
  });

  test('a torn diaphragm lets the outlet climb and blows at the vent', () => {
    const torn = watched('direct', [{}, { fault: 'torn_diaphragm' }]);
    expect(torn).toMatchObject({ vents: true, doing: 'venting' });
    expect(kPa(torn.outlet)).toBeGreaterThan(600);
    expect(watched('direct', [{}]).vents).toBe(false);
  });

  test('dirt on the seat: shut, it still climbs, with the knob out too', () => {
    const dirt = { draw: 0, fault: 'dirt_on_seat' } as const;
    expect(stands('direct', { knob: 6, draw: 0 }, { knob: 6, ...dirt })).toMatchObject({
      lift: 0,
      doing: 'passing',
    });
    expect(stands('direct', { knob: 0, ...dirt }).outlet).toBeGreaterThan(300);
  });

  test('a blocked vent makes it late and lets it droop further', () => {
    const ways = ([null, 'blocked_vent'] as const).map((fault) =>
      watched('direct', [
        { draw: 0, fault },
        { draw: 1, fault },
      ]),
    );
    const slow = ways.map(({ seen }) => seen.findIndex(({ lift }) => lift > 0.3));
    expect(slow[1]).toBeGreaterThan(1.5 * slow[0]!);
    expect(kPa(ways[1]!.outlet)).toBeLessThan(kPa(ways[0]!.outlet) - 5);
  });

  test('without its damper it never comes to rest', () => {
    expect(watched('direct', [{}, { draw: 0.6, fault: 'damper_lost' }]).swing).toBeGreaterThan(6);
    expect(watched('direct', [{}, { draw: 0.6 }]).swing).toBeLessThan(0.2);
  });
});

describe('a pilot-operated valve, cut open', () => {
  test('it holds against a larger draw within a tenth', () => {
    const [little, much] = [0.3, 1].map((draw) => stands('pilot', { draw: 0.3 }, { draw }));
    expect(little!.doing).toBe('balanced');
    expect(much!.lift).toBeGreaterThan(little!.lift + 0.2);
    expect(Math.abs(much!.outlet - little!.outlet)).toBeLessThan(0.1 * little!.outlet);
  });

  test('at balance the chamber stands between inlet and outlet', () => {
    const { chamber, inlet, outlet } = watched('pilot', [{}]);
    expect(kPa(chamber!)).toBe(kPa((inlet + outlet) / 2));
  });

  test('shut, the chamber stands at the inlet', () => {
    const { chamber, lift } = watched('pilot', [{}, { draw: 0 }]);
    expect(lift).toBeCloseTo(0, 9);
    expect(kPa(chamber!)).toBe(920);
  });

  test.each([
    ['sensing_line_shut', 0.6],
    ['pilot_diaphragm_torn', 0.6],
    ['dirt_on_pilot_seat', 0.6],
    ['needle_plugged', 0.4],
  ] as const)('%s lets the outlet climb', (fault, draw) => {
    const before = stands('pilot', { draw: 0.6 }).outlet;
    expect(stands('pilot', { draw: 0.6 }, { draw, fault }).outlet).toBeGreaterThan(1.15 * before);
  });

  test('a plugged needle: what has opened does not shut again', () => {
    const opened = stands('pilot', { draw: 1, fault: 'needle_plugged' }, { draw: 0 });
    expect(opened).toMatchObject({ outlet: expect.any(Number), lift: 0 });
    const stuck = stands(
      'pilot',
      { draw: 1, fault: 'needle_plugged' },
      { draw: 0, fault: 'needle_plugged' },
    );
    expect(stuck).toMatchObject({ doing: 'passing', outlet: 920 });
    expect(stuck.lift).toBeGreaterThan(0.3);
  });

  test('air in the chamber makes it hunt', () => {
    const ways = ([null, 'air_in_chamber'] as const).map(
      (fault) =>
        watched('pilot', [
          { draw: 0.4, fault },
          { draw: 0.7, fault },
        ]).swing,
    );
    expect(ways[0]).toBeLessThan(1);
    expect(ways[1]).toBeGreaterThan(60);
  });
});

describe('a relief, cut open', () => {
  const set = { knob: 8, supply: 1, draw: 0.2 };

  test('below its setting nothing moves', () => {
    expect(stands('relief', { knob: 8, supply: 0.6, draw: 0.6 })).toMatchObject({
      lift: 0,
      doing: 'waiting',
    });
  });

  test('it opens at the spring, and shuts below where it opened', () => {
    const { seen } = watched('relief', [set]);
    const opened = seen.findIndex(({ lift }) => lift > 0);
    expect(kPa(seen[opened]!.inlet)).toBeGreaterThanOrEqual(795);
    expect(kPa(seen[opened]!.inlet)).toBeLessThan(825);
    const { seen: falling } = watched('relief', [set, { ...set, supply: 0.5, draw: 1 }]);
    const shut = falling.findIndex(({ lift }) => lift === 0);
    expect(kPa(falling[shut]!.inlet)).toBeLessThan(760);
    expect(kPa(falling[shut]!.inlet)).toBeGreaterThan(600);
  });

  test('dirt on its seat dribbles below its setting', () => {
    const { doing, flow, lift } = watched('relief', [
      { knob: 8, supply: 0.6, draw: 0.6, fault: 'dirt_on_seat' },
    ]);
    expect({ doing, lift }).toEqual({ doing: 'dribbling', lift: 0 });
    expect(flow).toBeGreaterThan(0.0001);
  });

  test('a shut discharge holds it down: the line goes past', () => {
    const held = stands('relief', { ...set, fault: 'discharge_shut' });
    expect(held.inlet).toBeGreaterThan(1200);
    expect(held.doing).toBe('held_down');
    expect(stands('relief', set).inlet).toBeLessThan(820);
  });

  test('a stuck disc opens late, and then as ever', () => {
    const { seen, inlet } = watched('relief', [{ ...set, fault: 'stuck_disc' }]);
    const opened = seen.findIndex(({ lift }) => lift > 0);
    expect(kPa(seen[opened]!.inlet)).toBeGreaterThan(1040);
    expect(kPa(inlet)).toBeLessThan(820);
  });
});

describe('every cutaway', () => {
  const cases = cutawayKinds.flatMap((kind) => looksOf(kind).map((look) => ({ kind, ...look })));

  test.each(cases)('$kind, $id: begins with hands that it can have', ({ kind, hands }) => {
    const all = { ...sound, ...hands };
    expect(all.knob).toBeLessThanOrEqual(KNOB_TURNS);
    expect([null, ...cutawayFaults[kind]]).toContain(all.fault);
    expect(viewCutaway(kind, cutawayAtRest(kind), all).forces.length).toBeGreaterThan(1);
  });

  test('stays finite and in range whatever the hands do', () => {
    const hands = (kind: CutawayKind) =>
      fc.record({
        knob: fc.double({ min: 0, max: KNOB_TURNS, noNaN: true }),
        supply: fc.double({ min: 0, max: 1, noNaN: true }),
        draw: fc.double({ min: 0, max: 1, noNaN: true }),
        fault: fc.constantFrom<CutawayFault | null>(null, ...cutawayFaults[kind]),
      });
    for (const kind of cutawayKinds)
      fc.assert(
        fc.property(fc.array(hands(kind), { minLength: 1, maxLength: 6 }), (all) => {
          const { seen } = watched(kind, all, 1.5);
          for (const { inlet, outlet, lift, flow, forces } of seen) {
            expect(lift).toBeGreaterThanOrEqual(0);
            expect(lift).toBeLessThanOrEqual(1);
            expect(flow).toBeGreaterThanOrEqual(0);
            for (const pa of [inlet, outlet]) expect(pa >= 0 && pa <= 1.6e6).toBe(true);
            expect(forces.every(({ newtons }) => newtons >= 0)).toBe(true);
          }
        }),
        { numRuns: 25, seed: 14 },
      );
  });

  test('a balance is still, a stroke is not; a long gap is not caught up with', () => {
    const { state, hands } = watched('direct', [{}]);
    expect(isCutawayStill('direct', state, stepCutaway('direct', state, hands, FRAME))).toBe(true);
    const turned = { ...hands, knob: 9 };
    const moved = stepCutaway('direct', state, turned, FRAME);
    expect(isCutawayStill('direct', state, moved)).toBe(false);
    expect(stepCutaway('direct', state, turned, 60)).toEqual(
      stepCutaway('direct', state, turned, 0.1),
    );
  });
});
