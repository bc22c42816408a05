import { photoSchema, photosOf, type Photo } from './photo';

const photo = (id: string, over: Partial<Photo> = {}): Photo => ({
  id,
  valve_id: 'prv-12',
  shows: 'place',
  picture: 'a'.repeat(64),
  taken_at_ms: 1000,
  by: 'Tomas Brandt',
  ...over,
});

describe('pictures of a valve', () => {
  test('its own only, the plate first, then the latest; what was put aside is not shown', () => {
    const all = [
      photo('old'),
      photo('new', { taken_at_ms: 3000 }),
      photo('plate', { shows: 'plate', taken_at_ms: 10 }),
      photo('aside', { put_aside: 'blurred' }),
      photo('other', { valve_id: 'prv-03' }),
    ];
    expect(photosOf(all, 'prv-12').map(({ id }) => id)).toEqual(['plate', 'new', 'old']);
  });

  test('a name that is no digest, and an empty reason, are refused', () => {
    expect(photoSchema.safeParse(photo('x')).success).toBe(true);
    expect(photoSchema.safeParse(photo('x', { picture: '../x' })).success).toBe(false);
    expect(photoSchema.safeParse(photo('x', { picture: 'A'.repeat(64) })).success).toBe(false);
    expect(photoSchema.safeParse(photo('x', { put_aside: '  ' })).success).toBe(false);
  });
});
