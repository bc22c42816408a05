import {
  ARM,
  areScrewsAlike,
  inputOfSpot,
  linkageView,
  promptOf,
  tableOf,
  type LinkageView,
  type Prompt,
  type Spot,
  type StepOf,
} from '@holvek/core';
import { useEffect } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { EndEntry } from './end-entry';
import { ArmSheet } from './arm-sheet';
import { armFigure, LinkageMove } from './linkage-move';
import { CausesButton } from '../parts/causes-sheet';
import { SettledPill } from '../parts/settled-pill';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet } from '../parts/step-sheets';
import { useStepText } from '../parts/step-text';
import { NextButton, TurnButton } from '../parts/turn-button';
import { useTurn } from '../parts/use-turn';
import { PointChart } from '../points/point-chart';
import { PointEntry } from '../points/point-entry';
import { TakeButton } from '../points/take-button';
import { toChart } from '../points/to-chart';
import { usePoint, type TypedOutput } from '../points/use-point';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigNumber } from '@/ui/big-number';
import { Card, Pill } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Muted, Strong, Title, Words } from '@/ui/words';

/** Zero, span and angularity: which screw, how far, and the reading to come to; one thing at a time. */
export function LinkageStep({ step }: { readonly step: StepOf<'linkage'> }) {
  const { run } = useDesk();
  const linkage = useLinkage(step);
  const { view, prompt, point, turn, isEnds, arm } = linkage;
  const fill = useStepText();
  const found = tableOf(run, 'as_found')?.points.filter(({ direction }) => direction === 'up');
  const at = prompt.ask === 'point' ? prompt.at : undefined;
  return (
    <StepFrame
      hideWords
      actions={<LinkageActions linkage={linkage} />}
      more={
        <>
          {prompt.ask === 'turn' ? (
            <WordButton onPress={turn.openOther}>
              {arm ? 'another figure' : 'other amount'}
            </WordButton>
          ) : null}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      <XStack justifyContent="space-between" alignItems="flex-start" gap="$2">
        <Title flexShrink={1}>{fill(step.say)}</Title>
        {prompt.ask === 'done' ? (
          <Pill tone="good">holds</Pill>
        ) : (
          <Pill tone="work">{roundsWord(view.roundsToGo)}</Pill>
        )}
      </XStack>
      {at === undefined || isEnds ? null : <NextSignal at={at} point={point} />}
      {isEnds ? null : (
        <PointChart
          tolerance={point.plate.tolerance_span}
          points={spotPoints(view)}
          {...(found ? { found: found.map(toChart) } : {})}
          ends={point.ends}
          next={at}
          height={168}
        />
      )}
      <LinkageMove view={view} prompt={prompt} point={point} isEnds={isEnds} />
      {areScrewsAlike(view) && prompt.ask !== 'done' ? <AlikeNote /> : null}
      <OtherSheet linkage={linkage} />
    </StepFrame>
  );
}

/** A linkage as it stands, and the ways to take it on. */
function useLinkage(step: StepOf<'linkage'>) {
  const { run } = useDesk();
  const point = usePoint(step.id);
  const view = linkageView(run);
  const prompt = promptOf(run, step);
  const turn = useTurn(step.id, prompt.ask === 'turn' ? prompt.adjuster : 'main');
  const isEnds = step.measure === 'ends';
  const asked = prompt.ask === 'point' ? prompt : undefined;
  const wanted = spotWanted(prompt, view);
  const { isLinked, set } = point;
  useEffect(() => {
    if (wanted !== undefined && isLinked && !isEnds) set(wanted);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- set is made anew each time
  }, [wanted, isLinked, isEnds]);
  const read = async (typed?: TypedOutput) =>
    asked !== undefined && (await point.take(asked, typed));
  useKeys({
    t: () => prompt.ask === 'turn' && turn.turned(prompt.turns),
    r: () => point.isSettled && void read(),
    n: () => prompt.ask === 'done' && turn.next(),
  });
  /** The arm, where it and no screw is moved now. */
  const arm = prompt.ask === 'turn' && prompt.adjuster === ARM ? view.arm : undefined;
  return { view, prompt, asked, point, turn, isEnds, arm, read };
}

/** Where the calibrator should stand: at the reading to come to, or at the spot that a screw moves. */
const spotWanted = (prompt: Prompt, { move }: LinkageView): number | undefined => {
  if (prompt.ask === 'point') return prompt.at;
  return 'spot' in move ? inputOfSpot[move.spot] : undefined;
};

/** The move as it came out, when it is not the one that was asked for. */
function OtherSheet({ linkage }: { readonly linkage: ReturnType<typeof useLinkage> }) {
  const { prompt, turn, arm } = linkage;
  if (arm)
    return (
      <ArmSheet isOpen={turn.isOther} arm={arm} onSlid={turn.turned} onClose={turn.closeOther} />
    );
  return (
    <AmountSheet
      isOpen={turn.isOther}
      adjuster={prompt.ask === 'turn' ? prompt.adjuster : 'main'}
      onTurned={turn.turned}
      onClose={turn.closeOther}
    />
  );
}

function LinkageActions({ linkage }: { readonly linkage: ReturnType<typeof useLinkage> }) {
  const { prompt, point, turn, isEnds, arm, read } = linkage;
  switch (prompt.ask) {
    case 'done':
      return <NextButton onPress={turn.next}>Both ends hold: next</NextButton>;
    case 'turn':
      return (
        <TurnButton
          turns={prompt.turns}
          onTurned={turn.turned}
          {...(arm ? { made: `Arm stands at ${armFigure(arm, prompt.turns)}` } : {})}
        />
      );
    case 'point':
      if (isEnds) return <EndEntry point={point} spot={prompt.at} onTake={read} />;
      return point.isLinked ? (
        <TakeButton point={point} onTake={() => void read()} />
      ) : (
        <PointEntry
          point={point}
          unit={point.outputUnit}
          label={`Output at ${point.signalSay(prompt.at)}`}
          onTake={read}
        />
      );
    default:
      return null;
  }
}

/** The signal that is wanted now, and what the output should show at it. */
function NextSignal({
  at,
  point,
}: {
  readonly at: number;
  readonly point: ReturnType<typeof usePoint>;
}) {
  return (
    <XStack justifyContent="space-between" alignItems="center" gap="$2">
      <YStack>
        <Muted>signal</Muted>
        <BigNumber testID="next-signal" fontSize="$8" lineHeight="$8">
          {point.signalSay(at)}
        </BigNumber>
      </YStack>
      <YStack alignItems="flex-end">
        <SettledPill state={point.settling} />
        <Muted>{`should show ${point.wantedSay(at)}`}</Muted>
      </YStack>
    </XStack>
  );
}

const AlikeNote = () => (
  <Card tone="warn" role="note">
    <Strong color="$onBrassSoft">Two screws do nearly the same</Strong>
    <Words color="$onBrassSoft">
      Each undoes the other, so every step is large and leaves little. Look at the linkage: is it in
      the right hole, and square at mid-scale?
    </Words>
  </Card>
);

const roundsWord = (rounds: number): string => {
  const whole = Math.max(1, Math.round(rounds));
  return `about ${whole} ${whole === 1 ? 'round' : 'rounds'} to go`;
};

const spotPoints = ({ errors }: LinkageView) =>
  Object.entries(errors).map(([spot, { error }]) => ({
    at: inputOfSpot[spot as Spot],
    direction: 'up' as const,
    error,
  }));
