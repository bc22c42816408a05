import { fireEvent, render, screen } from '@testing-library/react';
import { TamaguiProvider } from '@/ui/kit';
import { Guarded } from './guarded';
import { config } from '@/theme/tamagui.config';

let isBroken = true;
function Part() {
  if (isBroken) throw new Error('Loading module 12 failed');
  return <p>it stands</p>;
}

describe('a screen that breaks', () => {
  test('says what happened and what was kept, and comes back when it can', () => {
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    render(
      <TamaguiProvider config={config} defaultTheme="light">
        <Guarded>
          <Part />
        </Guarded>
      </TamaguiProvider>,
    );
    expect(screen.getByRole('alert').textContent).toMatch(/could not be fetched/);
    isBroken = false;
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(screen.getByText('it stands')).toBeTruthy();
    quiet.mockRestore();
  });
});
