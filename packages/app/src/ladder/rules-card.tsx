import type { Ladder, Rule, System } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { ruleSum, sourceWord } from './ladder-words';
import { useUnits } from '@/units/use-units';
import { Card, Pill } from '@/ui/card';
import { Press, WordButton } from '@/ui/press';
import { Heading, Muted, Spoken, Strong, Words } from '@/ui/words';

type Props = {
  readonly system: System;
  readonly ladder: Ladder | undefined;
  readonly onEdit: (rule: Rule) => void;
  readonly onAdd: () => void;
};

/** Every rule by its number in the picture: its reason, its sum, and how much it has to spare. */
export function RulesCard({ system, ladder, onEdit, onAdd }: Props) {
  const units = useUnits();
  const deciding = new Set(ladder?.targets.map(({ decidedBy }) => decidedBy?.id));
  return (
    <Card>
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>Rules</Heading>
        <WordButton onPress={onAdd}>add a rule</WordButton>
      </XStack>
      {system.rules.map((rule, i) => {
        const slack = ladder?.slacks[i]?.slack;
        return (
          <Press
            key={rule.id}
            onPress={() => onEdit(rule)}
            borderTopWidth={1}
            borderColor="$line"
            paddingVertical="$2"
            minHeight={56}
          >
            <Spoken>Change rule</Spoken>
            <XStack gap="$3" alignItems="flex-start">
              <Strong width={26}>{String(i + 1)}</Strong>
              <YStack flex={1}>
                <Words>{rule.why || ruleSum(rule, system.rungs, units)}</Words>
                <Muted>{`${ruleSum(rule, system.rungs, units)} · ${sourceWord[rule.from]}`}</Muted>
              </YStack>
              {deciding.has(rule.id) ? (
                <Pill tone="work">decides</Pill>
              ) : slack === undefined || !Number.isFinite(slack) ? null : (
                <Muted>{slack < 1 ? 'none to spare' : `${units.figure(slack)} to spare`}</Muted>
              )}
            </XStack>
          </Press>
        );
      })}
    </Card>
  );
}
