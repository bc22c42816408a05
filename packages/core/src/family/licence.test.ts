import { lackedLicence } from './licence';
import { defaultPeopleRules, type Licence, type LicenceKind } from '../people';

const person = (valid_until?: string, kind: LicenceKind = 'gas'): { licences: Licence[] } => ({
  licences: valid_until === undefined ? [] : [{ kind, number: '7', valid_until }],
});
const ask = (over: Partial<Parameters<typeof lackedLicence>[0]> = {}) =>
  lackedLicence({
    person: person(),
    family: 'gas',
    rules: defaultPeopleRules,
    day: '2026-11-27',
    ...over,
  });

describe('a licence that a family calls for', () => {
  test.each([
    ['gas', 'gas'],
    ['burner_pilot', 'burner'],
    ['suction', 'refrigerant'],
    // Not asked for unless the owner says so.
    ['relief_spring', undefined],
    ['electronic_pilot', undefined],
    // Calls for none.
    ['reducing', undefined],
  ] as const)('%s: %s', (family, kind) => {
    expect(ask({ family })).toBe(kind);
  });

  test('is asked as the owner says', () => {
    const rules = { licences_asked: ['pressure_safety' as const] };
    expect(ask({ rules })).toBeUndefined();
    expect(ask({ rules, family: 'relief_pilot' })).toBe('pressure_safety');
  });

  test('holds to its last day, and is of its own kind', () => {
    expect(ask({ person: person('2026-11-27') })).toBeUndefined();
    expect(ask({ person: person('2026-11-26') })).toBe('gas');
    expect(ask({ person: person('2099-01-01', 'burner') })).toBe('gas');
  });
});
