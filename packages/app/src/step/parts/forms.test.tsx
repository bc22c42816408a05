import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { EndEarly } from './end-early';
import { OtherAmount } from './other-amount';
import { blower, runOf } from '@/testing/family-samples';
import { press, showAt, type } from '@/testing/show-step';

afterEach(cleanup);
const run = runOf(blower);
const choose = (name: string) =>
  act(async () => void fireEvent.click(screen.getByRole('radio', { name })));

describe('another amount than was asked for', () => {
  const shown = () => {
    const turned = jest.fn();
    showAt(run, <OtherAmount adjuster="main" onTurned={turned} />);
    return turned;
  };

  test('is as it was made, with its way; an eighth is one press', async () => {
    const turned = shown();
    await press('3/8 turn');
    await press('Turned 3/8 clockwise');
    expect(turned).toHaveBeenLastCalledWith(0.375);
    await type('Turns', '1 1/4');
    await choose('anticlockwise');
    await press(/^Turned 1 1\/4 anticlockwise/u);
    expect(turned).toHaveBeenLastCalledWith(-1.25);
  });

  test('that is none, or more than the screw has, is said and not taken', async () => {
    const turned = shown();
    await type('Turns', 'a bit');
    expect(screen.getByText(/Type turns such as/u)).toBeTruthy();
    await press('Turned');
    await type('Turns', '55');
    expect(screen.getByText(/turns from end to end/u)).toBeTruthy();
    await press('Turned');
    expect(turned).not.toHaveBeenCalled();
  });
});

describe('an honest end', () => {
  const reason = 'What is wrong, in your words';

  test('wants words, and says how and why it ended', async () => {
    const ended = jest.fn();
    const added = showAt(run, <EndEarly onEnded={ended} />);
    await type(reason, 'no');
    await press(/End here/u);
    expect(added).toEqual([]);
    await choose('Given up for now');
    await type(reason, '  the light goes  ');
    await press(/End here/u);
    expect(added).toEqual([
      {
        type: 'ended',
        step_id: expect.any(String),
        outcome: 'given_up',
        why: 'hunts',
        reason: 'the light goes',
      },
    ]);
    expect(ended).toHaveBeenCalledTimes(1);
  });

  test('out of service asks for no further cause', async () => {
    const added = showAt(run, <EndEarly onEnded={() => undefined} />);
    await choose('Out of service');
    await type(reason, 'cracked body');
    await press(/End here/u);
    expect(added).toEqual([
      { type: 'condemned', step_id: expect.any(String), reason: 'cracked body' },
    ]);
  });
});
