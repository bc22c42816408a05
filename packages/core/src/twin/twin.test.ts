import fc from 'fast-check';
import { procedureOf } from '../family';
import { seededRandom } from '../numerics';
import {
  freeScrew,
  movePointer,
  readPointer,
  screwFor,
  setPointOf,
  turnScrew,
  type ReducingParams,
  type ScrewParams,
} from '../plant';
import { gauges, plate, rehearsed, stamp, startedDraft, target } from '../testing/samples';
import { twinFaults } from '../valve';
import { replayTwin, twinOf } from './replay';
import {
  actOnTwin,
  advanceTwin,
  createTwin,
  isWideOpen,
  readTwin,
  turnTwin,
  twinOutputs,
  type Twin,
} from './twin';

const make = (faults: (typeof twinFaults)[number][] = [], seed = 2): Twin =>
  createTwin({
    plate,
    targets: { target },
    sketch: { seed, faults, found_pa: 500_000 },
    gauges,
    initial: procedureOf('reducing').initial,
  });
const flowing = (twin: Twin) => advanceTwin(actOnTwin(twin, { demand: 0.25 }), 60);

describe('the screw', () => {
  const params: ScrewParams = { rate: 180_000, curvature: 0.1, backlash: 0.2, travel: 8, sense: 1 };
  test('holds what it was set to, and gives nothing when slack or solid', () => {
    expect(setPointOf(screwFor(500_000, params), params)).toBeCloseTo(500_000, 0);
    expect(setPointOf(freeScrew, params)).toBe(0);
    expect(setPointOf(turnScrew(freeScrew, params, -3), params)).toBe(0);
    const solid = turnScrew(freeScrew, params, 20);
    expect(setPointOf(turnScrew(solid, params, 1), params)).toBe(setPointOf(solid, params));
  });

  test('loses its backlash once on the way back', () => {
    const up = turnScrew(freeScrew, params, 3);
    expect(setPointOf(turnScrew(up, params, -0.15), params)).toBe(setPointOf(up, params));
    expect(setPointOf(turnScrew(up, params, -0.5), params)).toBeLessThan(setPointOf(up, params));
  });

  test('reversed, it raises anticlockwise', () => {
    const reversed: ScrewParams = { ...params, sense: -1 };
    expect(setPointOf(turnScrew(freeScrew, reversed, -2), reversed)).toBeGreaterThan(200_000);
    expect(setPointOf(turnScrew(freeScrew, reversed, 2), reversed)).toBe(0);
  });
});

describe('the simulated gauge', () => {
  test('follows with its lag and stays between its stops', () => {
    const half = movePointer(0, 500_000, 0.4, gauges.outlet);
    expect(half / 500_000).toBeCloseTo(1 - Math.exp(-1), 6);
    expect(movePointer(0, 9e6, 60, gauges.outlet)).toBe(gauges.outlet.range_high_pa);
    expect(movePointer(0, -9e6, 60, gauges.outlet)).toBe(0);
  });

  test('shows whole divisions only', () => {
    const random = seededRandom(1);
    for (let i = 0; i < 50; i++)
      expect(readPointer(416_400 + i * 37, gauges.outlet, random) % 2000).toBe(0);
  });
});

