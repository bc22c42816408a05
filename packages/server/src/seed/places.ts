import { areaOf, type Site, type Valve } from '@holvek/core';

const site: Site = {
  id: 'larkhollow',
  name: 'Larkhollow',
  altitude_m: 1240,
  currency: '€',
  price_per_kwh: 0.24,
  contacts: [{ name: 'Ruth Amsel', role: 'control room', phone: '555 0140' }],
  permit: 'Permit from the control room before anything is isolated; guns off in that zone.',
};

const part = (id: string, name: string, more: Partial<Site> = {}): Site => ({
  id,
  name,
  under: site.id,
  ...more,
});

/** Where the valves of Larkhollow stand: the works, and what lies in them. */
export const demoPlaces: readonly Site[] = [
  site,
  part('valley', 'Valley station', { altitude_m: 1090 }),
  part('pump-hall', 'Lower pump hall', {
    permit: 'Ear protection while a pump runs.',
  }),
  part('upper-hall', 'Upper pump hall', { altitude_m: 1520 }),
  part('aeration', 'Aeration house'),
  part('ice-store', 'Ice store'),
  part('compressors', 'Compressor room'),
  part('terrace', 'Terrace', { altitude_m: 1310 }),
  part('traverse', 'Traverse', { altitude_m: 1360 }),
  part('middle', 'Middle slope', { altitude_m: 1400 }),
  part('gully', 'Gully', {
    altitude_m: 1420,
    permit: 'Chambers are confined spaces: two go, one stays above.',
  }),
  part('bowl', 'Upper bowl', { altitude_m: 1680 }),
  part('race-hill', 'Race hill', { altitude_m: 1540 }),
  part('lodge', 'Lodge', {
    contacts: [{ name: 'Piet Holm', role: 'caretaker', phone: '555 0117' }],
  }),
];

/** A valve with the place that its words name. */
export function placed(valve: Valve): Valve {
  const area = areaOf(valve.place);
  const place = demoPlaces.find(({ name }) => name === area) ?? site;
  return { ...valve, place_id: place.id };
}
