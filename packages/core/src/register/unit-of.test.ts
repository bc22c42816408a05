import { unitFor } from './unit-of';

const gas = { plate: { family: 'gas' } } as const;

describe('the unit that a valve is read in', () => {
  test('its own before that of its kind, and that before the phone’s', () => {
    const rules = { units_by_family: { gas: 'mbar' } } as const;
    expect(unitFor({ ...gas, unit: 'inH2O' }, rules, 'kPa')).toBe('inH2O');
    expect(unitFor(gas, rules, 'kPa')).toBe('mbar');
    expect(unitFor({ plate: { family: 'hydraulic' } }, rules, 'bar')).toBe('bar');
  });

  test('a house without units of its own leaves it to the phone', () => {
    expect(unitFor(gas, {}, 'psi')).toBe('psi');
  });
});
