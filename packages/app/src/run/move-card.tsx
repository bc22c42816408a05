import type { SettingView } from '@holvek/core';
import { XStack, YStack } from 'tamagui';
import { useDesk } from './use-desk';
import { ScrewDial } from './screw-dial';
import { Card } from '@/ui/card';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';

type Props = { readonly view: SettingView; readonly pendingHint: string; readonly wasUnsettled: boolean };

/** The screw as it stands and should stand, and how far to turn. */
export function MoveCard({ view, pendingHint, wasUnsettled }: Props) {
  const { run } = useDesk();
  const { move } = view;
  const turns = move && 'turns' in move ? move.turns : 0;
  return (
    <Card>
      <XStack gap="$4" alignItems="center">
        <ScrewDial position={view.position} turns={turns} />
        <YStack flex={1} gap="$1">
          <Strong color="$brass" fontSize="$2">
            {move?.kind === 'back_off'
              ? 'gone past: come back, then approach again'
              : move?.kind === 'probe'
                ? 'find out which way it works'
                : move?.kind === 'done'
                  ? 'as it should be'
                  : move === undefined
                    ? 'first'
                    : 'next move'}
          </Strong>
          {move === undefined ? (
            <>
              <Title>{view.dots.length === 0 ? 'Read the gauge' : 'Read it again'}</Title>
              <Words color="$muted">
                {wasUnsettled
                  ? `That one was still moving: kept, not counted. ${pendingHint}`
                  : view.isInControl
                    ? pendingHint
                    : 'The valve was wide open, so that reading teaches nothing. Wait for the main.'}
              </Words>
            </>
          ) : move.kind === 'done' ? (
            <>
              <Title>In the lane</Title>
              <RateWords view={view} />
            </>
          ) : move.kind === 'stuck' ? (
            <>
              <Title>Stop turning</Title>
              <Words color="$muted">
                {move.why === 'end_of_travel'
                  ? 'The screw is at the end of its travel. Another spring is needed for this target.'
                  : 'No turn is safe enough from here. Check the gauge and what holds the valve.'}
              </Words>
            </>
          ) : (
            <>
              <Title testID="next-move">{`${turnWord(move.turns)} ${wayWord(move.turns)}`}</Title>
              <Words color="$muted">{`then wait about ${run.started.house_rules.settle_wait_s} s.`}</Words>
              <RateWords view={view} />
            </>
          )}
        </YStack>
      </XStack>
    </Card>
  );
}

/** What a turn gives: learned here, and what was believed before. */
function RateWords({ view: { rate, prior } }: { readonly view: SettingView }) {
  const { units } = useDesk();
  const source = {
    sheets: 'its last sheets say',
    spring: 'its spring chart says',
    family: 'the family says',
  }[prior.from];
  const before = units.figure(prior.rate);
  return (
    <Muted>
      {rate
        ? `This valve gives ${units.figure(Math.abs(rate.mean))} a turn, ${source} ${before}.`
        : `A turn should give about ${before} ${units.pressure}: ${source} so.`}
    </Muted>
  );
}
