import fc from 'fast-check';
import { siteSchema, type Site } from '../exchange';
import { areaOf } from '../season';
import { barometricPressure, metres } from '../quantity';
import {
  atPlace,
  checkPlace,
  DEEPEST_PLACE,
  firstSite,
  liesIn,
  pathTo,
  placedIn,
  placePath,
  placeTree,
  placeWords,
  readPlace,
  shortPlacePath,
} from './places';

const works: Site = {
  id: 'w',
  name: 'Works',
  altitude_m: 1200,
  time_zone: 'Europe/Zurich',
  currency: 'CHF',
  price_per_kwh: 0.2,
  contacts: [{ name: 'Ida Brand', role: 'control room', phone: '11' }],
  permit: 'Permit from the office.',
};
const hall: Site = {
  id: 'h',
  name: 'Pump hall',
  under: 'w',
  contacts: [{ name: 'Nils Aho', role: 'caretaker', phone: '12' }],
  permit: 'Ear muffs.',
};
const line: Site = { id: 'l', name: 'Line 2', under: 'h', altitude_m: 1400, price_per_kwh: 0 };
const port: Site = { id: 'p', name: 'Port', altitude_m: 3, currency: '€' };
const house = [line, hall, port, works];
const air = (altitude: number): number => {
  const barometer = barometricPressure(metres(altitude));
  return barometer.ok ? barometer.value : Number.NaN;
};

test('what a place does not say is as the place above it says, the nearest first', () => {
  const at = atPlace(house, 'l');
  expect(at.path.map(({ id }) => id)).toEqual(['w', 'h', 'l']);
  expect(at.altitude_m).toBe(1400);
  expect(at.barometer).toBe(air(1400));
  expect(at.time_zone).toBe('Europe/Zurich');
  expect(at.currency).toBe('CHF');
  // Nothing is a price too.
  expect(at.price_per_kwh).toBe(0);
  expect(at.contacts.map(({ name }) => name)).toEqual(['Nils Aho', 'Ida Brand']);
  expect(at.permits).toEqual(['Permit from the office.', 'Ear muffs.']);
  expect(atPlace(house, 'h').barometer).toBe(air(1200));
  expect(atPlace(house, 'p').barometer).toBe(air(3));
});

test('what names no place, or one that is not known, is at the first site that is in use', () => {
  expect(firstSite(house)).toBe(port);
  expect(atPlace(house, undefined).currency).toBe('€');
  expect(atPlace(house, 'gone').currency).toBe('€');
  const closed = { ...port, closed: { why: 'sold', on: '2026-01-01' } };
  expect(firstSite([closed, works])).toBe(works);
  expect(firstSite([closed])).toBe(closed);
  expect(atPlace([], undefined)).toMatchObject({ path: [], altitude_m: undefined, contacts: [] });
  expect(atPlace([], undefined).barometer).toBe(air(0));
});

test('a place is found by its path, its id, and its name where only one has it', () => {
  expect(placePath(house, 'l')).toBe('Works / Pump hall / Line 2');
  expect(placePath(house, undefined)).toBe('');
  expect(shortPlacePath(house, 'l')).toBe('Works / Pump hall / Line 2');
  expect(shortPlacePath([works, hall, line], 'l')).toBe('Pump hall / Line 2');
  expect(shortPlacePath([works, hall, line], 'w')).toBe('Works');
  expect(readPlace(house, ' works/pump hall /LINE 2 ')).toEqual({ ok: true, value: line });
  expect(readPlace(house, 'l')).toEqual({ ok: true, value: line });
  expect(readPlace(house, 'pump hall')).toEqual({ ok: true, value: hall });
  const other: Site = { id: 'h2', name: 'Pump hall', under: 'p' };
  const no = { ok: false, error: { code: 'register.no_place' } };
  expect(readPlace([...house, other], 'pump hall')).toEqual(no);
  expect(readPlace([...house, other], 'Port / Pump hall')).toEqual({ ok: true, value: other });
  expect(readPlace(house, 'Hall')).toEqual(no);
});

test('the tree has every place once, each behind the one that it lies under', () => {
  expect(placeTree(house).map(({ place, depth }) => [place.id, depth])).toEqual([
    ['p', 0],
    ['w', 0],
    ['h', 1],
    ['l', 2],
  ]);
  expect(liesIn(house, 'l', 'w')).toBe(true);
  expect(liesIn(house, 'w', 'l')).toBe(false);
  expect(liesIn(house, 'l', 'l')).toBe(true);
});

test('a ring, as two phones may make one, is walked once', () => {
  const ring = [
    { ...works, under: 'h' },
    { ...hall, under: 'w' },
  ];
  expect(pathTo(ring, 'h').map(({ id }) => id)).toEqual(['w', 'h']);
  expect(placeTree(ring)).toHaveLength(2);
  expect(atPlace(ring, 'h').altitude_m).toBe(1200);
});

