import { gaugePa, inTurns, type NextMove, type SettingView } from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import { MoveCard } from './move-card';
import { SettledPill } from '../parts/settled-pill';
import { DeskProvider, type Desk } from '@/desk/use-desk';
import { units } from '@/testing/show-step';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

const predicted = { mean: gaugePa(1), low: gaugePa(0), high: gaugePa(2) };
const moves: readonly (readonly [NextMove, string])[] = [
  [
    { kind: 'turn', turns: inTurns(0.375), predicted, chancePastLane: 0 },
    'next move: 3/8 clockwise',
  ],
  [{ kind: 'stuck', why: 'end_of_travel' } as NextMove, 'Stop turning. The screw is at the end'],
  [{ kind: 'read_again' } as NextMove, 'Read it again: that one does not fit.'],
  [{ kind: 'done' } as NextMove, 'In the lane.'],
];

const desk = { units, run: { started: { house_rules: { settle_wait_s: 20 } } } } as unknown as Desk;
const view = (move: NextMove | undefined) =>
  ({
    position: 0,
    move,
    dots: [],
    isInControl: true,
    rate: undefined,
    prior: { from: 'family', rate: 100_000 },
  }) as unknown as SettingView;
const card = (move: NextMove | undefined) => (
  <TamaguiProvider config={config} defaultTheme="light">
    <DeskProvider value={desk}>
      <MoveCard instrument="gauge" view={view(move)} pendingHint="" wasUnsettled={false} />
    </DeskProvider>
  </TamaguiProvider>
);
const heard = () => screen.getByRole('status').textContent;
afterEach(cleanup);

describe('what is heard of a move', () => {
  test.each(moves)('%j', (move, words) => {
    // The place is there before there is anything to say, or no voice would follow it.
    const { rerender } = render(card(undefined));
    expect(heard()).toBe('');
    rerender(card(move));
    expect(heard()).toContain(words);
  });
});

test('coming to rest is spoken once, not with every second', () => {
  const pill = (state: Parameters<typeof SettledPill>[0]['state']) => (
    <TamaguiProvider config={config} defaultTheme="light">
      <SettledPill state={state} />
    </TamaguiProvider>
  );
  const { rerender } = render(pill(undefined));
  expect(heard()).toBe('');
  rerender(pill({ state: 'settled', steadyFor: 3 } as never));
  expect(heard()).toBe('it rests');
  expect(screen.getByText('settled 3 s')).toBeTruthy();
  rerender(pill({ state: 'settled', steadyFor: 4 } as never));
  expect(heard()).toBe('it rests');
  rerender(pill({ state: 'settling', wait: 4 } as never));
  expect(heard()).toBe('');
});
