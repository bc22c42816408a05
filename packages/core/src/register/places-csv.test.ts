import type { Site } from '../exchange';
import { placePath } from './places';
import { readPlacesCsv, writePlacesCsv } from './places-csv';

const house: readonly Site[] = [
  {
    id: 'w',
    name: 'Works, upper',
    altitude_m: 1200,
    time_zone: 'Europe/Zurich',
    currency: 'CHF',
    price_per_kwh: 0.21,
    contacts: [
      { name: 'Ida Brand', role: 'control room', phone: '11' },
      { name: 'Nils Aho', role: '', phone: '' },
    ],
    permit: 'From the office,\nthe day before.',
  },
  { id: 'h', name: 'Pump hall', under: 'w' },
];
const newId = () => 'new';
const read = (text: string, known = house) => {
  const result = readPlacesCsv(text, known, newId);
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};

test('places go out and come back as they were', () => {
  const { places, issues } = read(writePlacesCsv(house), []);
  expect(issues).toEqual([]);
  expect(places.map(({ place }) => place)).toEqual(house);
  expect(read(writePlacesCsv(house)).places.map(({ before }) => before?.id)).toEqual(['w', 'h']);
});

test('a place that is closed does not go out', () => {
  const closed = { ...house[1]!, closed: { why: 'torn down', on: '2026-01-01' } };
  expect(read(writePlacesCsv([house[0]!, closed]), []).places).toHaveLength(1);
});

test('in whatever order, a place may lie under another of the same file', () => {
  let made = 0;
  const text = 'name,under,altitude_m\nChamber 1,Dale / Terrace,\nTerrace,Dale,\nDale,,"420"\n';
  const result = readPlacesCsv(text, [], () => `n${(made += 1)}`);
  const { places } = result.ok ? result.value : { places: [] };
  const all = places.map(({ place }) => place);
  expect(all.map(({ id }) => placePath(all, id))).toEqual([
    'Dale',
    'Dale / Terrace',
    'Dale / Terrace / Chamber 1',
  ]);
  expect(places.map(({ line }) => line)).toEqual([4, 3, 2]);
});

test('what a file has no column for stays, and an empty cell takes away', () => {
  const kept = read('name,altitude_m\n"Works, upper",1300\n').places[0]!.place;
  expect(kept).toEqual({ ...house[0]!, altitude_m: 1300 });
  const emptied = read('name,permit,contacts\n"Works, upper",,\n').places[0]!.place;
  expect(emptied.permit).toBeUndefined();
  expect(emptied.contacts).toBeUndefined();
  expect(emptied.price_per_kwh).toBe(0.21);
});

test('what is wrong is named by line and column, and the rest is kept', () => {
  const text = [
    'name,under,altitude_m,time_zone,price_per_kwh',
    'Shed,Nowhere,1,,',
    'Port,,high,,',
    'Quay,,3,Hill time,',
    'Mole,,3,,-1',
    'Bare,,,,',
    'Pump hall,"Works, upper",,,',
    'pump HALL,"Works, upper",,,',
    'Good,,7,,',
  ].join('\n');
  const { places, issues } = read(text);
  expect(places.map(({ place }) => place.name)).toEqual(['Pump hall', 'Good']);
  expect(issues).toEqual([
    { line: 2, column: 'under', code: 'place.above_unknown' },
    { line: 3, column: 'altitude_m', code: 'place.cannot_be' },
    { line: 4, column: 'time_zone', code: 'place.cannot_be' },
    { line: 5, column: 'price_per_kwh', code: 'place.cannot_be' },
    { line: 6, column: 'name', code: 'place.no_altitude' },
    { line: 8, column: 'name', code: 'place.name_taken' },
  ]);
});

test('places that lie under one another are left out', () => {
  const { places, issues } = read('id,name,under\nw,"Works, upper","Works, upper / Pump hall"\n');
  expect(places).toEqual([]);
  expect(issues).toEqual([{ line: 2, column: 'name', code: 'place.under_itself' }]);
});

test('a file without names is none', () => {
  expect(readPlacesCsv('altitude_m\n1\n', [], newId).ok).toBe(false);
});
