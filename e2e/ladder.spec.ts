import { seededRandom } from '@holvek/core';
import { createHash } from 'node:crypto';
import { begin, expect, test } from './technician';
import { walkUntil } from './walk';

test('a clash is said in the words of the rules that clash, and one giving way resolves it', async ({
  page,
}) => {
  await page.goto('/ladder');
  await page.getByRole('button', { name: /Lodge compressed air .*rules clash/ }).click();
  const clash = page.getByTestId('clash');
  await expect(clash).toContainText('The new spray gun asks for 8 bar');
  await expect(clash).toContainText('Vessel’s plate');
  await expect(page.getByTestId('take-over')).toBeDisabled();
  await page.getByRole('button', { name: /^Change rule 8\b/u }).click();
  await page.getByLabel('Pressure').fill('6.2 bar');
  const saved = page.waitForResponse(
    (answer) => answer.url().includes('/api/systems/') && answer.request().method() === 'PUT',
  );
  await page.getByRole('button', { name: 'Keep this rule' }).click();
  await expect(clash).toHaveCount(0);
  await expect(page.getByTestId('order')).toContainText('Header safety valve');
  const answer = await saved;
  expect(answer.ok()).toBe(true);
  const kept = JSON.stringify(await (await page.request.get('/api/systems')).json());
  expect(kept).toContain('620000');
  await page.reload();
  await expect(page.getByTestId('ladder-picture')).toBeVisible();
});

