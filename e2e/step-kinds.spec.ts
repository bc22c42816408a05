import type { StepKind } from '@holvek/core';
import type { Page } from '@playwright/test';
import { beginAt } from './rehearsed';
import { isFit, test } from './technician';

type Where = readonly [valve: string, step: string, school?: string];

/** Where in Larkhollow a step of each kind is met: a kind without one does not compile. */
const places: Readonly<Record<StepKind, Where>> = {
  caution: ['hpu-01', 'oil_pressure'],
  check: ['bp-15', 'purged'],
  act: ['bp-15', 'gas_on'],
  ask: ['ep-04', 'chain'],
  spring: ['vrv-01', 'spring'],
  read: ['gr-05', 'as_found'],
  set: ['prv-12', 'come_up'],
  search: ['rv-11', 'first_dribble'],
  count: ['rv-11', 'raise_by_count', 'count_turns'],
  wait: ['ep-04', 'rests'],
  cycle: ['prv-12', 'cycle_once'],
  capture: ['rv-11', 'prove_cycles'],
  table: ['prv-12', 'no_flow'],
  points: ['pos-21', 'as_found'],
  linkage: ['pos-21', 'zero_span'],
  switching: ['ps-14', 'set_band'],
  edges: ['bp-15', 'find_edges'],
  clock: ['bp-15', 'late_spark'],
  sweep: ['pc-08', 'sweep'],
  tune: ['pc-08', 'tune'],
  cables: ['ep-04', 'cables'],
  terminals: ['ep-04', 'terminals'],
  registers: ['ep-04', 'range'],
  stroke: ['ep-04', 'stroke'],
  self_tune: ['ep-04', 'self_tune'],
  lock: ['bp-15', 'lock_main'],
  restore: ['prv-12', 'put_back'],
  sign: ['prv-12', 'sign'],
};
const kinds = Object.entries(places);

/** Kinds that one page goes through. */
const AT_ONCE = 7;

for (let first = 0; first < kinds.length; first += AT_ONCE) {
  const some = kinds.slice(first, first + AT_ONCE);
  test(`steps are fit for everyone, light on a phone, dark and wide: ${some.map(([kind]) => kind).join(', ')}`, async ({
    page,
  }) => {
    await page.addInitScript(() =>
      localStorage.setItem('holvek.preferences', JSON.stringify({ theme: 'system' })),
    );
    for (const [kind, where] of some)
      await test.step(kind, async () => isFitEverywhere(page, where));
  });
}

async function isFitEverywhere(page: Page, [valve, step, school]: Where): Promise<void> {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'light' });
  await beginAt(page, valve, step, { school });
  await isFit(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await isFit(page);
}