describe('the reducing twin', () => {
  test('holds its set point over a changing demand, with droop', () => {
    const small = twinOutputs(flowing(make())).outlet;
    const large = twinOutputs(advanceTwin(actOnTwin(make(), { demand: 0.8 }), 90)).outlet;
    expect(Math.abs(small - 500_000)).toBeLessThan(12_000);
    expect(large).toBeLessThan(small);
    expect(large).toBeGreaterThan(460_000);
  });

  test('rises a little and stops when the flow stops', () => {
    const shut = advanceTwin(actOnTwin(flowing(make()), { demand: 0 }), 60);
    const later = advanceTwin(shut, 60);
    const rise = twinOutputs(shut).outlet - 500_000;
    expect(rise).toBeGreaterThan(5000);
    expect(rise).toBeLessThan(60_000);
    expect(Math.abs(twinOutputs(later).outlet - twinOutputs(shut).outlet)).toBeLessThan(6000);
  });

  test('a leaking seat goes on rising', () => {
    const shut = advanceTwin(actOnTwin(flowing(make(['leaking_seat'])), { demand: 0 }), 60);
    expect(twinOutputs(advanceTwin(shut, 60)).outlet - twinOutputs(shut).outlet).toBeGreaterThan(
      4000,
    );
  });

  test('trapped air makes it swing, and bleeding stills it', () => {
    const spread = (twin: Twin) => {
      const seen: number[] = [];
      for (let i = 0, now = twin; i < 60; i++) {
        now = advanceTwin(now, 0.5);
        seen.push(twinOutputs(now).outlet);
      }
      return Math.max(...seen) - Math.min(...seen);
    };
    const sick = flowing(make(['trapped_air']));
    let bled = sick;
    for (let i = 0; i < 3; i++)
      for (const selector of ['close', 'open'])
        bled = advanceTwin(actOnTwin(bled, { selector }), 15);
    bled = advanceTwin(actOnTwin(bled, { selector: 'automatic' }), 90);
    expect(spread(sick)).toBeGreaterThan(20_000);
    expect(spread(bled)).toBeLessThan(6000);
  });

  test('a slow main stays wide open while it fills, then comes into control', () => {
    let twin = advanceTwin(actOnTwin(make(['slow_main']), { outlet_isolator: 0, demand: 0 }), 120);
    twin = advanceTwin(actOnTwin(twin, { outlet_isolator: 0.35, demand: 0.25 }), 30);
    expect(isWideOpen(twin)).toBe(true);
    expect(twinOutputs(twin).vent).toBe(0);
    expect(isWideOpen(advanceTwin(twin, 600))).toBe(false);
  });

  test('a weak supply cannot be reduced', () => {
    const weak = flowing(make(['weak_supply']));
    expect(twinOutputs(weak).inlet - 520_000).toBeLessThan(30_000);
  });

  test('the selector shuts and opens it', () => {
    expect(
      twinOutputs(advanceTwin(actOnTwin(flowing(make()), { selector: 'close' }), 60)).flow,
    ).toBeLessThan(1e-4);
    expect(
      twinOutputs(advanceTwin(actOnTwin(flowing(make()), { selector: 'open' }), 60)).opening,
    ).toBeGreaterThan(0.97);
  });

  test('the same seed is the same valve, another is not', () => {
    expect(make([], 9)).toEqual(make([], 9));
    expect(make([], 9).screwParams).not.toEqual(make([], 10).screwParams);
  });

  test('a turn is made as a hand makes it: nearly', () => {
    const before = make();
    const made =
      turnTwin(before, 'main', 1).screws['main']!.position - before.screws['main']!.position;
    expect(Math.abs(made - 1)).toBeLessThan(0.2);
    expect(made).not.toBe(1);
    expect(turnTwin(before, 'main', Number.NaN)).toBe(before);
  });

  test('a gauge that is not fitted shows nothing', () => {
    expect(readTwin({ ...make(), gauges: {} }, 'outlet')).toBeUndefined();
    expect(readTwin(make(), 'inlet')).toBeGreaterThan(0);
  });

  test('whatever is done to it, it stays finite and bounded', () => {
    const act = fc.record({
      inlet_isolator: fc.constantFrom(0, 0.2, 1, -3, 7, Number.NaN),
      outlet_isolator: fc.constantFrom(0, 0.35, 1),
      selector: fc.constantFrom('automatic', 'close', 'open', 'sideways'),
      demand: fc.constantFrom(0, 0.3, 1, Number.POSITIVE_INFINITY),
    });
    const turn = fc.constantFrom(-30, -1, 0, 0.5, 3, 30);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(act, turn), { maxLength: 6 }),
        fc.subarray([...twinFaults]),
        (moves, faults) => {
          let twin = make(faults, 3);
          for (const [does, turns] of moves) {
            twin = advanceTwin(turnTwin(actOnTwin(twin, does), 'main', turns), 12);
            for (const value of [...twin.state, ...Object.values(twinOutputs(twin))])
              expect(Number.isFinite(Number(value))).toBe(true);
            expect(twinOutputs(twin).outlet).toBeLessThanOrEqual(
              2000 * (twin.plant.params as ReducingParams).supply,
            );
            expect(twinOutputs(twin).outlet).toBeGreaterThanOrEqual(0);
          }
        },
      ),
      { seed: 51, numRuns: 25 },
    );
  });
});

describe('rehearsal', () => {
  test.each([
    [[]],
    [['reversed_screw']],
    [['slow_main']],
    [['trapped_air']],
    [['leaking_seat']],
  ] as const)('with %p the coach brings the valve into its lane', (faults) => {
    for (const seed of [11, 12]) {
      const { run, moves } = rehearsed({ seed, faults: [...faults] });
      expect(run.status).toBe('signed');
      expect(moves).toBeLessThanOrEqual(10);
      const asLeft = run.readings.findLast(({ purpose }) => purpose === 'as_left')!;
      expect(Math.abs(asLeft.reading.si - 520_000)).toBeLessThanOrEqual(19_000);
    }
  });

  test('no reading on the way passes the limit', () => {
    for (const seed of [21, 22, 23, 24])
      for (const { reading, purpose } of rehearsed({ seed }).run.readings)
        if (purpose === 'setting') expect(reading.si).toBeLessThan(660_000);
  });

  test('a supply that is too low stops it before the screw is touched', () => {
    expect(() => rehearsed({ faults: ['weak_supply'] })).toThrow('inlet_above_target');
  });
});

describe('replay', () => {
  test('brings the twin back to the same screw and cocks', () => {
    const left = rehearsed({ seed: 6, stopAfterTurns: 1 });
    const twin = replayTwin(left.events)!;
    expect(twin.screws['main']!.position).toBeCloseTo(left.twin.screws['main']!.position, 9);
    expect(twin.wanted).toEqual(left.twin.wanted);
    expect(Math.abs(twinOutputs(twin).outlet - twinOutputs(left.twin).outlet)).toBeLessThan(15_000);
  });

  test('an event that was undone is not done to the twin', () => {
    const left = rehearsed({ seed: 6, stopAfterTurns: 1 });
    const turn = left.events.findLast(({ type }) => type === 'turned')!;
    const undone = stamp({ type: 'undone', undoes: turn.id }, left.events.length + 1);
    expect(Math.abs(replayTwin([...left.events, undone])!.screws['main']!.position)).toBeLessThan(
      0.01,
    );
  });

  test('a run on a real valve has no twin', () => {
    expect(twinOf(stamp(startedDraft(), 1) as never)).toBeUndefined();
    expect(replayTwin([stamp(startedDraft(), 1)])).toBeUndefined();
    expect(replayTwin([])).toBeUndefined();
  });
});
