import { kelvin } from '../quantity';
import { unwrap } from '../result';
import { familySamples } from '../testing/family-samples';
import { ratingOf, standardAirPressure, type Targets } from '../valve';
import { checkPlate } from './check-plate';
import { adjustersOf, judgeOf, type Plate } from './list';

type Sample = Targets & { readonly plate: Plate };
const codes = (sample: Sample, plate: object = {}, targets: object = {}) =>
  checkPlate({ ...sample.plate, ...plate } as Plate, { ...sample, ...targets }).map(
    ({ code }) => code,
  );
const hydraulic = familySamples.hydraulic as Sample;
const at = (sample: Sample, set: number, over = {}) => ({
  ...sample.target,
  set_point_pa: set,
  ...over,
});

describe('standard air', () => {
  test('is the plate’s own at the sea and 20 °C', () => {
    expect(unwrap(standardAirPressure(30_000, 0, kelvin(293.15)))).toBeCloseTo(30_000, 6);
  });
  test('thin air gives less, cold air more', () => {
    const high = unwrap(standardAirPressure(30_000, 1240, kelvin(293.15)));
    expect(high).toBeCloseTo(25_842, -1);
    expect(unwrap(standardAirPressure(30_000, 1240, kelvin(263.15)))).toBeGreaterThan(high);
    expect(unwrap(standardAirPressure(-30_000, 1240, kelvin(293.15)))).toBeCloseTo(-high, 6);
  });
  test('below the lowest place there is, it is refused', () => {
    expect(standardAirPressure(30_000, -600, kelvin(293.15))).toMatchObject({
      ok: false,
      error: { code: 'quantity.altitude_out_of_range' },
    });
  });
});

describe('adjusters of a plate', () => {
  test('are those that it has, the leading one first', () => {
    expect(adjustersOf(familySamples.sustaining.plate as Plate).map(({ id }) => id)).toEqual([
      'main',
    ]);
    expect(adjustersOf(familySamples.combined.plate as Plate).map(({ id }) => id)).toEqual([
      'main',
      'reducing',
    ]);
  });
  test('a back-pressure service is judged at its inlet', () => {
    expect(judgeOf(familySamples.self_operated.plate as Plate)).toBe('outlet');
    expect(judgeOf(familySamples.back_pressure.plate as Plate)).toBe('inlet');
    expect(ratingOf(familySamples.gas.plate as Plate, 'outlet')).toBe(10_000);
  });
});

describe('what a family’s plate can have wrong', () => {
  test.each(Object.entries(familySamples))('%s as it stands can be set', (_, sample) => {
    expect(
      checkPlate(sample.plate as Plate, sample as Sample).filter(({ stops }) => stops),
    ).toEqual([]);
  });
  const { sustaining, combined, relief_pilot, relief_spring, vacuum } =
    familySamples as unknown as Record<string, Sample>;
  test.each<[string, Sample, object, object]>([
    ['valve.sustains_over_pump', sustaining!, { pump_running_pa: 850_000 }, {}],
    ['valve.sustains_under_cavitation', sustaining!, { cavitation_pa: 830_000 }, {}],
    ['valve.reduces_over_sustaining', combined!, {}, { target: at(combined!, 530_000) }],
    ['valve.target_missing', combined!, {}, { other_targets: undefined }],
    ['valve.relief_under_working', relief_pilot!, { working_pa: 1_200_000 }, {}],
    [
      'valve.over_machine',
      relief_spring!,
      {},
      { target: at(relief_spring!, 29_500, { limit_pa: 31_000 }) },
    ],
    ['valve.maker_figure_wanted', relief_spring!, {}, {}],
    ['valve.wrong_sign_for_service', vacuum!, { service: 'pressure' }, {}],
    ['valve.target_over_limit', vacuum!, {}, { target: at(vacuum!, -29_500) }],
    [
      'valve.cross_port_over_main',
      hydraulic,
      {},
      { other_targets: { ...hydraulic.other_targets, cross_a: at(hydraulic, 235e5) } },
    ],
    [
      'valve.compensator_over_main',
      hydraulic,
      {},
      { other_targets: { ...hydraulic.other_targets, compensator: at(hydraulic, 231e5) } },
    ],
    ['valve.compensator_under_load', hydraulic, { heaviest_load_pa: 190e5 }, {}],
  ])('%s', (code, sample, plate, targets) => {
    expect(codes(sample, plate, targets)).toContain(code);
  });
  test('the maker’s own figure outranks the estimate', () => {
    const wide = { target: at(relief_spring!, 29_500, { limit_pa: 31_000 }) };
    expect(codes(relief_spring!, { maker_max_pa: 31_000 }, wide)).not.toContain(
      'valve.over_machine',
    );
  });
});
