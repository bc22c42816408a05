import { passesKey, pointsView, promptOf, tableOf, type StepOf } from '@holvek/core';
import { useEffect, useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { PointChart } from './point-chart';
import { PointEntry } from './point-entry';
import { PointRows } from './point-rows';
import { SourceButton } from './source-sheet';
import { TableCard } from './table-card';
import { TakeButton } from './take-button';
import { toChart } from './to-chart';
import { usePoint } from './use-point';
import { CausesButton } from '../parts/causes-sheet';
import { SettledPill } from '../parts/settled-pill';
import { SkipSheet } from '../parts/skip-sheet';
import { StepFrame } from '../parts/step-frame';
import { useStepText } from '../parts/step-text';
import { NextButton } from '../parts/turn-button';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigNumber } from '@/ui/big-number';
import { WordButton } from '@/ui/press';
import { Muted, Title } from '@/ui/words';

/** Times over the whole range that show repeatability well enough. */
const MOST_PASSES = 3;
const goingWord = { up: 'going up', down: 'coming down' } as const;

/** Five points up and down again: the next one is offered, one hand takes it. */
export function PointsStep({ step }: { readonly step: StepOf<'points'> }) {
  const { run } = useDesk();
  const points = usePoints(step);
  const { view, next, point } = points;
  const [isSkipping, setSkipping] = useState(false);
  const fill = useStepText();
  const found = step.purpose === 'as_left' ? tableOf(run, 'as_found')?.points : undefined;
  return (
    <StepFrame
      hideWords={view.taken.length > 0}
      actions={<PointsActions points={points} />}
      more={<MoreOfPoints points={points} step={step} onSkip={() => setSkipping(true)} />}
    >
      {view.taken.length > 0 ? <Title>{fill(step.say)}</Title> : null}
      {next ? (
        <XStack justifyContent="space-between" alignItems="center" gap="$2">
          <YStack>
            <Muted>{`signal, ${goingWord[next.direction]}`}</Muted>
            <BigNumber testID="next-signal" fontSize="$8" lineHeight="$8">
              {point.signalSay(next.at)}
            </BigNumber>
          </YStack>
          <YStack alignItems="flex-end">
            <SettledPill state={point.settling} />
            <Muted>{`should show ${point.wantedSay(next.at)}`}</Muted>
          </YStack>
        </XStack>
      ) : null}
      <PointChart
        tolerance={point.plate.tolerance_span}
        points={view.taken.map(toChart)}
        {...(found ? { found: found.map(toChart) } : {})}
        ends={point.ends}
        next={next?.at}
      />
      <PointRows points={view.taken} point={point} />
      {next ? null : <TableCard view={view} stepId={step.id} point={point} />}
      <SkipSheet step={step} isOpen={isSkipping} onClose={() => setSkipping(false)} />
    </StepFrame>
  );
}

/** A table as far as it has come, and the ways to take it on. */
function usePoints(step: StepOf<'points'>) {
  const { run, add } = useDesk();
  const point = usePoint(step.id);
  const prompt = promptOf(run, step);
  const next = prompt.ask === 'point' ? prompt : undefined;
  const { isLinked, set } = point;
  useEffect(() => {
    if (next && isLinked) set(next.at);
    // The calibrator follows the point that is offered, not every render.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- set is made anew each time
  }, [next?.at, next?.direction, isLinked]);
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const take = () => next && void point.take(next);
  useKeys({ r: () => point.isSettled && take(), n: () => !next && done() });
  return { view: pointsView(run, step.id), point, next, done, take };
}
type Points = ReturnType<typeof usePoints>;

function PointsActions({ points: { view, point, next, done, take } }: { readonly points: Points }) {
  if (!next)
    return <NextButton onPress={done}>{`All ${view.taken.length} points: next`}</NextButton>;
  if (point.isLinked) return <TakeButton point={point} onTake={take} />;
  return (
    <PointEntry
      point={point}
      unit={point.outputUnit}
      label={`Output at ${point.signalSay(next.at)}, ${goingWord[next.direction]}`}
      onTake={(value) => point.take(next, value)}
    />
  );
}

function MoreOfPoints({
  points: { view, point, next },
  step,
  onSkip,
}: {
  readonly points: Points;
  readonly step: StepOf<'points'>;
  readonly onSkip: () => void;
}) {
  const { add, view: runView } = useDesk();
  const again = () =>
    void add({ type: 'observed', key: passesKey(step.id), value: view.passes + 1 });
  return (
    <>
      {runView.canSkip && next ? <WordButton onPress={onSkip}>leave it out</WordButton> : null}
      {!next && view.passes < MOST_PASSES ? (
        <WordButton onPress={again}>once more</WordButton>
      ) : null}
      <SourceButton stepId={step.id} point={point} at={next?.at} />
      <CausesButton say="it doesn’t answer" />
    </>
  );
}
