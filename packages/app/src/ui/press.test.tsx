import { fireEvent, render, screen } from '@testing-library/react';
import { BigButton } from './press';
import { TamaguiProvider } from '@/ui/kit';
import { config } from '@/theme/tamagui.config';

test('the second half of a double tap presses nothing: what came meanwhile was not read', () => {
  const press = jest.fn();
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <BigButton onPress={press}>Yes, it is so</BigButton>
    </TamaguiProvider>,
  );
  const button = screen.getByRole('button');
  fireEvent.click(button, { detail: 1 });
  fireEvent.click(button, { detail: 2 });
  fireEvent.click(button, { detail: 3 });
  expect(press).toHaveBeenCalledTimes(1);
  // By a key it counts every time.
  fireEvent.click(button, { detail: 0 });
  expect(press).toHaveBeenCalledTimes(2);
});
