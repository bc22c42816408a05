import { phases } from '@holvek/core';
import Check from 'lucide-react-native/icons/check';
import { ScrollView, XStack, YStack } from 'tamagui';
import { phaseWord } from './phase-rail';
import { useStepText } from './step-words';
import { useDesk } from './use-desk';
import { useInk } from '@/theme/use-ink';
import { Muted, Strong, Title, Words } from '@/ui/words';

/** All steps by phase: done, in hand, to come. */
export function StepList() {
  const { run, view } = useDesk();
  const fill = useStepText();
  const ink = useInk();
  return (
    <ScrollView width="$steps" maxWidth="$steps" role="complementary" aria-label="Steps">
      <YStack padding="$4" gap="$3">
        <YStack>
          <Title>{run.started.valve_tag}</Title>
          <Muted>{`${run.started.valve_name} · DN ${run.started.plate.size_dn}`}</Muted>
        </YStack>
        {phases.map((phase) => {
          const steps = run.steps.filter((step) => step.phase === phase);
          return steps.length === 0 ? null : (
            <YStack key={phase} gap="$1">
              <Strong color={view.step?.phase === phase ? '$brass' : '$verdigrisDeep'} fontSize="$2">
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
                    {isDone ? <Check size={15} color={ink.muted} /> : null}
                    <Words
                      fontSize="$2"
                      lineHeight="$2"
                      flexShrink={1}
                      color={isHere ? '$onBrassSoft' : isDone ? '$muted' : '$color'}
                      fontFamily={isHere ? '$strong' : '$body'}
                    >
                      {fill(step.say)}
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
