import { XStack, YStack } from '@/ui/kit';
import { PointEntry } from '../points/point-entry';
import type { TypedOutput, usePoint } from '../points/use-point';
import { useDesk } from '@/desk/use-desk';
import { BigButton } from '@/ui/press';
import { Muted } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

/** The signal at which the output begins or saturates: crept up on by the linked calibrator, or typed. */
export function EndEntry({
  point,
  spot,
  onTake,
}: {
  readonly point: ReturnType<typeof usePoint>;
  readonly spot: number;
  readonly onTake: (value: TypedOutput) => Promise<boolean>;
}) {
  const { units } = useDesk();
  const ask =
    spot === 0 ? 'Signal at which the output first moves' : 'Signal at which it reaches the supply';
  const now = point.signal ?? 0;
  return (
    <YStack gap="$2" flex={1}>
      {point.isLinked ? (
        <XStack gap="$2">
          {[-0.01, 0.0025, 0.01].map((by) => (
            <BigButton
              key={by}
              flex={1}
              kind="outline"
              onPress={() => point.set(now + by)}
              label={`Signal ${by > 0 ? 'up' : 'down'} ${spanWords(Math.abs(by), 2)}`}
            >
              {`${by > 0 ? '+' : '−'}${Math.abs(by * 100)} %`}
            </BigButton>
          ))}
        </XStack>
      ) : null}
      {point.isLinked ? (
        <Muted>{`calibrator at ${point.signalSay(now)}, output at ${Math.round((point.outputShare ?? 0) * 100)} % of the supply`}</Muted>
      ) : null}
      <PointEntry
        point={point}
        unit={point.plate.input.kind === 'pressure' ? units.pressure : 'mA'}
        kind={point.plate.input.kind}
        label={ask}
        onTake={onTake}
      />
    </YStack>
  );
}
