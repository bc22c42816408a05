import fc from 'fast-check';
import { linkageAt, sweepPosition, type LinkageParams } from '../plant';
import type { EventOf } from '../run';
import { familyStarted, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import type { TwinFault } from '../valve';
import { replayTwin, twinOf } from './replay';
import {
  actOnTwin,
  advanceTwin,
  readScale,
  readTwin,
  turnTwin,
  twinOutputs,
  type Twin,
} from './twin';

const twinFor = (name: SampleName, faults: TwinFault[] = [], seed = 3) => {
  const draft = familyStarted(name);
  return twinOf(
    stamp({ ...draft, twin: { ...draft.twin!, seed, faults } }, 1) as EventOf<'started'>,
  )!;
};
const at = (twin: Twin, signal: number, seconds = 20) =>
  advanceTwin(actOnTwin(twin, { signal }), seconds);
const scale = (twin: Twin) => readScale(twin)!;

describe('the twin of a positioner', () => {
  test('travel follows the signal, off by what its screws are off', () => {
    const twin = twinFor('positioner');
    const found = [0, 0.5, 1].map((signal) => scale(at(twin, signal)) - signal);
    expect(Math.max(...found.map(Math.abs))).toBeGreaterThan(0.012);
    expect(Math.max(...found.map(Math.abs))).toBeLessThan(0.12);
  });

  test('the zero screw moves all alike, the span screw turns the line about its pivot', () => {
    const twin = at(twinFor('positioner'), 0.4);
    const moved = (adjuster: string, signal: number) =>
      scale(at(turnTwin(twin, adjuster, 1), signal)) - scale(at(twin, signal));
    expect(moved('main', 0.8) / moved('main', 0.2)).toBeCloseTo(1, 1);
    expect(Math.abs(moved('span', 0.9))).toBeGreaterThan(Math.abs(moved('span', 0.3)));
  });

  test('friction shows as a difference between up and down', () => {
    const gap = (faults: TwinFault[]) => {
      const low = at(twinFor('positioner', faults), 0.2);
      const up = at(low, 0.5);
      const down = at(at(low, 0.9), 0.5);
      return scale(down) - scale(up);
    };
    expect(gap(['sticking'])).toBeGreaterThan(0.01);
    expect(gap([])).toBeLessThan(0.006);
  });

  test('without air it goes to its spring, and the supply gauge shows nothing', () => {
    const twin = advanceTwin(actOnTwin(at(twinFor('positioner'), 0.7), { supply: 0 }), 40);
    expect(scale(twin)).toBeLessThan(0.02);
    expect(readTwin(twin, 'outlet')!).toBeLessThan(3000);
    expect(readTwin(at(twinFor('positioner'), 0.7), 'outlet')!).toBeGreaterThan(130_000);
  });

  test('its output saturates at the supply beyond the end, and is gone below it', () => {
    const twin = turnTwin(twinFor('positioner'), 'main', 2);
    expect(twinOutputs(at(twin, 1)).fill).toBeCloseTo(1, 2);
    expect(twinOutputs(at(turnTwin(twin, 'main', -6), 0)).fill).toBeLessThan(0.02);
  });

  test('replayed points leave the calibrator where it stood', () => {
    const draft = familyStarted('positioner');
    const events = [
      stamp(draft, 1),
      stamp(
        {
          type: 'cal_point',
          step_id: 'as_found',
          at: 0.75,
          direction: 'up',
          pass: 1,
          output: 0.77,
          entered: { text: '77', unit: '%' },
          source: 'linked',
        },
        2,
      ),
    ];
    expect(replayTwin(events)!.wanted['signal']).toBe(0.75);
  });
});

describe('the linkage by itself', () => {
  const params = twinFor('indicator').plant.params as LinkageParams;
  const settings = params.middle;

  test('with its screws in the middle it is straight but for its bend', () => {
    expect(linkageAt(params, 0, settings)).toBeCloseTo(0, 12);
    expect(linkageAt(params, 1, settings)).toBeCloseTo(1, 12);
    expect(linkageAt(params, 0.5, settings)).toBeCloseTo(0.5 + params.bend, 12);
  });

  test('link length shifts everything, and bends the middle by a fraction of that', () => {
    const moved = { ...settings, angularity: settings.angularity + 0.1 };
    const change = (x: number) => linkageAt(params, x, moved) - linkageAt(params, x, settings);
    expect(change(0)).toBeCloseTo(0.1 * params.linkShift, 12);
    expect(change(0.5) - (change(0) + change(1)) / 2).toBeCloseTo(0.1 * params.linkBend, 12);
  });
});

describe('the twin of a boiler with a switch', () => {
  test('swings between its two points, and the contact changes at them', () => {
    let twin = twinFor('pressure_switch');
    const seen: number[] = [];
    const changes: number[] = [];
    for (let i = 0; i < 1200; i++) {
      const before = scale(twin);
      twin = advanceTwin(twin, 0.25);
      const pressure = twinOutputs(twin).inlet / 1000;
      seen.push(pressure);
      if (scale(twin) !== before) changes.push(pressure);
    }
    expect(changes.length).toBeGreaterThan(3);
    const last = seen.slice(400);
    // Found at 600 with a differential of 80, give or take the lag of the switch behind its pipe.
    expect(Math.min(...last)).toBeGreaterThan(585);
    expect(Math.max(...last)).toBeLessThan(700);
    expect(Math.max(...last) - Math.min(...last)).toBeGreaterThan(70);
  });

  test('with the burner off it stays down', () => {
    const twin = advanceTwin(actOnTwin(twinFor('pressure_switch'), { heat: 0 }), 600);
    expect(twinOutputs(twin).inlet).toBeLessThan(400_000);
    expect(scale(twin)).toBe(1);
  });
});

describe('the twin of a burner’s pilot', () => {
  const withGas = (seed: number) =>
    advanceTwin(actOnTwin(twinFor('burner_pilot', [], seed), { gas: 1 }), 30);

  test('lights in the middle of the maker’s range, and not far outside', () => {
    for (const seed of [3, 8, 15]) {
      let twin = withGas(seed);
      const signalAt = (pa: number) => {
        for (let i = 0; i < 40; i++) {
          const off = pa - readTwin(twin, 'outlet')!;
          if (Math.abs(off) < 25) break;
          twin = advanceTwin(turnTwin(twin, 'main', Math.max(-1, Math.min(1, off / 500))), 12);
        }
        return scale(twin);
      };
      expect(signalAt(1300)).toBeGreaterThan(0.7);
      expect(signalAt(550)).toBeLessThan(0.3);
      expect(signalAt(2700)).toBeLessThan(0.3);
    }
  });
});

describe('the twin of a controller', () => {
  const inTest = (twin: Twin) => advanceTwin(actOnTwin(twin, { mode: 'test' }), 20);

  test('a misaligned one lets its output follow the band, an aligned one does not', () => {
    const out = (twin: Twin, gain: number) =>
      twinOutputs(advanceTwin(actOnTwin(inTest(twin), { sweep: sweepPosition(gain) }), 20)).outlet;
    const found = twinFor('controller');
    expect(out(found, 5) - out(found, -5)).toBeGreaterThan(5000);
    const draft = familyStarted('controller');
    const none = { ...draft.twin!, found_others: { ...draft.twin!.found_others, alignment: 0 } };
    const aligned = twinOf(stamp({ ...draft, twin: none }, 1) as EventOf<'started'>)!;
    expect(Math.abs(out(aligned, 5) - out(aligned, -5))).toBeLessThan(50);
  });

  test('its process answers a step of the output after a dead time, and comes to rest', () => {
    let twin = advanceTwin(twinFor('controller'), 60);
    const rest = scale(twin);
    twin = actOnTwin(twin, { output: 0.6 });
    expect(Math.abs(scale(advanceTwin(twin, 2)) - rest)).toBeLessThan(0.01);
    const late = scale(advanceTwin(twin, 300));
    expect(late - rest).toBeGreaterThan(0.05);
    expect(Math.abs(scale(advanceTwin(twin, 400)) - late)).toBeLessThan(0.005);
  });

  test('the band’s dial and its gain are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: -5, max: 5, noNaN: true }), (gain) => {
        expect(10 * (sweepPosition(gain) - 0.5)).toBeCloseTo(gain, 9);
      }),
      { seed: 70 },
    );
  });
});
