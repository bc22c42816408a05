import fc from 'fast-check';
import { printWeek, readWeek } from './week-text';

const weekOf = (text: string) => {
  const read = readWeek(text);
  return read.ok ? read.value : read.error.text;
};

describe('hours of a week', () => {
  test.each<[string, readonly number[]]>([
    ['6', [360, 360, 360, 360, 360, 0, 0]],
    ['0', [0, 0, 0, 0, 0, 0, 0]],
    ['7.5', [450, 450, 450, 450, 450, 0, 0]],
    ['7,5 h', [450, 450, 450, 450, 450, 0, 0]],
    ['Tue 3, Wed–Fri 4', [0, 180, 240, 240, 240, 0, 0]],
    ['tuesday 3; wed to fri 4; Sa 2', [0, 180, 240, 240, 240, 120, 0]],
    ['Mo-Su 1', [60, 60, 60, 60, 60, 60, 60]],
    ['6, Fri 3', [360, 360, 360, 360, 180, 0, 0]],
    ['Sun 16', [0, 0, 0, 0, 0, 0, 960]],
  ])('%s', (text, minutes) => {
    expect(weekOf(text)).toEqual(minutes);
  });

  test.each([
    ['', ''],
    ['Tue', 'Tue'],
    ['Xyz 3', 'Xyz 3'],
    ['T 3', 'T 3'],
    ['Fri–Mon 3', 'Fri–Mon 3'],
    ['6, Fri 16.1', 'Fri 16.1'],
    ['-1', '-1'],
    ['Mon three', 'Mon three'],
  ])('“%s” is none, and it is said where', (text, part) => {
    expect(weekOf(text)).toBe(part);
  });

  test('are printed as shortly as they are typed', () => {
    expect(printWeek([360, 360, 360, 360, 360, 0, 0])).toBe('6');
    expect(printWeek([0, 180, 240, 240, 240, 0, 0])).toBe('Tue 3, Wed–Fri 4');
    expect(printWeek([360, 360, 360, 360, 360, 120, 0])).toBe('Mon–Fri 6, Sat 2');
    expect(printWeek([360, 360, 360, 360, 360, 360, 0])).toBe('Mon–Sat 6');
    expect(printWeek([0, 0, 0, 0, 0, 0, 0])).toBe('0');
    expect(printWeek([])).toBe('0');
  });

  test('come back as they went, whatever the week', () => {
    const quarters = fc.array(fc.integer({ min: 0, max: 64 }), { minLength: 7, maxLength: 7 });
    fc.assert(
      fc.property(quarters, (each) => {
        const week = each.map((quarter) => quarter * 15);
        expect(readWeek(printWeek(week))).toEqual({ ok: true, value: week });
      }),
    );
  });
});
