import { aimBand } from './aim-band';
import { lastChange } from './last-change';

const contact = (...states: number[]) => states.map((value, t) => ({ t, value }));
const pressure = Array.from({ length: 12 }, (_, t) => ({ t, value: 500_000 + t * 1000 }));

describe('the change of a contact that was caught', () => {
  test('is the pressure at the moment of the last change into the state asked for', () => {
    expect(lastChange(contact(1, 1, 0, 0), pressure, 0, -1)).toBe(502_000);
    expect(lastChange(contact(1, 0, 0, 1, 1, 0), pressure, 0, -1)).toBe(505_000);
  });

  test('is none while it stands in the other state: that change belongs to the mark before', () => {
    expect(lastChange(contact(0, 1, 1, 0, 0), pressure, 1, -1)).toBeUndefined();
  });

  test('is none before it has changed at all, or when it changed before the screw was turned', () => {
    expect(lastChange(contact(0, 0, 0), pressure, 0, -1)).toBeUndefined();
    expect(lastChange(contact(1, 0, 0, 0), pressure, 0, 2)).toBeUndefined();
    expect(lastChange([], pressure, 0, -1)).toBeUndefined();
  });
});

describe('the band that is aimed at', () => {
  const target = (set: number) => ({
    set_point_pa: set,
    tolerance_pa: 10,
    limit_pa: 900,
    why: 'test',
  });
  const started = (scale: 'additive' | 'subtractive', set: number) =>
    ({
      plate: { family: 'pressure_switch', scale, manual_reset: false },
      target: target(set),
      other_targets: { differential: target(150) },
    }) as never;

  test('goes up from an additive scale and down from a subtractive one', () => {
    expect(aimBand({ started: started('additive', 550) }).band).toEqual({
      cutIn: 550,
      cutOut: 700,
    });
    expect(aimBand({ started: started('subtractive', 700) }).band).toEqual({
      cutIn: 550,
      cutOut: 700,
    });
  });
});
