import { loopBudget, pairResistance, type LoopNeeds } from './loop-budget';

const needs: LoopNeeds = {
  supply: 24,
  sensor: 12,
  headroom: 3,
  load: 250,
  current: 0.02,
  cable: { length: 300, area: 0.5e-6, at: 293.15 },
  copper: 2e-8,
};

describe('loop budget', () => {
  test.each([
    [100, 1, 20, 4],
    [300, 0.5, 20, 24],
    [300, 0.5, 60, 27.773],
    [50, 2.5, -10, 0.7057],
  ])('%d m of %d mm² at %d °C: %d ohm there and back', (length, mm2, celsius, ohm) => {
    expect(pairResistance({ length, area: mm2 * 1e-6, at: celsius + 273.15 }, 2e-8)).toBeCloseTo(
      ohm,
      2,
    );
  });

  test('what is left: 24 − 12 − 3 − 250 Ω · 20 mA − the drop', () => {
    const budget = loopBudget(needs);
    expect(budget.ok && budget.value.left).toBeCloseTo(4 - 0.02 * 24, 6);
  });

  test('a conductor too thin says how long it could be, and which would do', () => {
    const motor = { ...needs, sensor: 20, headroom: 0, load: 0, current: 0.6 };
    const budget = loopBudget(motor);
    if (!budget.ok) throw new Error(budget.error.code);
    expect(budget.value.left).toBeLessThan(0);
    expect(budget.value.longest).toBeCloseTo(
      4 / (0.6 * pairResistance({ ...needs.cable, length: 1 }, 2e-8)),
      6,
    );
    const again = loopBudget({ ...motor, cable: { ...motor.cable, length: budget.value.longest } });
    expect(again.ok && again.value.left).toBeCloseTo(0, 9);
    expect(budget.value.wouldDo).toEqual(['2.5 mm² · AWG 13', '4 mm² · AWG 11']);
  });

  test('nonsense is named', () => {
    expect(loopBudget({ ...needs, cable: { ...needs.cable, area: 0 } })).toEqual({
      ok: false,
      error: { code: 'valve.loop_nonsense', field: 'area' },
    });
  });
});
