import { rankCauses, type Cause, type Evidence, type RankedCause } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

const MOST = 5;
export type CauseAction = { readonly say: string; readonly run: () => void };

/** Causes in order of likelihood, each with its tell, the check that tells it apart, and what to do. */
export function CauseCards({
  causes,
  evidence,
  answered,
  onAnswer,
  actionOf,
}: {
  readonly causes: readonly Cause[];
  readonly evidence: Evidence;
  /** What has been answered, by the key of its check. */
  readonly answered: Evidence;
  readonly onAnswer: (key: string, value: string) => void;
  /** What may be done about a cause from here; undefined where there is nothing. */
  readonly actionOf: (causeId: string) => CauseAction | undefined;
}) {
  const [opened, setOpened] = useState<string>();
  return (
    <YStack gap="$3">
      {rankCauses(causes, evidence)
        .slice(0, MOST)
        .map((entry, i) => {
          const { id, check } = entry.cause;
          return (
            <CauseCard
              key={id}
              entry={entry}
              isOpen={opened ? opened === id : i === 0}
              onOpen={() => setOpened(id)}
              answered={check ? answered[check.key] : undefined}
              onAnswer={(value) => {
                if (check) onAnswer(check.key, value);
              }}
              action={actionOf(id)}
            />
          );
        })}
    </YStack>
  );
}

type CauseProps = {
  readonly entry: RankedCause;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  readonly answered: string | undefined;
  readonly onAnswer: (value: string) => void;
  readonly action: CauseAction | undefined;
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
          {action ? <BigButton onPress={action.run}>{action.say}</BigButton> : null}
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
