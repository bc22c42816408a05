import { kPa } from '../quantity';
import { familySamples } from '../testing/family-samples';
import {
  defaultHouseRules,
  defaultInstrumentRules,
  instrumentRules,
  isInstrument,
  lateSparkSeconds,
  type Target,
} from '../valve';
import { checkPlate } from './check-plate';
import { adjustersOf, plateSchema, type Plate } from './list';

const sample = (name: keyof typeof familySamples) => {
  const {
    plate,
    target,
    other_targets: others,
  } = familySamples[name] as {
    plate: Plate;
    target: Target;
    other_targets?: Record<string, Target>;
  };
  return { plate, targets: { target, ...(others ? { other_targets: others } : {}) } };
};
const codes = (plate: Plate, targets: Parameters<typeof checkPlate>[1]) =>
  checkPlate(plate, targets).map(({ code }) => code);
const changed = (name: keyof typeof familySamples, over: object): Plate =>
  ({ ...sample(name).plate, ...over }) as Plate;

describe('plates of what is set by a signal, a band or a flame', () => {
  test.each([
    'positioner',
    'indicator',
    'controller',
    'suction',
    'pressure_switch',
    'burner_pilot',
  ] as const)('a sound %s has nothing wrong', (name) => {
    const { plate, targets } = sample(name);
    expect(codes(plate, targets)).toEqual([]);
    expect(plateSchema.parse(plate)).toEqual(plate);
  });

  test.each<[string, keyof typeof familySamples, object]>([
    ['valve.span_of_zero', 'positioner', { input: { kind: 'current', low: 0.004, high: 0.004 } }],
    ['valve.span_of_zero', 'indicator', { output: { kind: 'pressure', low: 5, high: 5 } }],
    ['valve.screw_missing', 'positioner', { others: {} }],
    ['valve.supply_over_rating', 'positioner', { inlet_rating_pa: kPa(100) }],
    [
      'valve.split_does_not_meet',
      'positioner',
      { split_with: { kind: 'current', low: 0.0205, high: 0.03 } },
    ],
    ['valve.switch_is_no_limit', 'pressure_switch', { serves_as: 'limit' }],
    ['valve.scale_not_as_printed', 'pressure_switch', { printed: 'CUT-OUT' }],
    [
      'valve.maker_range_upside_down',
      'burner_pilot',
      { maker_low_pa: kPa(2), maker_high_pa: kPa(1) },
    ],
    [
      'valve.outside_maker_range',
      'burner_pilot',
      { maker_low_pa: kPa(1.5), maker_high_pa: kPa(2) },
    ],
  ])('%s is found on a %s', (code, name, over) => {
    expect(codes(changed(name, over), sample(name).targets)).toContain(code);
  });

  test('a limit with a manual reset may be recorded as one', () => {
    const plate = changed('pressure_switch', { serves_as: 'limit', manual_reset: true });
    expect(codes(plate, sample('pressure_switch').targets)).not.toContain(
      'valve.switch_is_no_limit',
    );
  });

  test('a differential under the least is warned of, not refused', () => {
    const { plate, targets } = sample('pressure_switch');
    const differential = {
      ...targets.other_targets!['differential']!,
      set_point_pa: kPa(11),
      tolerance_pa: kPa(2),
    };
    const at = (set_point_pa: number) =>
      checkPlate(plate, {
        ...targets,
        other_targets: { differential: { ...differential, set_point_pa } },
      });
    expect(at(kPa(11)).map(({ code }) => code)).not.toContain('valve.differential_small');
    expect(at(kPa(9)).find(({ code }) => code === 'valve.differential_small')).toMatchObject({
      stops: false,
    });
  });

  test('split halves that overlap are told from halves with a gap', () => {
    const at = (low: number) => {
      const plate = changed('positioner', {
        input: { kind: 'current', low: 0.004, high: 0.012 },
        split_with: { kind: 'current', low, high: 0.02 },
      });
      return checkPlate(plate, sample('positioner').targets)[0];
    };
    expect(at(0.012)).toBeUndefined();
    expect(at(0.014)).toMatchObject({ fault: 'gap' });
    expect(at(0.01)).toMatchObject({ fault: 'overlap' });
  });

  test('an instrument has screws without springs', () => {
    for (const name of ['positioner', 'indicator', 'controller'] as const) {
      const { plate } = sample(name);
      expect(isInstrument(plate)).toBe(true);
      expect(plate.springs).toEqual([]);
      expect(adjustersOf(plate).map(({ id }) => id)).toEqual([
        'main',
        ...Object.keys(plate.others!),
      ]);
    }
    expect(isInstrument(sample('suction').plate)).toBe(false);
  });

  test('rules frozen before there were any are the ordinary ones', () => {
    expect(instrumentRules(defaultHouseRules)).toEqual(defaultInstrumentRules);
    const own = { ...defaultInstrumentRules, late_spark_share: 0.25 };
    expect(lateSparkSeconds({ trial_s: 12 }, { ...defaultHouseRules, instruments: own })).toBe(3);
  });
});
