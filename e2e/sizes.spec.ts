import { expect, test } from './technician';

const routes = [
  '/',
  '/valves',
  '/valves/prv-12',
  '/valves/prv-03/start',
  '/runs/prv-07-visit-3',
  '/ladder/hpu-01',
  '/settings',
  '/people',
  '/bench/signal',
  '/how/pilot',
] as const;

/** Of them those that have least room to give. */
const densest = ['/', '/valves/prv-12', '/runs/prv-07-visit-3', '/settings'] as const;

/** px of a page that scroll, at the least: with less there is no seeing what one is about. */
const LEAST_ROOM = 150;

const sizes = [
  { name: 'a small phone', width: 320, height: 568 },
  { name: 'a phone on its side', width: 844, height: 390 },
  { name: 'a screen at twice its size', width: 640, height: 400 },
] as const;

test('nothing is hidden or cut on a small phone, on one that is turned, on a screen at twice its size', async ({
  page,
}) => {
  const [small, ...others] = sizes;
  for (const route of routes) {
    await page.setViewportSize(small);
    await page.goto(route);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    for (const { name, ...size } of [small, ...others]) {
      await page.setViewportSize(size);
      const where = `${route} on ${name}`;
      await expect.poll(() => page.evaluate(outOfSight), where).toEqual([]);
      await expect.poll(() => page.evaluate(largestRoom), where).toBeGreaterThan(LEAST_ROOM);
    }
  }
});

test('nothing is hidden or cut with the largest letters, and they are so much larger', async ({
  page,
}) => {
  await page.goto('/settings');
  const size = () =>
    page
      .getByRole('heading', { name: 'This phone' })
      .evaluate((heading) => Number.parseFloat(getComputedStyle(heading).fontSize));
  const before = await size();
  await page.getByRole('radio', { name: 'Largest' }).click();
  expect(await size()).toBeCloseTo(before * 1.5, 1);
  for (const route of densest) {
    await page.goto(route);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    expect.soft(await page.evaluate(outOfSight), route).toEqual([]);
    expect.soft(await page.evaluate(largestRoom), route).toBeGreaterThan(LEAST_ROOM);
  }
});

test('where the screen has colours of its own, what is chosen is told by its edge', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto('/settings');
  const edge = (name: string) =>
    page
      .getByRole('radio', { name, exact: true })
      .evaluate((choice) => getComputedStyle(choice).outlineStyle);
  await expect(page.getByRole('radio', { name: 'kPa', exact: true })).toBeChecked();
  expect([await edge('kPa'), await edge('bar')]).toEqual(['solid', 'none']);
});

/** What can be pressed or read and lies beyond an edge that nothing scrolls to. */
function outOfSight(): string[] {
  const scrolls = (element: Element): boolean => {
    for (let box = element.parentElement; box; box = box.parentElement) {
      const { overflowX } = getComputedStyle(box);
      if (/auto|scroll/u.test(overflowX) && box.scrollWidth > box.clientWidth + 1) return true;
    }
    return false;
  };
  const wanted = 'button, a, input, h1, h2, [role="radio"], [role="img"]';
  return [...document.querySelectorAll(wanted)].flatMap((element) => {
    const { left, right, bottom, width, height } = element.getBoundingClientRect();
    // The way past the places stands above the page until it has the focus.
    if (width === 0 || height === 0 || bottom < 0 || scrolls(element)) return [];
    const isIn = left >= -1 && right <= innerWidth + 1;
    return isIn ? [] : [`${element.textContent.slice(0, 40)} ${left} to ${right}`];
  });
}

function largestRoom(): number {
  const rooms = [...document.querySelectorAll('div')]
    .filter((box) => /auto|scroll/u.test(getComputedStyle(box).overflowY))
    .map(({ clientHeight }) => clientHeight);
  return Math.max(0, ...rooms);
}
