import type { Site, Valve } from '@holvek/core';
import { isLookedFor } from './use-valve-rows';
import { valve as sample } from '@/testing/samples';

const places: Site[] = [
  { id: 'works', name: 'Larkhollow', altitude_m: 1240 },
  { id: 'hall', name: 'Pump hall', under: 'works' },
  { id: 'line', name: 'Line 2', under: 'hall' },
  { id: 'lodge', name: 'Lodge', under: 'works' },
];
const valve: Valve = { ...sample, tag: 'PRV-31', place: 'behind the door', place_id: 'line' };
const found = (text: string, placeId = '', of: Valve = valve) =>
  isLookedFor(of, { text, placeId }, places);

describe('looking for a valve', () => {
  test('goes by tag, name, place, kind, and every place that it lies in', () => {
    for (const text of ['prv-31', ' Behind', 'line 2', 'pump HALL', 'larkhollow', 'reducing', ''])
      expect(found(text)).toBe(true);
    expect(found('lodge')).toBe(false);
  });

  test('in a place finds what lies in it, however deep, and nothing beside it', () => {
    for (const id of ['works', 'hall', 'line']) expect(found('', id)).toBe(true);
    expect(found('', 'lodge')).toBe(false);
    expect(found('lodge', 'hall')).toBe(false);
    const { place_id: _, ...nowhere } = valve;
    expect(found('', 'works', nowhere)).toBe(false);
    expect(found('', '', nowhere)).toBe(true);
  });
});
