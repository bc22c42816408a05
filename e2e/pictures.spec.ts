import type { Photo } from '@holvek/core';
import type { Page } from '@playwright/test';
import QRCode from 'qrcode';
import { beginAt } from './rehearsed';
import { expect, isFit, sheetsOf, signAndOpen, test } from './technician';

/** A code of a label, as a PNG. */
const codeOf = (text: string): Promise<Buffer> => QRCode.toBuffer(text, { width: 300 });

/** Picks a file in the dialog that a button opens. */
async function choose(page: Page, button: string, name: string, buffer: Buffer): Promise<void> {
  const dialog = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: button }).click();
  await (await dialog).setFiles({ name, mimeType: 'image/png', buffer });
}

test('a plate is photographed without a network, shows at once, and is there for all later', async ({
  page,
  request,
  context,
}) => {
  await page.goto('/valves/prv-05');
  await page.getByRole('button', { name: 'Photograph its plate' }).click();
  await isFit(page);
  await choose(page, 'Choose a file', 'plate.heic', Buffer.from('no picture at all'));
  await expect(page.getByRole('alert')).toContainText('does not open HEIC. Nothing was kept');
  await context.setOffline(true);
  await choose(page, 'Choose a file', 'plate.png', await codeOf('a plate'));
  const photos = page.getByTestId('photos');
  await expect(photos.getByRole('button', { name: 'Photo: Its plate' })).toBeVisible();
  const there = async () => {
    const all = (await (await request.get('/api/photos')).json()) as Photo[];
    return all.find(({ valve_id: id }) => id === 'prv-05');
  };
  expect(await there()).toBeUndefined();
  await context.setOffline(false);
  await expect(async () => expect((await there())?.shows).toBe('plate')).toPass();
  const { picture } = (await there())!;
  const file = await request.get(`/api/pictures/${picture}`);
  expect([file.status(), file.headers()['content-type']]).toEqual([200, 'image/jpeg']);
  await page.reload();
  await photos.getByRole('button', { name: 'Photo: Its plate' }).click();
  await page.getByLabel('What is to be seen').fill('Stamped over once');
  await page.getByRole('button', { name: 'Keep these words' }).click();
  await photos.getByRole('button', { name: 'Photo: Its plate' }).click();
  await expect(page.getByRole('img', { name: 'Stamped over once' })).toBeVisible();
  await page.getByRole('button', { name: 'put it aside' }).click();
  await page.getByLabel('Why it is not shown').fill('the old plate');
  await page.getByRole('button', { name: 'Put it aside; its file stays' }).click();
  await expect(photos).toContainText('No photo yet');
});

test('a label before the camera opens its valve; another code, and a picture without one, are said', async ({
  page,
}) => {
  // A camera that sees what the test holds before it.
  await page.addInitScript(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 400, height: 400 });
    const draw = canvas.getContext('2d')!;
    let shown: CanvasImageSource | undefined;
    // A camera goes on sending what stands before it: a single picture may be lost on the way.
    setInterval(() => {
      draw.fillStyle = '#fff';
      draw.fillRect(0, 0, 400, 400);
      if (shown) draw.drawImage(shown, 50, 50);
    }, 100);
    navigator.mediaDevices.getUserMedia = () => Promise.resolve(canvas.captureStream(10));
    const hold = async (address: string) => {
      const picture = Object.assign(new Image(), { src: address });
      await picture.decode();
      shown = picture;
    };
    Object.assign(window, { hold });
  });
  const hold = async (text: string) => {
    const address = `data:image/png;base64,${(await codeOf(text)).toString('base64')}`;
    await page.evaluate(
      (shown) => (window as unknown as { hold: (at: string) => Promise<void> }).hold(shown),
      address,
    );
  };
  await page.goto('/valves');
  await page.getByRole('button', { name: 'scan a label' }).click();
  await expect(page.getByRole('status')).toContainText('Hold it before the code');
  await hold('WIFI:S:pump hall;');
  await expect(page.getByRole('alert')).toContainText('none of our labels');
  await isFit(page);
  await choose(page, 'read the code from a picture', 'dark.png', await codeOf('x').then(blank));
  await expect(page.getByRole('alert')).toContainText('No code was found');
  await hold('https://holvek.example/valves/prv-99');
  await expect(page.getByRole('alert')).toContainText('prv-99 is not in this register');
  await hold('https://holvek.example/valves/prv-12');
  await expect(page.getByRole('heading', { name: 'PRV-12', exact: true })).toBeVisible();
});

test('without a camera a tag is typed, or its code read from a picture', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await page.goto('/scan');
  await expect(page.getByRole('status')).toContainText('was not allowed');
  await page.getByLabel('Or type its tag').fill('prv-12');
  await page.getByRole('button', { name: 'Go to it' }).click();
  await expect(page.getByRole('heading', { name: 'PRV-12', exact: true })).toBeVisible();
  await page.goto('/scan');
  const label = await codeOf('https://holvek.example/valves/prv-03');
  await choose(page, 'read the code from a picture', 'label.png', label);
  await expect(page.getByRole('heading', { name: 'PRV-03', exact: true })).toBeVisible();
});

/** No picture at all, of the same length. */
const blank = ({ length }: Buffer): Buffer => Buffer.alloc(length, 7);

test('a picture of the gauge in the work stands on the sheet, beside what it was read at', async ({
  page,
  request,
}) => {
  await beginAt(page, 'prv-07', 'sign', { purpose: 'record' });
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: 'A picture for the sheet' }).click();
  await expect(page.getByText(/goes with the last reading/)).toBeVisible();
  await choose(page, 'Choose a file', 'gauge.png', await codeOf('a gauge'));
  await expect(page.getByText('A picture for the sheet')).toBeHidden();
  await signAndOpen(page);
  const pictures = page.getByText('Pictures', { exact: true });
  await pictures.scrollIntoViewIfNeeded();
  await expect(page.getByRole('img', { name: /read at .* kPa/ })).toBeVisible();
  const { id, body } = (await sheetsOf(request, 'prv-07', 'record')).at(-1)!;
  expect(body.pictures).toHaveLength(1);
  const there = await request.get(`/api/pictures/${body.pictures![0]!.picture}`);
  expect(there.status()).toBe(200);
  expect((await request.get(`/api/sheets/${id}.pdf`)).ok()).toBe(true);
});
