import {
  deadBandKey,
  passesKey,
  pointsView,
  tableOf,
  type PointTableError,
  type Step,
  type TakenPoint,
} from '@holvek/core';
import { useEffect, useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { PointChart } from '../point-chart';
import { CausesButton } from '../causes-sheet';
import { PointEntry } from '../point-entry';
import { SettledPill } from '../settled-pill';
import { SkipSheet } from '../skip-sheet';
import { SourceButton } from '../source-sheet';
import { StepFrame } from '../step-frame';
import { useStepText } from '../step-words';
import { useDesk } from '../use-desk';
import { usePoint } from '../use-point';
import { useKeys } from '@/shell/use-keys';
import { BigNumber } from '@/ui/big-number';
import { Card, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Figure, Muted, Strong, Title, Words } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';

/** Times over the whole range that show repeatability well enough. */
const MOST_PASSES = 3;

/** Five points up and down again: the next one is offered, one hand takes it. */
export function PointsStep({ step }: { readonly step: Step }) {
  const { run, add, view: runView } = useDesk();
  const point = usePoint(step.id);
  const view = pointsView(run, step.id);
  const [isSkipping, setSkipping] = useState(false);
  const fill = useStepText();
  const { next } = view;
  const at = next?.at;
  const { isLinked, set } = point;
  useEffect(() => {
    if (at !== undefined && isLinked) set(at);
    // The calibrator follows the point that is offered, not every render.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- set is made anew each time
  }, [at, next?.direction, isLinked]);
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const take = () => next && void point.take(next);
  useKeys({ r: () => point.isSettled && take(), n: () => !next && done() });
  const dead = run.measured[deadBandKey(step.id)];
  const found = step.purpose === 'as_left' ? tableOf(run, 'as_found')?.points : undefined;
  return (
    <StepFrame
      hideWords={view.taken.length > 0}
      actions={
        !next ? (
          <BigButton flex={1} onPress={done} keyHint="N" testID="confirm-step">
            {`All ${view.taken.length} points: next`}
          </BigButton>
        ) : isLinked ? (
          <BigButton flex={1} kind={point.isSettled ? 'primary' : 'outline'} disabled={point.live === undefined} onPress={take} keyHint="R" testID="take-point">
            {point.live === undefined ? 'Waiting for the scale' : `${point.isSettled ? 'Take' : 'Take it moving:'} ${point.outputSay(point.live)}`}
          </BigButton>
        ) : (
          <PointEntry point={point} unit={point.outputUnit} label={`Output at ${point.signalSay(next.at)}, ${next.direction === 'up' ? 'going up' : 'coming down'}`} onTake={(value) => void point.take(next, value)} />
        )
      }
      more={
        <>
          {runView.canSkip && next ? <WordButton onPress={() => setSkipping(true)}>leave it out</WordButton> : null}
          {!next && view.passes < MOST_PASSES ? <WordButton onPress={() => void add({ type: 'observed', key: passesKey(step.id), value: view.passes + 1 })}>once more</WordButton> : null}
          <SourceButton stepId={step.id} point={point} at={at} />
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {view.taken.length > 0 ? <Title>{fill(step.say)}</Title> : null}
      {next ? (
        <XStack justifyContent="space-between" alignItems="center" gap="$2">
          <YStack>
            <Muted>{next.direction === 'up' ? 'signal, going up' : 'signal, coming down'}</Muted>
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
        next={at}
      />
      <PointRows points={view.taken} point={point} />
      {next ? null : view.table.ok ? (
        <Card>
          <Row label="Largest error">{`${spanWords(view.table.value.worst.error)} at ${point.signalSay(view.table.value.worst.at)}`}</Row>
          <Row label="Zero, span">{`${spanWords(view.table.value.zeroError)}, ${spanWords(view.table.value.spanError)}`}</Row>
          <Row label="Hysteresis">{view.table.value.hysteresis === undefined ? '–' : spanWords(view.table.value.hysteresis)}</Row>
          {view.table.value.repeatability === undefined ? null : <Row label={`Repeatability, ${view.passes} times`}>{spanWords(view.table.value.repeatability, 2)}</Row>}
          {dead === undefined ? null : <Row label="Dead band">{spanWords(dead, 2)}</Row>}
          <Row label="Linearity: best · ends · zero" isLast>{`${spanWords(view.table.value.linearity.independent)} · ${spanWords(view.table.value.linearity.terminalBased)} · ${spanWords(view.table.value.linearity.zeroBased)}`}</Row>
        </Card>
      ) : (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{tableTrouble[view.table.error.code]}</Words>
        </Card>
      )}
      <SkipSheet step={step} isOpen={isSkipping} onClose={() => setSkipping(false)} />
    </StepFrame>
  );
} // prettier-ignore

export const toChart = ({ at, direction, share }: Pick<TakenPoint, 'at' | 'direction' | 'share'>) => ({
  at,
  direction,
  error: share - at,
});

const tableTrouble: Record<PointTableError['code'], string> = {
  'prove.points_missing': 'Points are missing: without both ends there is no zero and no span.',
  'prove.point_twice': 'The same point stands there twice. Undo one of them.',
  'prove.points_out_of_order': 'The points are out of order. Undo back to the one that is wrong.',
  'prove.output_frozen': 'The output did not move at all. Is the air on, and does the link hold?',
  'prove.signal_reversed': 'The output went the other way. Is the action on the plate right?',
};

/** The points as a table: signal, what it should be, what it is, the error. */
function PointRows({
  points,
  point,
}: {
  readonly points: readonly TakenPoint[];
  readonly point: ReturnType<typeof usePoint>;
}) {
  if (points.length === 0) return null;
  const cell = { flex: 1, textAlign: 'right' } as const;
  return (
    <Card padding="$3" gap="$0" role="table" aria-label="Points taken">
      <XStack role="row" paddingBottom="$2">
        {['signal', 'should', 'is', 'error'].map((head) => (
          <Muted key={head} {...cell} role="columnheader">
            {head}
          </Muted>
        ))}
      </XStack>
      {points.toReversed().map((taken) => {
        const error = taken.share - taken.at;
        const isOut = Math.abs(error) > point.plate.tolerance_span;
        return (
          <XStack
            key={taken.eventId}
            role="row"
            minHeight={36}
            alignItems="center"
            borderTopWidth={1}
            borderColor="$line"
          >
            <Figure {...cell} role="cell">
              {`${taken.direction === 'down' ? '↓ ' : ''}${point.signalSay(taken.at).split(' ')[0] ?? ''}`}
            </Figure>
            <Figure {...cell} role="cell">
              {point.wantedSay(taken.at).split(' ')[0] ?? ''}
            </Figure>
            <Strong {...cell} role="cell">
              {point.outputFigure(taken.output)}
            </Strong>
            <Figure {...cell} role="cell" color={isOut ? '$vermilion' : '$color'}>
              {`${error > 0 ? '+' : ''}${spanWords(error)}`}
            </Figure>
          </XStack>
        );
      })}
    </Card>
  );
}