test('targets and order are taken over into a round', async ({ page, request }) => {
  await page.goto('/ladder/pump-hall');
  await expect(page.getByTestId('heat')).toContainText('kW');
  await page.getByTestId('order').getByRole('button', { name: 'why this order?' }).click();
  await expect(page.getByText(/RV-11 Surge relief before SUS-03 Booster hall/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByTestId('take-over').click();
  await page.getByTestId('make-round').click();
  await expect(page.getByRole('heading', { name: 'Pump hall and gully' })).toBeVisible();
  const lines = page.getByTestId(/^round-/);
  await expect(lines).toHaveCount(4);
  await expect(lines.first()).toContainText('RV-11');
  const valve = (await (await request.get('/api/valves/prv-05')).json()) as {
    target: { set_point_pa: number };
  };
  expect(valve.target.set_point_pa).toBe(560_000);
});

test('a rung moved by hand shows what gives way, and what forbids it', async ({ page }) => {
  await page.goto('/ladder/hpu-01');
  const compensator = page.getByRole('slider', { name: 'Compensator' });
  await compensator.focus();
  for (let i = 0; i < 16; i++) await page.keyboard.press('ArrowUp');
  await expect(page.getByTestId('drag')).toContainText('Main relief');
  await page.getByRole('button', { name: 'let go' }).click();
  await compensator.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown');
  await expect(page.getByTestId('clash')).toContainText('over the heaviest load');
  await page.getByRole('button', { name: 'let go' }).click();
  await expect(page.getByTestId('drag')).toHaveCount(0);
  const box = (await compensator.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 12);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y - 10, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByTestId('drag')).toContainText('Compensator held at');
});

test('a system goes out as CSV and JSON and comes back; wrong rows are named', async ({ page }) => {
  await page.goto('/ladder/hpu-01');
  await page.getByRole('button', { name: 'as a file' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const path = await (await waiting).path();
  const { readFileSync } = await import('node:fs');
  const csv = readFileSync(path, 'utf8');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a file' }).click();
  const broken =
    csv.trim().replace('main_relief', 'main_relief') +
    '\nrung,odd,Odd one,teapot,,,,,,,,,,,,,,,,,\n';
  await (
    await chooser
  ).setFiles({ name: 'hpu.csv', mimeType: 'text/csv', buffer: Buffer.from(broken) });
  await expect(page.getByText(/Line \d+, kind/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('slider', { name: 'Main relief' })).toBeVisible();
});

test('on one simulated line, lowering the relief pulls down every gauge', async ({ page }) => {
  await page.goto('/ladder/pump-hall/line');
  const source = page.getByTestId('line-Source');
  await expect(source).not.toHaveText('–');
  const before = Number((await source.textContent())!.replace(/\D/gu, ''));
  for (let i = 0; i < 5; i++)
    await page.getByRole('button', { name: '−1/2 turn at RV-11 Surge relief' }).click();
  await expect
    .poll(async () => Number((await source.textContent())!.replace(/\D/gu, '')), {
      timeout: 60_000,
    })
    .toBeLessThan(before - 60);
});

test('a round is built by hand: added, moved, kept, archived', async ({ page, request }) => {
  await page.goto('/rounds/new');
  await page.getByLabel('Name').fill('Short day');
  await page.getByLabel('Add a valve').fill('GR-05');
  await page.getByRole('button', { name: 'Add GR-05' }).click();
  await page.getByLabel('Add a valve').fill('PRV-12');
  await page.getByRole('button', { name: 'Add PRV-12' }).click();
  await page.getByRole('button', { name: 'PRV-12 up' }).click();
  await page.getByTestId('keep-round').click();
  await expect(page.getByRole('heading', { name: 'Short day' })).toBeVisible();
  await expect(page.getByTestId(/^round-/).first()).toContainText('PRV-12');
  await page.getByRole('button', { name: 'change', exact: true }).click();
  await page.getByRole('button', { name: 'archive this round' }).click();
  await expect(page.getByRole('radio', { name: 'Short day' })).toHaveCount(0);
  // The list is right at once; the server hears of it a moment later.
  await expect
    .poll(async () => {
      const rounds = (await (await request.get('/api/rounds')).json()) as {
        name: string;
        archived?: boolean;
      }[];
      return rounds.find(({ name }) => name === 'Short day')?.archived;
    })
    .toBe(true);
});

/** A log of three ramps up and down past an opening at 1 180 kPa, as a logger writes it. */
function rampLog(rows: number): string {
  const random = seededRandom(5);
  const lines = ['time (s);pressure (bar)'];
  const per = rows / 6;
  for (let i = 0; i < rows; i++) {
    const share = (i % per) / per;
    const isUp = Math.floor(i / per) % 2 === 0;
    const ramp = isUp ? 950 + 330 * share : 1240 - 290 * share;
    const shown = isUp
      ? ramp > 1180
        ? 1180 + (ramp - 1180) * 0.25
        : ramp
      : ramp > 1100
        ? 1205 - (1240 - ramp) * 0.75
        : ramp;
    lines.push(
      `${(i * 0.5).toFixed(1).replace('.', ',')};${((shown + 0.8 * random.normal()) / 100).toFixed(4).replace('.', ',')}`,
    );
  }
  return `\uFEFF${lines.join('\n')}\nbattery low;\n`;
}

test('a logged ramp is dropped in, fitted and taken over as marks', async ({ page, request }) => {
  await begin(page, 'rv-11');
  await walkUntil(page, /Raise slowly, then let down/);
  await page.getByRole('button', { name: 'from a log' }).click();
  const drop = async (name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByTestId('pick-log').click();
    await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await drop('words.csv', 'hello\nworld\n');
  await expect(page.getByRole('alert')).toContainText('Nothing was changed');
  await drop('ramp.csv', rampLog(1800));
  await expect(page.getByText(/1 rows without two numbers left out/)).toBeVisible({
    timeout: 30_000,
  });
  await page.getByTestId('keep-log').click();
  await expect(page.getByTestId('cycle-chart')).toHaveAttribute(
    'aria-label',
    /cycle 3: cracked 1.1[678]/,
  );
  await expect(page.getByTestId('confirm-step')).toBeVisible();
  // What was taken over is held to its file.
  const sha256 = createHash('sha256').update(rampLog(1800)).digest('hex');
  const runId = /\/runs\/([^/?]+)/u.exec(page.url())![1]!;
  await expect
    .poll(async () => (await request.get(`/api/runs/${runId}`)).text())
    .toContain(`"sha256":"${sha256}"`);
});
