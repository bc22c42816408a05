import fc from 'fast-check';
import { procedureOf } from '../family';
import { solveLadder, systemFrom } from '../ladder';
import { unwrap } from '../result';
import type { EventOf } from '../run';
import { familySamples, familyStarted, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { defaultHouseRules, twinFaults } from '../valve';
import {
  advanceLine,
  createLineTwin,
  lineGauges,
  lineReliefs,
  moveLine,
  turnLine,
  type LineTwin,
} from './line-twin';
import { twinOf } from './replay';
import { actOnTwin, advanceTwin, readTwin, turnTwin, twinOutputs } from './twin';

const names = Object.keys(familySamples) as SampleName[];
const twinFor = (name: SampleName, faults: (typeof twinFaults)[number][] = [], seed = 3) => {
  const draft = familyStarted(name);
  return twinOf(
    stamp({ ...draft, twin: { ...draft.twin!, seed, faults } }, 1) as EventOf<'started'>,
  )!;
};
const settled = (twin: ReturnType<typeof twinFor>, seconds = 120) => advanceTwin(twin, seconds);

describe('twins of every family', () => {
  test('whatever is done to them, they stay finite and bounded', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...names),
        fc.array(
          fc.tuple(
            fc.nat(20),
            fc.constantFrom(0, 0.4, 1, -2, Number.NaN, 'off', 'over', 'a', 'close'),
            fc.constantFrom(-20, -0.5, 0, 1, 20),
          ),
          { maxLength: 5 },
        ),
        fc.subarray([...twinFaults]),
        (name, moves, faults) => {
          let twin = twinFor(name, faults, 7);
          const keys = Object.keys(procedureOf(familySamples[name].plate.family).initial);
          for (const [pick, value, turns] of moves) {
            const adjuster = Object.keys(twin.screws)[pick % Object.keys(twin.screws).length]!;
            twin = advanceTwin(
              turnTwin(actOnTwin(twin, { [keys[pick % keys.length]!]: value }), adjuster, turns),
              8,
            );
            for (const each of [...twin.state, ...Object.values(twinOutputs(twin))])
              expect(Number.isFinite(Number(each))).toBe(true);
          }
          if (twin.plant.kind === 'line')
            expect(Math.abs(twinOutputs(twin).inlet)).toBeLessThanOrEqual(
              1500.1 * twin.plant.params.highest,
            );
        },
      ),
      { seed: 52, numRuns: 40 },
    );
  });

  test('an unsustained overdemand drags the pump under its cavitation limit', () => {
    const open = actOnTwin(twinFor('sustaining'), { adjuster_main: 'free', demand: 1 });
    expect(twinOutputs(settled(open)).inlet).toBeLessThan(650_000);
    const held = actOnTwin(twinFor('sustaining'), { demand: 1 });
    expect(twinOutputs(settled(held)).inlet).toBeGreaterThan(760_000);
  });

  test('the lowest hydraulic setting that is open to the pump rules the gauge', () => {
    const gauge = (does: object) =>
      readTwin(settled(actOnTwin(twinFor('hydraulic'), does as never)), 'inlet')!;
    expect(Math.abs(gauge({}) - 19.7e6)).toBeLessThan(3e5);
    expect(Math.abs(gauge({ adjuster_compensator: 'full' }) - 25.2e6)).toBeLessThan(5e5);
    expect(
      Math.abs(gauge({ adjuster_compensator: 'full', directional: 'a' }) - 21.2e6),
    ).toBeLessThan(5e5);
    expect(Math.abs(gauge({ override: 'on' }) - 25.2e6)).toBeLessThan(5e5);
  });

  test('a relief opens at its setting and shuts under it', () => {
    let twin = actOnTwin(twinFor('relief_pilot'), { line: 'low' });
    twin = { ...settled(twin), screws: twin.screws };
    expect(twinOutputs(twin).opening).toBeLessThan(0.001);
    const low = twinFor('relief_pilot');
    const lowered = turnTwin(low, 'main', -1.4);
    const open = settled(actOnTwin(lowered, { line: 'over' }));
    expect(twinOutputs(open).opening).toBeGreaterThan(0.05);
    expect(twinOutputs(settled(actOnTwin(open, { line: 'low' }))).opening).toBeLessThan(0.004);
  });

  test('a vacuum reads below nothing', () => {
    expect(readTwin(settled(actOnTwin(twinFor('vacuum'), { throttle: 0 })), 'inlet')!).toBeLessThan(
      -15_000,
    );
  });

  test('a restricted gas pilot takes its time', () => {
    const turned = turnTwin(settled(actOnTwin(twinFor('gas'), { demand: 0.25 })), 'main', 0.8);
    const early = twinOutputs(advanceTwin(turned, 2)).outlet;
    const late = twinOutputs(advanceTwin(turned, 60)).outlet;
    expect(late - early).toBeGreaterThan(100);
  });
});

describe('several valves on one line', () => {
  const system = systemFrom('pump_station', defaultHouseRules, {
    id: 'x',
    name: 'x',
    site_id: 's',
  });
  const start = () => createLineTwin(system, unwrap(solveLadder(system)))!;
  const gauge = (twin: LineTwin, node: string) =>
    lineGauges(twin).find((each) => each.node === node)!.pa;
  const later = (twin: LineTwin) => advanceLine(twin, 120);
  test('each zone holds its own', () => {
    expect(Math.abs(gauge(start(), 'zone_1') - 560_000)).toBeLessThan(12_000);
    expect(Math.abs(gauge(start(), 'zone_2') - 400_000)).toBeLessThan(12_000);
  });
  test('a zone set too low starves the one behind it', () => {
    const twin = later(turnLine(start(), 'zone_1', -2.2));
    expect(gauge(twin, 'zone_1')).toBeLessThan(340_000);
    expect(gauge(twin, 'zone_2')).toBeLessThanOrEqual(gauge(twin, 'zone_1') + 1000);
  });
  test('a relief set under the line throws, and every gauge upstream comes down', () => {
    const before = start();
    const after = later(turnLine(before, 'relief', -1.5));
    expect(lineReliefs(before)['relief']).toBeLessThan(0.01);
    expect(lineReliefs(after)['relief']).toBeGreaterThan(0.05);
    expect(gauge(after, 'source')).toBeLessThan(gauge(before, 'source') - 60_000);
  });
  test('a stopped pump empties the line, and nonsense changes nothing', () => {
    const off = advanceLine(moveLine(start(), { pump: 'off', outlets_zone_2: 1 }), 900);
    expect(gauge(off, 'source')).toBeLessThan(60_000);
    expect(turnLine(start(), 'ghost', 1)).toEqual(start());
    expect(turnLine(start(), 'relief', Number.NaN)).toEqual(start());
  });
  test('a system of loads alone is no line', () => {
    const free = systemFrom('free', defaultHouseRules, { id: 'f', name: 'f', site_id: 's' });
    expect(createLineTwin(free, unwrap(solveLadder(free)))).toBeUndefined();
  });
});
