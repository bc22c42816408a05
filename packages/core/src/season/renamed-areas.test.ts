import type { Site } from '../exchange';
import { onlyNameOf, renamedAreas, withRenamedAreas } from './renamed-areas';
import type { Season } from './season';

const site: Site = { id: 's', name: 'Larkhollow' } as Site;
const place = (id: string, name: string, under = 's') => ({ id, name, under }) as Site;
const hall = place('h', 'Hall');
const gully = place('g', 'Gully');
const at = (place_id: string | undefined, said = '') => ({
  place: said,
  ...(place_id === undefined ? {} : { place_id }),
});
const valves = [at('h'), at('h', 'pit'), at('g'), at(undefined, 'Barn, loft')];
const names = (before: readonly Site[], after: readonly Site[], of = valves) =>
  Object.fromEntries(renamedAreas(before, after, of));
const tree = [site, hall, gully];

describe('areas that are called otherwise', () => {
  test('are those whose place has another name; a place of nobody, and none at all, are not', () => {
    expect(names(tree, tree)).toEqual({});
    expect(names(tree, [site, place('h', 'Pump hall'), gully])).toEqual({ Hall: ['Pump hall'] });
    expect(names(tree, [...tree, place('x', 'Other')])).toEqual({});
    // The place of a valve has come after the valve: where the day begins is still called nothing.
    expect(names([site], [site, hall], [at('h')])).toEqual({});
  });

  test('are all of them once there is a second site', () => {
    const second = { id: 't', name: 'Tarn' } as Site;
    expect(names(tree, [...tree, second])).toEqual({
      Hall: ['Larkhollow: Hall'],
      Gully: ['Larkhollow: Gully'],
    });
  });

  test('an area whose valves have gone apart is called all of it', () => {
    const said = [...valves, at(undefined, 'Gully, chamber 2')];
    const gone = renamedAreas(tree, [site, hall, place('g', 'Ravine')], said);
    expect(Object.fromEntries(gone)).toEqual({ Gully: ['Gully', 'Ravine'] });
    expect(onlyNameOf(gone, 'Gully')).toBeUndefined();
    expect(onlyNameOf(gone, 'Hall')).toBeUndefined();
    const whole = renamedAreas(tree, [site, hall, place('g', 'Ravine')], valves);
    expect(onlyNameOf(whole, 'Gully')).toBe('Ravine');
  });
});

describe('a season', () => {
  const season = (...table: Season['travel']['table']) =>
    ({ travel: { usual: 15, table } }) as unknown as Season;
  const way = (from: string, to: string, minutes: number) => ({ from, to, minutes });
  const renamed = (
    all: Readonly<Record<string, readonly string[]>>,
    ...table: Season['travel']['table']
  ) => withRenamedAreas(season(...table), new Map(Object.entries(all))).travel.table;

  test('goes by the new name at either end, and from where the day begins', () => {
    expect(
      renamed(
        { Hall: ['Pump hall'] },
        way('Hall', 'Gully', 9),
        way('', 'Hall', 5),
        way('A', 'B', 1),
      ),
    ).toEqual([way('Pump hall', 'Gully', 9), way('', 'Pump hall', 5), way('A', 'B', 1)]);
  });

  test('of two ways that are one now, keeps the one whose areas are called as before, and no way into itself', () => {
    expect(
      renamed(
        { Old: ['Hall'] },
        way('Old', 'Gully', 9),
        way('Gully', 'Hall', 4),
        way('Old', 'Hall', 7),
      ),
    ).toEqual([way('Gully', 'Hall', 4)]);
    expect(renamed({ A: ['C'], B: ['C'] }, way('A', 'D', 3), way('D', 'B', 8))).toEqual([
      way('C', 'D', 3),
    ]);
  });

  test('has each way by all the names of an area that has gone apart', () => {
    expect(renamed({ Gully: ['Gully', 'Ravine'] }, way('Gully', 'Hall', 9))).toEqual([
      way('Gully', 'Hall', 9),
      way('Ravine', 'Hall', 9),
    ]);
  });
});
