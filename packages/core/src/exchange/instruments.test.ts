import type { Plate } from '../family';
import { unwrap } from '../result';
import { freezeSheet, sheetBodySchema } from '../sheet';
import { familySamples, familyStarted, rehearsedFamily } from '../testing/family-samples';
import type { Target } from '../valve';
import { startDraft, valveAfter } from './start-run';
import { valveSchema, type Valve } from './valve-record';

const names = [
  'suction',
  'pressure_switch',
  'burner_pilot',
  'positioner',
  'indicator',
  'controller',
] as const;
const valveOf = (name: (typeof names)[number]): Valve => {
  const {
    plate,
    target,
    other_targets: others,
  } = familySamples[name] as {
    plate: Plate;
    target: Target;
    other_targets?: Valve['other_targets'];
  };
  return valveSchema.parse({
    id: name,
    tag: name.toUpperCase(),
    name: 'Test',
    place: 'Bench',
    plate,
    target,
    ...(others ? { other_targets: others } : {}),
  });
};

describe('what is set by a signal, a band or a flame, in and out', () => {
  test('a run begins from the register with all that it depends on', () => {
    for (const name of names) {
      const draft = startDraft(valveOf(name), {
        school: familyStarted(name).school,
        gauges: familyStarted(name).gauges,
        rules: familyStarted(name).house_rules,
        sheets: [],
      });
      expect(draft.plate).toEqual(valveOf(name).plate);
      expect(Object.keys(draft.priors).length).toBeGreaterThan(0);
    }
  });

  test('a sheet of points goes through its schema, and leaves the register as it is', () => {
    const { run } = rehearsedFamily('indicator');
    const body = unwrap(freezeSheet(run, null));
    expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body)))).toEqual(body);
    const valve = valveOf('indicator');
    expect(valveAfter(valve, { id: 's', hash: '0'.repeat(64), body })).toEqual(valve);
  });
});
