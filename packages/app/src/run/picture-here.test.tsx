import type { PhotoSubject } from '@holvek/core';
import { cleanup, screen } from '@testing-library/react';
import { PictureHere } from './picture-here';
import { AddPhoto } from '@/photo/add-photo-sheet';
import { BigButton } from '@/ui/press';
import { blower, runOf } from '@/testing/family-samples';
import { press, showAt } from '@/testing/show-step';

jest.mock('@/photo/add-photo-sheet', () => ({ AddPhoto: jest.fn() }));
type Added = {
  readonly first: PhotoSubject;
  readonly onAdded: (picture: string, shows: PhotoSubject) => void;
};
beforeEach(() => {
  jest.mocked(AddPhoto).mockImplementation(({ first, onAdded }: Added) => (
    <>
      <BigButton onPress={() => onAdded('a'.repeat(64), first)}>take it</BigButton>
      <BigButton onPress={() => onAdded('b'.repeat(64), 'parts')}>take its parts</BigButton>
    </>
  ));
});
afterEach(cleanup);

const reading = {
  eventId: 'r-1',
  stepId: 'as_left',
  role: 'inlet' as const,
  reading: { si: 29_000, entered: { text: '29', unit: 'kPa' }, gauge_id: 'g', source: 'typed' },
};

describe('a picture in the middle of the work', () => {
  test('of the gauge goes with the last reading; of anything else it stands by itself', async () => {
    const run = { ...runOf(blower), readings: [reading] } as never;
    const done = jest.fn();
    const added = showAt(run, <PictureHere onDone={done} />);
    expect(screen.getByText(/goes with the last reading: .* at 29.kPa/u)).toBeTruthy();
    await press('take it');
    await press('take its parts');
    const of = { type: 'pictured', step_id: expect.any(String) };
    expect(added).toEqual([
      { ...of, picture: 'a'.repeat(64), shows: 'gauge', of_reading: 'r-1' },
      { ...of, picture: 'b'.repeat(64), shows: 'parts' },
    ]);
    expect(done).toHaveBeenCalledTimes(2);
  });

  test('before anything was read it shows what was found', async () => {
    const added = showAt(runOf(blower), <PictureHere onDone={() => undefined} />);
    await press('take it');
    expect(added).toMatchObject([{ shows: 'found' }]);
    expect(added[0]).not.toHaveProperty('of_reading');
  });
});
