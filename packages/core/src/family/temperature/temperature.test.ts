import { unwrap } from '../../result';
import { fillSlots } from '../fill-slots';
import { checkPlate } from '../check-plate';
import { measureOf } from '../list';
import { factsOf, ratingWords, shapeOf } from '../valve-facts';
import { checkEvent, reduceRun } from '../../run';
import { readValvesCsv, unitFor, writeValvesCsv, draftOf, readDraft } from '../../register';
import { STANDARD_ATMOSPHERE } from '../../quantity';
import { defaultHouseRules, type Target, type TwinFault } from '../../valve';
import type { Valve } from '../../exchange';
import { familySamples, familyStarted, rehearsedFamily } from '../../testing/family-samples';
import { plate as reducing, stamp, target as pressure } from '../../testing/samples';
import { advanceTwin, actOnTwin, createTwin, linesOf, readTwin } from '../../twin';

const { plate, target, gauges, found } = familySamples.temperature;
const named = { name: 'Test', place: '' };
const held: Valve = { ...named, id: 't-1', tag: 'TR-1', plate, target };
const valve: Valve = { ...named, id: 'p-1', tag: 'P-1', plate: reducing, target: pressure };
const writing = { unit: 'kPa', barometer: STANDARD_ATMOSPHERE };

describe('a regulator of temperature', () => {
  test('is set, proved and signed on its twin, in degrees', () => {
    const { run, events } = rehearsedFamily('temperature');
    expect(run.status).toBe('signed');
    const read = events.filter((event) => event.type === 'reading');
    expect(new Set(read.map(({ reading }) => reading.entered.unit))).toEqual(new Set(['°C']));
    const last = read.at(-1)!.reading.si;
    expect(Math.abs(last - target.set_point_pa)).toBeLessThan(target.tolerance_pa);
  });

  test.each<[Partial<Target>, readonly string[]]>([
    [{}, []],
    [{ set_point_pa: 1.4, tolerance_pa: 1.5 }, ['valve.set_under_ice']],
    [{ set_point_pa: 73.5, tolerance_pa: 1.5, limit_pa: 80 }, ['valve.set_at_cut_out']],
    [{ set_point_pa: 73.4, tolerance_pa: 1.5, limit_pa: 80 }, ['valve.limit_over_cut_out']],
    [{ limit_pa: 75 }, []],
    [{ limit_pa: 75.5 }, ['valve.limit_over_cut_out']],
  ])('%j: %j', (over, codes) => {
    const wrong = checkPlate(plate, { target: { ...target, ...over } })
      .map(({ code }) => code)
      .filter((code) => /ice|cut_out/u.test(code));
    expect(wrong).toEqual(codes);
  });

  test('stands in degrees whatever house and phone are used to', () => {
    expect(measureOf(plate)).toBe('temperature');
    expect(measureOf({ family: 'reducing' })).toBe('pressure');
    expect(unitFor({ plate }, { units_by_family: { temperature: 'bar' } }, 'psi')).toBe('°C');
  });

  test('has its ratings in words of its own, on its sheet too', () => {
    const sides = ['inlet', 'outlet'] as const;
    expect(sides.map((side) => ratingWords(plate, side))).toEqual([
      'Heating side bears',
      'Heated side and bulb bear',
    ]);
    expect(ratingWords(reducing, 'outlet')).toBe('Outlet rating');
  });

  test('is asked no unit: it has none to choose', () => {
    const paths = (of: Parameters<typeof shapeOf>[0]) =>
      factsOf(shapeOf(of)).map(({ path }) => path);
    expect(paths(reducing)).toContain('unit');
    expect(paths(plate)).not.toContain('unit');
    expect(paths(plate)).toContain('visit_months');
  });

  test('says in its texts what heats it and what shuts it off', () => {
    const source = { plate, target, rules: defaultHouseRules, gauges: {} };
    const print = { pressure: (figure: number) => `${figure} °C`, flow: String };
    expect(fillSlots('{heated_by}, {cut_out}', source, print)).toBe('hot water, 75 °C');
  });

  test('goes into the register’s file beside pressures, and out of it again', () => {
    const csv = writeValvesCsv([valve, held], writing);
    expect(csv).toContain('target.set_point [°C]');
    const options = { register: [], writing, newId: () => 'new' };
    const read = unwrap(readValvesCsv(csv, options));
    expect(read.issues).toEqual([]);
    expect(read.valves.map((each) => each.valve.target)).toEqual([valve.target, target]);
    expect(read.valves[1]!.valve.plate).toEqual(plate);
    const other = csv.replaceAll('[°C]', '[bar]');
    expect(unwrap(readValvesCsv(other, options)).issues.length).toBeGreaterThan(0);
  });

  test('is written down in degrees, and a pressure is refused', () => {
    const draft = draftOf(held, writing);
    expect(draft.texts['target.set_point_pa']).toBe('58');
    const texts = { ...draft.texts, 'target.set_point_pa': '140 °F', 'target.tolerance_pa': '2 K' };
    const options = { id: 't-1', writing, others: [] };
    expect(readDraft({ ...draft, texts }, options).valve?.target).toMatchObject({
      set_point_pa: expect.closeTo(60, 6),
      tolerance_pa: 2,
    });
    const bar = { ...draft.texts, 'target.set_point_pa': '5 bar' };
    expect(readDraft({ ...draft, texts: bar }, options).issues).toMatchObject([
      { path: 'target.set_point_pa', error: { code: 'quantity.wrong_kind' } },
    ]);
  });

  test('a figure in another kind of unit is no evidence of it', () => {
    const run = unwrap(reduceRun([stamp(familyStarted('temperature'), 1)]));
    const reading = (si: number, text: string, unit: string) =>
      checkEvent(run, {
        type: 'reading',
        step_id: 'as_found',
        role: 'outlet',
        purpose: 'as_found',
        reading: { si, entered: { text, unit }, gauge_id: gauges.outlet.id, source: 'typed' },
        settled: true,
      });
    expect(reading(61.5, '61.5', '°C')).toBeUndefined();
    expect(reading(60, '140', '°F')).toBeUndefined();
    expect(reading(60, '60', 'Pa')).toMatchObject({ code: 'run.not_as_written' });
    expect(reading(60, '62', '°C')).toMatchObject({ code: 'run.not_as_written' });
  });
});

