import type { TakenPoint } from '@holvek/core';
import { XStack } from '@/ui/kit';
import type { usePoint } from './use-point';
import { Card } from '@/ui/card';
import { Figure, Muted, Strong } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

/** The points as a table: signal, what it should be, what it is, the error. */
export function PointRows({
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
