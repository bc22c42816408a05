import type { Site } from '@holvek/core';
import { placeFormSchema, placeOf, placeTexts, type PlaceTexts } from './place-form';

const works: Site = {
  id: 'w',
  name: 'Works',
  altitude_m: 1240,
  time_zone: 'Europe/Zurich',
  currency: 'CHF',
  price_per_kwh: 0,
  contacts: [{ name: 'Ida Brand', role: 'control room', phone: '11' }],
  permit: 'From the office.',
  closed: { why: 'sold', on: '2026-01-02' },
};
const now = { id: 'new', day: '2026-12-01' };
const again = (place: Site): Site => placeOf(placeTexts(place, ''), place, now);

test('a place that is opened and kept is the same, to the last field', () => {
  expect(again(works)).toEqual(works);
  const part: Site = { id: 'h', name: 'Hall', under: 'w' };
  expect(again(part)).toEqual(part);
});

test('a new one has the clock of the phone, and what is left open is not there', () => {
  const texts = { ...placeTexts(undefined, 'Europe/Oslo'), name: 'Dale', altitude: '3,5' };
  expect(placeOf(texts, undefined, now)).toEqual({
    id: 'new',
    name: 'Dale',
    altitude_m: 3.5,
    time_zone: 'Europe/Oslo',
  });
});

test('it is closed on the day on which somebody said so', () => {
  const { closed: _, ...open } = works;
  const texts = { ...placeTexts(open, ''), isClosed: true, why: 'sold' };
  expect(placeOf(texts, open, now).closed).toEqual({ why: 'sold', on: '2026-12-01' });
});

test('what cannot be is said at its field', () => {
  const fields = (more: Partial<PlaceTexts>) => {
    const { closed: _, ...open } = works;
    const read = placeFormSchema.safeParse({ ...placeTexts(open, ''), ...more });
    return read.success ? [] : read.error.issues.map(({ path }) => path.join('.'));
  };
  expect(fields({})).toEqual([]);
  expect(fields({ name: ' ' })).toEqual(['name']);
  expect(fields({ altitude: '-431' })).toEqual(['altitude']);
  expect(fields({ altitude: '-430' })).toEqual([]);
  expect(fields({ altitude: '11001' })).toEqual(['altitude']);
  expect(fields({ altitude: '' })).toEqual(['altitude']);
  expect(fields({ altitude: '', under: 'x' })).toEqual([]);
  expect(fields({ zone: 'Hill time' })).toEqual(['zone']);
  expect(fields({ zone: '' })).toEqual([]);
  expect(fields({ price: '-1' })).toEqual(['price']);
  expect(fields({ price: 'dear' })).toEqual(['price']);
  expect(fields({ contacts: [{ name: ' ', role: 'x', phone: '' }] })).toEqual(['contacts.0.name']);
  expect(fields({ isClosed: true, why: 'so' })).toEqual(['why']);
  expect(fields({ isClosed: true, why: 'sold' })).toEqual([]);
});
