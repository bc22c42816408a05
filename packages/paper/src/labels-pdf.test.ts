import { labelLayouts, type LabelLayout } from './label-layouts';
import { labelsPdf, type Label } from './labels-pdf';
import { fonts, readPdf } from './testing/read-pdf';

const made = async (labels: readonly Label[], size: LabelLayout) =>
  readPdf(await labelsPdf(labels, size, fonts));
const label = (n: number): Label => ({
  tag: `PRV-${String(n).padStart(2, '0')}`,
  lines: ['Upper bowl', 'As left 440 kPa', 'Next by 2027-11'],
  address: `https://holvek.example/valves/prv-${n}`,
});
const many = Array.from({ length: 25 }, (_, i) => label(i + 1));

describe('labels', () => {
  test.each(Object.keys(labelLayouts) as LabelLayout[])(
    '%s: each is there, whole',
    async (size) => {
      const { words } = await made(many, size);
      for (const { tag, lines } of many) {
        expect(words).toContain(tag);
        for (const line of lines) expect(words).toContain(line);
      }
    },
  );

  test('go on to as many pages as they take', async () => {
    expect((await made(many, 'small')).pages).toBe(2);
    expect((await made(many.slice(0, 24), 'small')).pages).toBe(1);
    expect((await made(many, 'large')).pages).toBe(3);
    expect((await made(many, 'tape')).pages).toBe(25);
  });

  test('what has no room is left out from below, and a long tag is written smaller', async () => {
    const long = { ...label(1), tag: 'PRV-NORTH-HALL-CHAMBER-0001', lines: Array(20).fill('Line') };
    const { words } = await made([long], 'small');
    expect(words).toContain(long.tag);
    const lines = words.match(/Line/gu)!.length;
    expect(lines).toBeGreaterThan(2);
    expect(lines).toBeLessThan(20);
  });
});
