import type { Step } from '@holvek/core';
import { useState, type ReactNode } from 'react';
import { View, YStack } from '@/ui/kit';
import { gatheredAfter } from './gathered';
import { PathLine, PathNode } from './path-node';
import { pathAround } from './path-steps';
import { useStepText } from './step-text';
import { useDesk } from '@/desk/use-desk';
import { phaseWord } from './phase-rail';
import { Muted } from '@/ui/words';
import { WordButton } from '@/ui/press';

/** What is done above, the step in hand as a card, what comes below. */
export function StepPath({
  isGathered,
  renderAhead,
  children,
}: {
  /** The hand is practised: cautions and checks that follow are shown whole. */
  readonly isGathered: boolean;
  readonly renderAhead: (step: Step) => ReactNode;
  readonly children: ReactNode;
}) {
  const { run, view } = useDesk();
  const fill = useStepText();
  const { behind, ahead, beyond } = pathAround(run, view);
  const gathered = isGathered ? gatheredAfter(view.step, ahead) : [];
  const phases = [view.step, ...ahead].map((step) => step?.phase);
  return (
    <YStack>
      <YStack role="list" aria-label="Done before" testID="path-behind">
        {behind.map((step, i) => (
          <PathLine
            key={step.id}
            state={step.id in run.skipped ? 'left_out' : 'done'}
            isFirst={i === 0}
          >
            {fill(step.say, step.adjuster)}
          </PathLine>
        ))}
      </YStack>
      <View role="list" aria-label="In hand">
        <PathNode state="here" isFirst={behind.length === 0} isLast={ahead.length === 0}>
          <YStack
            gap="$3"
            padding="$3"
            marginVertical="$1"
            borderRadius="$4"
            borderWidth={2}
            borderColor="$brassMark"
            backgroundColor="$card"
          >
            {children}
          </YStack>
        </PathNode>
      </View>
      <YStack role="list" aria-label="Comes next" testID="path-ahead">
        {gathered.map((step) => (
          <PathNode key={step.id} state="next" isLast={step === ahead.at(-1)}>
            {renderAhead(step)}
          </PathNode>
        ))}
        {ahead.slice(gathered.length).map((step, at) => {
          const i = at + gathered.length;
          return (
            <PathLine
              key={step.id}
              state={i < 2 ? 'next' : 'later'}
              isLast={i === ahead.length - 1}
              {...(step.phase === phases[i] ? {} : { phase: phaseWord[step.phase] })}
            >
              {fill(step.say, step.adjuster)}
            </PathLine>
          );
        })}
      </YStack>
      {beyond > 0 ? <Muted marginLeft={36}>{`and ${beyond} more, to the signature`}</Muted> : null}
    </YStack>
  );
}

/** Why a step is there: folded, so that what is to be done stays in sight. */
export function FoldedWhy({ children }: { readonly children: string }) {
  const [isOpen, setOpen] = useState(false);
  return isOpen ? (
    <Muted fontSize="$3" lineHeight="$3" testID="why">
      {children}
    </Muted>
  ) : (
    <View alignSelf="flex-start" marginVertical={-8} marginLeft={-4}>
      <WordButton onPress={() => setOpen(true)}>why?</WordButton>
    </View>
  );
}
