import type { Plate } from '../family';
import { unwrap } from '../result';
import { freezeSheet, hashOf, type Sheet } from '../sheet';
import { familySamples, rehearsedFamily } from '../testing/family-samples';
import { gauges, plate, rehearsed, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { startDraft, taughtBy, valveAfter } from './start-run';
import type { Valve } from './valve-record';

const valve: Valve = { id: 'prv-1', tag: 'PRV-1', name: 'Test', place: 'Bench', plate, target };
/** The sheet of a rehearsed run, as if it had been a record: practice teaches nothing. */
const sheetOf = (run: Parameters<typeof freezeSheet>[0]): Sheet => {
  const body = { ...unwrap(freezeSheet(run, null)), rehearsal: false };
  return { id: 'x', hash: hashOf(body), body };
};
const sheet = sheetOf(rehearsed({ seed: 3 }).run);
const reversed = sheetOf(rehearsed({ seed: 5, faults: ['reversed_screw'] }).run);

describe('what earlier sheets have taught', () => {
  test('is the rate of each adjuster, oldest first', () => {
    const taught = taughtBy([sheet, reversed], valve, 'main');
    expect(taught).toHaveLength(2);
    expect(taught[0]!.clockwise).toBe('raises');
    expect(taught[1]!.clockwise).toBe('lowers');
    expect(taughtBy([sheet], valve, 'reducing')).toEqual([]);
  });

  test('of another spring tells nothing of this one', () => {
    const changed = { ...valve, plate: { ...plate, fitted_spring: 'red' } };
    expect(taughtBy([sheet], changed, 'main')).toEqual([]);
  });
});

describe('a run’s first entry', () => {
  test('freezes what it depends on, and takes its first guess from the last sheets', () => {
    const draft = startDraft(valve, { school: 'from_zero', gauges, rules, sheets: [sheet] });
    expect(draft).toMatchObject({ valve_tag: 'PRV-1', school: 'from_zero', house_rules: rules });
    expect(draft.priors['main']).toMatchObject({ from: 'sheets' });
    expect(draft.twin).toBeUndefined();
    const fresh = startDraft(valve, { school: 'from_zero', gauges, rules, sheets: [] });
    expect(fresh.priors['main']).toMatchObject({ from: 'spring', rate: 180_000 });
  });

  test('has a guess for every adjuster of the plate', () => {
    const { plate: unit, gauges: own, found, ...targets } = familySamples.hydraulic;
    expect(found.found_pa).toBeGreaterThan(0);
    const hydraulic: Valve = { ...valve, ...targets, plate: unit as Plate };
    const draft = startDraft(hydraulic, {
      school: 'highest_first',
      gauges: own,
      rules,
      sheets: [],
    });
    expect(Object.keys(draft.priors)).toEqual(['main', 'cross_a', 'cross_b', 'compensator']);
    expect(draft.other_targets).toEqual(targets.other_targets);
  });
});

describe('the register after a sheet', () => {
  test('knows the way the screw has shown itself', () => {
    expect(valveAfter(valve, reversed).plate.clockwise).toBe('lowers');
    expect(valveAfter(valve, sheet).plate.clockwise).toBe('raises');
  });

  test('says what its plate was found to say, and nothing else that has been changed since', () => {
    const correction = (path: string, is: number) => ({
      facts: [{ path, was: null, is }],
      why: 'Read off',
      by: 'Ines',
      at_ms: 1,
    });
    const { body } = sheet;
    const found: Sheet = {
      ...sheet,
      body: {
        ...body,
        plate_corrected: [
          correction('outlet_rating_pa', 900_000),
          correction('outlet_rating_pa', 950_000),
        ],
      },
    };
    const since = { ...valve, plate: { ...valve.plate, size_dn: 65 } };
    expect(valveAfter(since, found).plate).toEqual({
      ...since.plate,
      outlet_rating_pa: 950_000,
      clockwise: 'raises',
    });
    const odd = { ...found, body: { ...found.body, plate_corrected: [correction('no_such', 1)] } };
    expect(valveAfter(since, odd).plate.size_dn).toBe(65);
    expect(valveAfter(since, odd).plate).not.toHaveProperty('no_such');
  });

  test('keeps everything else, and learns nothing from a valve out of service', () => {
    const { run } = rehearsedFamily(
      'gas',
      {},
      { judge: ({ id }) => (id === 'seal' ? 'fails' : 'sound') },
    );
    const gas: Valve = {
      ...valve,
      plate: familySamples.gas.plate as Plate,
      target: familySamples.gas.target,
    };
    expect(valveAfter(gas, sheetOf(run))).toEqual(gas);
  });
});
