import { recordOf, type StepOf } from '@holvek/core';
import { View, XStack } from '@/ui/kit';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Strong } from '@/ui/words';

/** The same movement several times, counted. */
export function CycleStep({ step }: { readonly step: StepOf<'cycle'> }) {
  const { add, run } = useDesk();
  const wanted = typeof step.count === 'string' ? run.started.house_rules[step.count] : step.count;
  const made = recordOf(run, step).count;
  const next = useOnce(async () => {
    if (!(await add({ type: 'cycled', step_id: step.id }))) return;
    if (made + 1 >= wanted) await add({ type: 'step_done', step_id: step.id });
  });
  useKeys({ n: () => void next() });
  return (
    <StepFrame
      actions={
        <BigButton flex={1} onPress={() => void next()} keyHint="N" testID="confirm-step">
          {wanted === 1 ? 'Done once' : `Cycle ${Math.min(made + 1, wanted)} of ${wanted} done`}
        </BigButton>
      }
    >
      <XStack
        gap="$3"
        justifyContent="center"
        paddingVertical="$4"
        role="img"
        aria-label={`${made} of ${wanted} cycles done`}
      >
        {Array.from({ length: wanted }, (_, i) => (
          <View
            key={i}
            width={56}
            height={56}
            borderRadius="$pill"
            borderWidth={3}
            borderColor={i < made ? '$verdigris' : '$line'}
            backgroundColor={i < made ? '$lane' : '$card'}
            alignItems="center"
            justifyContent="center"
          >
            <Strong color={i < made ? '$onLane' : '$muted'}>{String(i + 1)}</Strong>
          </View>
        ))}
      </XStack>
    </StepFrame>
  );
}