describe('where a valve stands', () => {
  const tree: readonly Site[] = [
    { id: 'works', name: 'Works' },
    { id: 'hall', name: 'Pump hall, lower', under: 'works' },
    { id: 'line', name: 'Line 2', under: 'hall' },
  ];
  const two = [
    ...tree,
    { id: 'valley', name: 'Valley' },
    { id: 'v-hall', name: 'Hall', under: 'valley' },
  ];
  test.each<[readonly Site[], string, string | undefined, string]>([
    [tree, 'Terrace, chamber 1', undefined, 'Terrace, chamber 1'],
    [tree, '', 'hall', 'Pump hall lower'],
    [tree, 'chamber 1', 'line', 'Pump hall lower, Line 2, chamber 1'],
    [tree, 'line 2, chamber 1', 'line', 'Pump hall lower, Line 2, chamber 1'],
    [tree, 'Terrace', 'works', 'Terrace'],
    [tree, '', 'works', 'Works'],
    [tree, 'pit', 'gone', 'pit'],
    [tree, '', undefined, ''],
    [two, 'pit', 'v-hall', 'Valley: Hall, pit'],
    [two, '', 'valley', 'Valley'],
    [two, 'pit', 'line', 'Works: Pump hall lower, Line 2, pit'],
  ])('%#: "%s" at %s: "%s"', (places, place, id, words) => {
    const valve = { tag: 'V-1', place, ...(id === undefined ? {} : { place_id: id }) };
    expect(placeWords(places, valve)).toBe(words);
    expect(placedIn(places, valve)).toEqual({ ...valve, place: words });
  });

  test('two valves of one place lie in one area, whatever their own words say', () => {
    const at = (place: string) => areaOf(placedIn(tree, { place, place_id: 'line' }).place);
    expect(at('north wall')).toBe(at(''));
  });
});

describe('a place is refused', () => {
  const code = (place: Site, places: readonly Site[] = house) =>
    checkPlace(place, places, [])?.code;

  test('under itself, under nothing, under what is closed', () => {
    expect(code({ ...works, under: 'w' })).toBe('place.under_itself');
    expect(code({ ...works, under: 'l' })).toBe('place.under_itself');
    expect(code({ ...hall, under: 'gone' })).toBe('place.above_unknown');
    const closed = { ...works, closed: { why: 'sold', on: '2026-01-01' } };
    expect(code({ ...hall, id: 'n', name: 'New' }, [closed])).toBe('place.above_closed');
    expect(code({ ...hall, under: 'p' })).toBeUndefined();
  });

  test('where a site does not say how high it lies; a part need not', () => {
    const { altitude_m: _, ...nowhere } = works;
    expect(code(nowhere)).toBe('place.no_altitude');
    expect(code({ ...nowhere, id: 'n', under: 'p' })).toBeUndefined();
    expect(code({ ...port, altitude_m: 0 })).toBeUndefined();
  });

  test('with a name that its neighbour has, if that one is in use', () => {
    const same = { id: 'n', name: 'pump HALL', under: 'w' };
    expect(code(same)).toBe('place.name_taken');
    expect(code({ ...same, under: 'p' })).toBeUndefined();
    const closed = { ...hall, closed: { why: 'torn down', on: '2026-01-01' } };
    expect(code(same, [works, closed])).toBeUndefined();
  });

  test('deeper than six, also by what comes along under it', () => {
    const chain = Array.from({ length: DEEPEST_PLACE }, (_, i): Site => ({
      id: `c${i}`,
      name: `C ${i}`,
      altitude_m: 0,
      ...(i > 0 ? { under: `c${i - 1}` } : {}),
    }));
    const last = { id: 'x', name: 'X', under: `c${DEEPEST_PLACE - 2}` };
    expect(code(last, chain)).toBeUndefined();
    expect(code({ ...last, under: `c${DEEPEST_PLACE - 1}` }, chain)).toBe('place.too_deep');
    expect(code({ ...chain[0]!, under: 'w' }, [...chain, works])).toBe('place.too_deep');
  });

  test('closed over the head of places and valves that are in use', () => {
    const closed = { why: 'sold', on: '2026-01-01' };
    const check = (place: Site, valves: Parameters<typeof checkPlace>[2]) =>
      checkPlace({ ...place, closed }, house, valves);
    expect(check(hall, [])).toEqual({ code: 'place.has_places', names: ['Line 2'] });
    expect(check(line, [])).toBeUndefined();
    expect(check(line, [{ tag: 'PRV-1', place_id: 'l' }])).toEqual({
      code: 'place.has_valves',
      tags: ['PRV-1'],
    });
    expect(check(line, [{ tag: 'PRV-1', place_id: 'h' }])).toBeUndefined();
    const retired = { why: 'worn', on: '2026-01-01' };
    expect(check(line, [{ tag: 'PRV-1', place_id: 'l', retired }])).toBeUndefined();
    // What names no place, or one that is not there, is at the first site.
    expect(check(port, [{ tag: 'PRV-2' }])?.code).toBe('place.has_valves');
    expect(check(port, [{ tag: 'PRV-2', place_id: 'gone' }])?.code).toBe('place.has_valves');
    expect(check(line, [{ tag: 'PRV-2' }])).toBeUndefined();
  });
});

test('clocks are named as the world names them; money and people have their bounds', () => {
  const fits = (more: object) => siteSchema.safeParse({ ...works, ...more }).success;
  expect(fits({ time_zone: 'America/Denver' })).toBe(true);
  expect(fits({ time_zone: 'Hill time' })).toBe(false);
  expect(fits({ altitude_m: 11_001 })).toBe(false);
  expect(fits({ price_per_kwh: -0.01 })).toBe(false);
  expect(fits({ contacts: [{ name: ' ', role: '', phone: '' }] })).toBe(false);
  expect(fits({ closed: { why: '', on: '2026-01-01' } })).toBe(false);
});

test('whatever places are kept one after the other, there is no ring and every path ends at a site', () => {
  const ids = ['a', 'b', 'c', 'd', 'e'];
  const step = fc.record({
    id: fc.constantFrom(...ids),
    under: fc.option(fc.constantFrom(...ids), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      let kept: readonly Site[] = [];
      for (const { id, under } of steps) {
        const place: Site = { id, name: id, altitude_m: 5, ...(under ? { under } : {}) };
        if (!checkPlace(place, kept, [])) kept = [...kept.filter((each) => each.id !== id), place];
      }
      for (const { id } of kept) expect(pathTo(kept, id)[0]?.under).toBeUndefined();
    }),
  );
});
