import { rankCauses, type Evidence, type RankedCause } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { useDesk } from '@/run/use-desk';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

const MOST = 5;
type Action = { readonly say: string; readonly run: () => void };

/** Causes in order of likelihood, each with its tell, the check that tells it apart, and what to do. */
export function CausesList({
  evidence,
  actionOf,
}: {
  readonly evidence: Evidence;
  readonly actionOf: (causeId: string) => Action;
}) {
  const { run, add } = useDesk();
  const [opened, setOpened] = useState<string>();
  return (
    <YStack gap="$3">
      {rankCauses(run.procedure.causes, evidence)
        .slice(0, MOST)
        .map((entry, i) => (
          <CauseCard
            key={entry.cause.id}
            entry={entry}
            isOpen={opened ? opened === entry.cause.id : i === 0}
            onOpen={() => setOpened(entry.cause.id)}
            answered={entry.cause.check ? run.observed[entry.cause.check.key] : undefined}
            onAnswer={(value) =>
              entry.cause.check && void add({ type: 'observed', key: entry.cause.check.key, value })
            }
            action={actionOf(entry.cause.id)}
          />
        ))}
    </YStack>
  );
}

type CauseProps = {
  readonly entry: RankedCause;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  readonly answered: string | undefined;
  readonly onAnswer: (value: string) => void;
  readonly action: Action;
};

function CauseCard({
  entry: { cause, word },
  isOpen,
  onOpen,
  answered,
  onAnswer,
  action,
}: CauseProps) {
  return (
    <Card {...(isOpen ? { tone: 'work' as const } : {})}>
      <XStack justifyContent="space-between" gap="$2" alignItems="center">
        <Heading flexShrink={1}>{cause.title}</Heading>
        <Pill tone={word === 'very likely' ? 'work' : 'quiet'}>{word}</Pill>
      </XStack>
      <Words color="$muted">{cause.tell}</Words>
      {isOpen ? (
        <>
          {cause.check ? (
            <YStack gap="$2">
              <Words>{cause.check.ask}</Words>
              <XStack gap="$2" flexWrap="wrap">
                {cause.check.answers.map(({ say, value }) => (
                  <BigButton
                    key={value}
                    flex={1}
                    kind={answered === value ? 'brass' : 'outline'}
                    onPress={() => onAnswer(value)}
                  >
                    {say}
                  </BigButton>
                ))}
              </XStack>
            </YStack>
          ) : null}
          <Words>{cause.doThis}</Words>
          <BigButton onPress={action.run}>{action.say}</BigButton>
        </>
      ) : (
        <XStack justifyContent="space-between" alignItems="center">
          <Muted flexShrink={1}>{cause.check?.ask ?? ''}</Muted>
          <WordButton onPress={onOpen} label={`Look into: ${cause.title}`}>
            look
          </WordButton>
        </XStack>
      )}
    </Card>
  );
}
