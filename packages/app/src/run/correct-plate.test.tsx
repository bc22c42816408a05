import { fireEvent, screen, act, cleanup } from '@testing-library/react';
import { CorrectPlate } from './correct-plate';
import { blower, runOf } from '@/testing/family-samples';
import { press, showAt, type } from '@/testing/show-step';

afterEach(cleanup);

describe('the plate says otherwise', () => {
  const run = runOf(blower);

  test('what is changed is said with both figures, and entered with where it is seen', async () => {
    const done = jest.fn();
    const added = showAt(run, <CorrectPlate onDone={done} />);
    const button = () => screen.getByTestId('correct-plate');
    expect(button().textContent).toContain('Nothing differs yet');
    await type('Outlet rated to', '90 kPa');
    expect(screen.getByText(/^Outlet rated to: 90.kPa \(was/u)).toBeTruthy();
    await act(async () => void fireEvent.click(button()));
    expect(added).toEqual([]);
    await type('Where you see it', 'Cast on the outlet flange');
    await press('So says the plate');
    expect(added).toEqual([
      {
        type: 'plate_corrected',
        facts: [{ path: 'outlet_rating_pa', value: 90_000 }],
        why: 'Cast on the outlet flange',
      },
    ]);
    expect(done).toHaveBeenCalledTimes(1);
  });

  test('what cannot be read is said beside it, and nothing is entered', async () => {
    const added = showAt(run, <CorrectPlate onDone={() => undefined} />);
    await type('Where you see it', 'Cast on it');
    await type('Outlet rated to', 'blue');
    expect(screen.getByText(/no number in it/u)).toBeTruthy();
    await press('Nothing differs yet');
    expect(added).toEqual([]);
  });

  test('it asks for nothing that is not of the plate', () => {
    showAt(run, <CorrectPlate onDone={() => undefined} />);
    expect(screen.queryByLabelText('Tag')).toBeNull();
    expect(screen.queryByLabelText('Set point')).toBeNull();
    expect(screen.getByLabelText('Turns from free to coil-bound')).toBeTruthy();
  });
});
