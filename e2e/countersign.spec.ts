import { expect, isFit, test } from './technician';

test('a gas sheet wants a second signature: it is sent back with words, then agreed', async ({
  page,
}) => {
  await page.goto('/people');
  await page.getByRole('checkbox', { name: 'Gas', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'Gas', exact: true })).toBeChecked();
  await page.goto('/sheets');
  await page.getByRole('button', { name: /want a second signature/ }).click();
  await page.getByRole('button', { name: /^Sheet GR-05/ }).click();
  const card = page.getByTestId('countersign');
  const form = page.getByTestId('countersign-form');
  await expect(card).toContainText('Signed, to be countersigned');
  await isFit(page);
  await expect(form.getByRole('button', { name: 'Send it back' })).toBeDisabled();
  await form.getByLabel('What is to be done').fill('No photo of the seal');
  await form.getByRole('button', { name: 'Send it back' }).click();
  await expect(card).toContainText(/Sent back by Edda Lorenz.*No photo of the seal/);
  // Whoever stands before the valve is told.
  const sheet = page.url();
  await page.goto('/valves/gr-05');
  await expect(page.getByTestId('sent-back')).toContainText('No photo of the seal');
  await page.goto(sheet);
  await form.getByLabel('What is to be done').fill('Seen on site');
  await form.getByRole('button', { name: 'Countersign as Edda Lorenz' }).click();
  await expect(card).toContainText('Countersigned by Edda Lorenz');
  await page.goto('/people');
  await page.getByRole('checkbox', { name: 'Gas', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'Gas', exact: true })).not.toBeChecked();
});
