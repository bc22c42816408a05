import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Field } from './field';
import { TamaguiProvider } from '@/ui/kit';
import { config } from '@/theme/tamagui.config';

const pointing = (how: 'coarse' | 'fine') => {
  window.matchMedia = ((query: string) => ({
    matches: query === `(pointer: ${how})`,
    addListener: () => {},
    removeListener: () => {},
    addEventListener: () => {},
    removeEventListener: () => {},
  })) as never;
};

function Height() {
  const [value, setValue] = useState('3');
  return <Field label="Found at" unit="kPa" value={value} onChangeText={setValue} numeric />;
}

const shown = () => {
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <Height />
      <button>elsewhere</button>
    </TamaguiProvider>,
  );
  return screen.getByRole('textbox', { name: 'Found at' });
};

const letters = () => screen.queryByRole('button', { name: 'letters and signs for Found at' });
const digits = () => screen.queryByRole('button', { name: 'digits for Found at' });

test('on a phone a figure has keys of digits, and all keys once they are asked for', () => {
  pointing('coarse');
  const field = shown();
  expect(field.getAttribute('inputmode')).toBe('decimal');
  expect(letters()).toBeNull();
  act(() => field.focus());
  const focused = jest.fn();
  field.addEventListener('focus', focused);
  // A press of it leaves the field where it is.
  expect(fireEvent.mouseDown(letters()!)).toBe(false);
  fireEvent.click(letters()!);
  expect(field.getAttribute('inputmode')).toBe('text');
  // Come to anew, or the phone keeps the keys that it has shown.
  expect(focused).toHaveBeenCalledTimes(1);
  expect(document.activeElement).toBe(field);
  fireEvent.change(field, { target: { value: '-4 inHg' } });
  expect((field as HTMLInputElement).value).toBe('-4 inHg');
  fireEvent.click(digits()!);
  expect(field.getAttribute('inputmode')).toBe('decimal');
  act(() => field.blur());
  expect(letters()).toBeNull();
  expect(digits()).toBeNull();
});

test('with a keyboard before one no key is offered', () => {
  pointing('fine');
  const field = shown();
  act(() => field.focus());
  expect(letters()).toBeNull();
  expect(field.getAttribute('inputmode')).toBe('decimal');
});
