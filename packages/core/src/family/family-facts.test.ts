import { families, procedureOf, type Family } from './list';

const names = Object.keys(families) as Family[];

describe.each(names)('the facts of %s', (name) => {
  const { adjusters, gauges, judge } = families[name];

  test('every adjuster is judged by a gauge that the family has', () => {
    expect(judge in gauges).toBe(true);
    for (const { role } of adjusters) expect(role in gauges).toBe(true);
  });

  test('its adjusters have names of their own, the main one first', () => {
    expect(adjusters[0]!.id).toBe('main');
    expect(new Set(adjusters.map(({ id }) => id)).size).toBe(adjusters.length);
    expect(new Set(adjusters.map((adjuster) => adjuster.name)).size).toBe(adjusters.length);
  });

  test('it is set by its own procedure, in at least one school', () => {
    const { schools, version } = procedureOf(name);
    expect(schools.length).toBeGreaterThan(0);
    expect(new Set(schools.map(({ id }) => id)).size).toBe(schools.length);
    expect(version).toBeTruthy();
  });
});

test('no two families share a name', () => {
  const said = names.map((family) => families[family].name);
  expect(new Set(said).size).toBe(said.length);
});
