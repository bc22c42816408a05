import { licenceKinds, type LicenceKind, type Person } from '@holvek/core';
import type { Store } from '../db/open';
import { markDemo } from '../routes/people';

/** One PIN for all: a demo is to be looked at, not to be kept from anybody. */
export const DEMO_PIN = '240758';

const of = (short: string, name: string, role: Person['role']): Person => ({
  id: `larkhollow-${short}`,
  name,
  short,
  role,
  licences: [],
});

/** Who works at Larkhollow. */
export const demoPeople: readonly Person[] = [
  {
    ...of('edda', 'Edda Lorenz', 'owner'),
    licences: Object.keys(licenceKinds).map((kind, i) => ({
      kind: kind as LicenceKind,
      number: `LH-${i + 1}18`,
      valid_until: '2099-03-31',
    })),
  },
  {
    ...of('ines', 'Ines Varga', 'supervisor'),
    licences: [{ kind: 'pressure_safety', number: 'LH-P 72', valid_until: '2098-10-31' }],
  },
  {
    ...of('tomas', 'Tomas Brandt', 'technician'),
    licences: [
      { kind: 'gas', number: 'LH-G 131', valid_until: '2097-06-30' },
      { kind: 'burner', number: 'LH-B 40', valid_until: '2097-06-30' },
    ],
  },
  of('mira', 'Mira Solberg', 'viewer'),
];

/** Whoever works at Larkhollow is there, in a demo of before as well. */
export async function seedPeople(store: Store): Promise<void> {
  if ((await store.tables.people.count()) > 0) return;
  const all = demoPeople.map((person) => ({ person, secret: DEMO_PIN }));
  await store.write((tables) => markDemo(tables, all));
}
