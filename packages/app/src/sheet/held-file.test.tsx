import { digestOfText, type CheckedFile } from '@holvek/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { HeldFile } from './held-file';
import { TamaguiProvider } from '@/ui/kit';
import { config } from '@/theme/tamagui.config';

const taken = [
  { tag: 'RV-11', name: 'ramp.csv', sha256: digestOfText('ramp'), shows: 'opening' },
] as const;
const shown = (checked: Pick<CheckedFile, 'taken'>) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <HeldFile checked={checked as CheckedFile} />
    </TamaguiProvider>,
  );

/** What is picked at the next press, instead of a dialog of the machine. */
function picks(name: string, text: string): void {
  const bytes = new TextEncoder().encode(text);
  jest.spyOn(HTMLInputElement.prototype, 'click').mockImplementationOnce(function (
    this: HTMLInputElement,
  ) {
    const file = { name, arrayBuffer: async () => bytes.buffer };
    Object.defineProperty(this, 'files', { value: [file] });
    this.onchange!(new Event('change'));
  });
}

test('a file that was kept is held against what a record says was taken from it', async () => {
  shown({ taken });
  expect(screen.getByText(/^RV-11, where it opened and shut: ramp\.csv/u)).toBeTruthy();
  const hold = screen.getByRole('button', { name: 'hold a file against it' });
  picks('other.csv', 'ramp, changed');
  fireEvent.click(hold);
  expect((await screen.findByRole('alert')).textContent).toContain('None of its figures');
  picks('copy.csv', 'ramp');
  fireEvent.click(hold);
  expect((await screen.findByRole('status')).textContent).toMatch(/^copy\.csv: RV-11: where it/u);
  expect(screen.queryByRole('alert')).toBeNull();
});

test('a record of readings by eye says nothing of files', () => {
  const { container } = shown({ taken: [] });
  expect(container.textContent).toBe('');
});
