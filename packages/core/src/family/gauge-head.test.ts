import { printersIn } from '../report';
import { givenBlocks } from '../report/given-blocks';
import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { rehearsedDraft } from '../testing/samples';
import { stepsOfKind } from '../step';
import { adjustersOf, procedures, procedureOf, definitionOf, families } from './list';
import type { LineFluid } from './line-fluid';
import { headAt, lineDensityOf, shownBy } from './gauge-head';

describe('the column between a gauge and its tapping', () => {
  test.each<[SampleName, number]>([
    ['sustaining', 998.2],
    ['relief_pilot', 998.2],
    ['hydraulic', 870],
    ['gas', 0],
    ['relief_spring', 0],
    ['suction', 0],
  ])('%s: %d kg/m³', (name, density) => {
    const { plate } = familyStarted(name);
    expect(lineDensityOf(plate)).toBe(density);
    expect(headAt(plate, { height_above_tapping_m: -2 })).toBeCloseTo(density * 9.80665 * -2, 6);
    expect(headAt(plate, undefined)).toBe(0);
  });

  test.each<[LineFluid | undefined, number, 'gas' | undefined]>([
    ['water', 998.2, undefined],
    ['steam', 998.2, undefined],
    ['oil', 870, undefined],
    ['air', 0, 'gas'],
    ['gas', 0, 'gas'],
    [undefined, 0, undefined],
  ])('a regulator in a line of %s: %d kg/m³, lockup as on %s', (fluid, density, lockup) => {
    const { plate } = familyStarted('self_operated');
    if (plate.family !== 'self_operated') throw new Error('sample');
    const own = { ...plate, arrangement: { ...plate.arrangement, fluid } };
    expect(lineDensityOf(own)).toBe(density);
    expect(adjustersOf(own)[0]!.fluid).toBe(lockup);
  });

  test('a valve set by a gauge that hangs high is set at its tapping, and the sheet says so', () => {
    const started = familyStarted('sustaining');
    const height = 8;
    const gauges = Object.fromEntries(
      Object.entries(started.gauges).map(([side, gauge]) => [
        side,
        { ...gauge!, height_above_tapping_m: height },
      ]),
    );
    const { run, events } = rehearsedDraft({ ...started, gauges });
    const head = 998.2 * 9.80665 * height;
    const body = unwrap(freezeSheet(run, null));
    const [setting] = body.settings;
    expect(setting!.verdict).toMatch(/^pass/);
    for (const event of events) {
      if (event.type !== 'reading') continue;
      const shown = Number(event.reading.entered.text) * 1000;
      expect(event.reading.si - shown).toBeCloseTo(head, 3);
    }
    const words = JSON.stringify(givenBlocks(body, printersIn('kPa')));
    expect(words).toMatch(/8 m above its tapping: 78(\.\d+)?.kPa added to each reading/u);
    const level = unwrap(freezeSheet(rehearsedFamily('sustaining').run, null));
    expect(JSON.stringify(givenBlocks(level, printersIn('kPa')))).not.toContain('its tapping:');
  });
});

test('a gauge that its certificate corrects: every reading is the true pressure, the sheet says by what', () => {
  const started = familyStarted('sustaining');
  const corrections = [
    { shown_pa: 0, add_pa: 0 },
    { shown_pa: 1_000_000, add_pa: 30_000 },
  ];
  const gauges = Object.fromEntries(
    Object.entries(started.gauges).map(([side, gauge]) => [side, { ...gauge!, corrections }]),
  );
  const { run, events } = rehearsedDraft({ ...started, gauges });
  const body = unwrap(freezeSheet(run, null));
  expect(body.settings[0]!.verdict).toMatch(/^pass/u);
  const readings = events.flatMap((event) => (event.type === 'reading' ? [event.reading] : []));
  expect(readings.length).toBeGreaterThan(5);
  for (const { si, entered } of readings) {
    const shown = Number(entered.text) * 1000;
    expect(si - shown).toBeCloseTo(0.03 * Math.min(shown, 1e6), 3);
    expect(shownBy(started.plate, gauges['inlet'], si)).toBeCloseTo(shown, 3);
  }
  expect(JSON.stringify(givenBlocks(body, printersIn('kPa')))).toMatch(/1.000: \+30/u);
});

test('whoever sets by readings is asked whether the valve rules them', () => {
  for (const family of Object.keys(families)) {
    const sets = procedureOf(family).steps.some(({ kind }) => kind === 'set');
    expect([family, definitionOf(family).facts.control !== undefined]).toEqual([family, sets]);
  }
  expect(procedures.length).toBeGreaterThan(20);
  expect(stepsOfKind(rehearsedFamily('gas').run, 'set')).toHaveLength(1);
});