describe('its twin', () => {
  const twinWith = (faults: readonly TwinFault[]) =>
    createTwin({
      plate,
      targets: { target },
      sketch: { seed: 5, faults: [...faults], ...found },
      gauges,
      initial: { heating: 1, demand: 0.5 },
    });
  const after = (twin: ReturnType<typeof twinWith>, seconds: number) => {
    const later = advanceTwin(twin, seconds);
    return { later, shown: readTwin(later, 'outlet')! };
  };

  test('holds lower the more is drawn, and rises a little and stops with nothing drawn', () => {
    const little = after(actOnTwin(twinWith([]), { demand: 0.35 }), 200);
    const much = after(actOnTwin(little.later, { demand: 0.8 }), 200);
    expect(little.shown - much.shown).toBeGreaterThan(0.8);
    expect(little.shown - much.shown).toBeLessThan(6);
    const none = after(actOnTwin(little.later, { demand: 0 }), 120);
    const later = after(none.later, 300);
    expect(none.shown).toBeGreaterThan(little.shown);
    expect(later.shown).toBeLessThan(none.shown + 0.2);
  });

  test('a seat that lets heat by goes on rising', () => {
    const shut = after(actOnTwin(twinWith(['leaking_seat']), { demand: 0 }), 150);
    const later = after(shut.later, 400);
    expect(later.shown).toBeGreaterThan(shut.shown + 1);
  });

  test('without enough heat it stands wide open, under its set point', () => {
    const weak = createTwin({
      plate,
      targets: { target },
      sketch: { seed: 5, faults: ['weak_supply'], found_pa: 64 },
      gauges,
      initial: { heating: 1, demand: 0.8 },
    });
    expect(after(weak, 300).shown).toBeLessThan(58);
  });

  test('says over its line what it shows, in degrees', () => {
    const [line] = linesOf(twinWith([]));
    expect(line!.line).toMatch(/^\d\d\.\d{3} °C$/u);
  });

  test('never leaves its range, whatever is done to it', () => {
    let twin = twinWith(['leaking_seat']);
    for (const demand of [0, 1, 0, 0, 0.2]) {
      twin = after(actOnTwin(twin, { demand, heating: demand > 0.5 ? 0 : 1 }), 600).later;
      expect(readTwin(twin, 'outlet')!).toBeGreaterThanOrEqual(0);
      expect(readTwin(twin, 'outlet')!).toBeLessThanOrEqual(95 * 1.2);
    }
  });
});
