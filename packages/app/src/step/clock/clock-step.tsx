import { hasFlame, lateSparkSeconds, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useCountdown } from '@/ui/use-countdown';
import { BigNumber } from '@/ui/big-number';
import { BigButton, WordButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Muted } from '@/ui/words';

/** A wait by the clock, then the answer: started by a tap, and started anew when it went wrong. */
export function ClockStep({ step }: { readonly step: StepOf<'clock'> }) {
  const { run, add } = useDesk();
  const { plate, house_rules: rules } = run.started;
  const seconds = hasFlame(plate) ? lateSparkSeconds(plate, rules) : 0;
  const [round, setRound] = useState(0);
  const [isRunning, setRunning] = useState(false);
  const give = useOnce(async (value: string) => {
    if ((await add({ type: 'observed', key: step.asks.key, value })) && value === 'yes')
      await add({ type: 'step_done', step_id: step.id });
  });
  return (
    <ClockFace
      key={round}
      step={step}
      seconds={seconds}
      isRunning={isRunning}
      onStart={() => setRunning(true)}
      onAgain={() => {
        setRunning(false);
        setRound(round + 1);
      }}
      onAnswer={give}
      answer={run.observed[step.asks.key]}
    />
  );
}

type Props = {
  readonly step: StepOf<'clock'>;
  readonly seconds: number;
  readonly isRunning: boolean;
  readonly answer: string | undefined;
  readonly onStart: () => void;
  readonly onAgain: () => void;
  readonly onAnswer: (value: string) => Promise<void>;
};

function ClockFace({ step, seconds, isRunning, answer, onStart, onAgain, onAnswer }: Props) {
  const left = useCountdown(seconds, isRunning);
  const hasRun = isRunning && left <= 0;
  return (
    <StepFrame
      actions={
        hasRun ? (
          <YStack gap="$2" flex={1}>
            {step.asks.choices?.map(({ value, say }) => (
              <BigButton
                key={value}
                kind={value === 'yes' ? 'primary' : 'stop'}
                onPress={() => void onAnswer(value)}
                testID={`clock-${value}`}
              >
                {say}
              </BigButton>
            ))}
          </YStack>
        ) : (
          <BigButton
            flex={1}
            kind="brass"
            disabled={isRunning}
            onPress={onStart}
            testID="start-clock"
          >
            {isRunning ? `Spark in ${left.toFixed(1)} s` : 'Gas on: start the clock'}
          </BigButton>
        )
      }
      more={hasRun || answer === 'no' ? <WordButton onPress={onAgain}>once more</WordButton> : null}
    >
      <YStack alignItems="center" paddingVertical="$4">
        <BigNumber>{(isRunning ? left : seconds).toFixed(1)}</BigNumber>
        <Muted>{hasRun ? 'Spark now' : 'seconds without a spark'}</Muted>
        {answer === 'no' ? (
          <Muted color="$vermilion">
            Flooded: too much gas. Purge, undo back to the edges, and leave it lower.
          </Muted>
        ) : null}
      </YStack>
    </StepFrame>
  );
}
