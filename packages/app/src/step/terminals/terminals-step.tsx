import { terminalKey, terminals, terminalsLeft, type StepOf } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { CausesButton } from '../parts/causes-sheet';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { Pill } from '@/ui/card';
import { BigButton, Press } from '@/ui/press';
import { TickBox } from '@/ui/tick-box';
import { Muted, Title, Words } from '@/ui/words';

/** Every terminal looked at before the supply comes on: a tap for each that is right, another takes it back. */
export function TerminalsStep({ step }: { readonly step: StepOf<'terminals'> }) {
  const { run, add } = useDesk();
  const left = terminalsLeft(run);
  const done = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({ n: () => left === 0 && done() });
  return (
    <StepFrame
      hideWords
      actions={
        <BigButton flex={1} disabled={left > 0} onPress={done} keyHint="N" testID="confirm-step">
          {left > 0 ? `${left} still to look at` : 'All right: next'}
        </BigButton>
      }
      more={<CausesButton say="one is wrong" />}
    >
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Title flexShrink={1}>{step.say}</Title>
        <Pill
          tone={left === 0 ? 'good' : 'work'}
        >{`${terminals.length - left} of ${terminals.length}`}</Pill>
      </XStack>
      <Muted>Supply stays off and locked. What is wrong is put right before it is ticked.</Muted>
      <YStack gap="$2">
        {terminals.map(({ id, say }) => {
          const isRight = run.observed[terminalKey(id)] === 'right';
          return (
            <Press
              key={id}
              role="checkbox"
              aria-checked={isRight}
              testID={`terminal-${id}`}
              onPress={() =>
                void add({
                  type: 'observed',
                  key: terminalKey(id),
                  value: isRight ? 'open' : 'right',
                })
              }
              minHeight="$touch"
              borderRadius="$3"
              borderWidth={2}
              borderColor={isRight ? '$verdigris' : '$line'}
              backgroundColor={isRight ? '$lane' : '$card'}
              padding="$3"
              justifyContent="center"
            >
              <XStack gap="$3" alignItems="center">
                <TickBox isTicked={isRight} />
                <Words flex={1} color={isRight ? '$onLane' : '$color'}>
                  {say}
                </Words>
              </XStack>
            </Press>
          );
        })}
      </YStack>
    </StepFrame>
  );
}
