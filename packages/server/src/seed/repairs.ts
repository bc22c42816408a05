import type { Repair } from '@holvek/core';

const DAY = 86_400_000;

/** What was changed in Larkhollow's valves; each was set and proved anew afterwards. */
export const demoRepairs = (now: number): readonly Repair[] => [
  {
    id: 'repair-prv-12-1',
    valve_id: 'prv-12',
    at_ms: now - 1150 * DAY,
    by: 'Tomas Brandt',
    found: 'Pilot strainer full of scale, diaphragm stiff at its edge',
    parts: ['diaphragm', 'strainer'],
    note: 'Seat lapped, no marks left on it',
    parts_due_on: new Date(now + 675 * DAY).toISOString().slice(0, 10),
  },
];
