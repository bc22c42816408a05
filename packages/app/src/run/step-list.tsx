import { phases } from '@holvek/core';
import Check from 'lucide-react-native/icons/check';
import { ScrollView, View, XStack, YStack } from '@/ui/kit';
import { phaseWord } from '@/step/parts/phase-rail';
import { useStepText } from '@/step/parts/step-text';
import { useDesk } from '@/desk/use-desk';
import { useInk } from '@/ui/use-ink';
import { Muted, Strong, Title, Words } from '@/ui/words';

/** All steps by phase: done, in hand, to come. */
export function StepList() {
  const { run, view } = useDesk();
  const fill = useStepText();
  const ink = useInk();
  return (
    <ScrollView
      width="$steps"
      maxWidth="$steps"
      role="complementary"
      aria-label="Steps"
      tabIndex={0}
    >
      <YStack padding="$4" gap="$3">
        <YStack>
          <Title>{run.started.valve_tag}</Title>
          <Muted>{`${run.started.valve_name} · DN ${run.started.plate.size_dn}`}</Muted>
        </YStack>
        {phases.map((phase) => {
          const steps = run.steps.filter((step) => step.phase === phase);
          const isPast = steps.length > 0 && steps.every(({ id }) => view.passed(id));
          if (isPast) return <PastPhase key={phase} name={phaseWord[phase]} count={steps.length} />;
          return steps.length === 0 ? null : (
            <YStack key={phase} gap="$1">
              <Strong
                color={view.step?.phase === phase ? '$brass' : '$verdigrisDeep'}
                fontSize="$2"
              >
                {phaseWord[phase]}
              </Strong>
              {steps.map((step) => {
                const isHere = step.id === view.step?.id;
                const isDone = view.passed(step.id);
                return (
                  <XStack
                    key={step.id}
                    gap="$2"
                    alignItems="center"
                    paddingVertical="$1"
                    paddingHorizontal="$2"
                    borderRadius="$2"
                    backgroundColor={isHere ? '$brassSoft' : 'transparent'}
                    {...(isHere ? { 'aria-current': 'step' as const } : {})}
                  >
                    {isDone ? (
                      <View flexShrink={0}>
                        <Check size={15} color={ink.muted} />
                      </View>
                    ) : null}
                    <Words
                      fontSize="$2"
                      lineHeight="$2"
                      flexShrink={1}
                      color={isHere ? '$onBrassSoft' : isDone ? '$muted' : '$color'}
                      fontFamily={isHere ? '$strong' : '$body'}
                    >
                      {fill(step.say, step.adjuster)}
                    </Words>
                  </XStack>
                );
              })}
            </YStack>
          );
        })}
      </YStack>
    </ScrollView>
  );
}

/** A phase that is behind: one line, so that the step in hand stays in sight. */
function PastPhase({ name, count }: { readonly name: string; readonly count: number }) {
  const ink = useInk();
  return (
    <XStack gap="$2" alignItems="center">
      <Check size={15} color={ink.muted} />
      <Strong color="$verdigrisDeep" fontSize="$2">
        {name}
      </Strong>
      <Muted>{`${count} steps`}</Muted>
    </XStack>
  );
}
