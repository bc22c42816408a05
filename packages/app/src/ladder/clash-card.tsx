import type { LadderError, System } from '@holvek/core';
import { YStack } from '@/ui/kit';
import { ruleSum, sourceWord, wayOut } from './ladder-words';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { Heading, Muted, Strong, Words } from '@/ui/words';

type Clash = Extract<LadderError, { code: 'ladder.clash' }>;

/** The rules that cannot hold together, in the owner's words, and what would resolve it. */
export function ClashCard({ clash, system }: { readonly clash: Clash; readonly system: System }) {
  const units = useUnits();
  return (
    <Card tone="stop" role="alert" testID="clash">
      <Heading color="$onVermilionSoft">{`These ${clash.rules.length} cannot hold together`}</Heading>
      {clash.excess > 0 ? (
        <Words color="$onVermilionSoft">{`They clash by ${units.withUnit(clash.excess)}. Any one of them giving way resolves it:`}</Words>
      ) : null}
      {clash.rules.map((rule) => (
        <YStack key={rule.id} gap="$1" borderTopWidth={1} borderColor="$line" paddingTop="$2">
          <Strong color="$onVermilionSoft">{rule.why || ruleSum(rule, system.rungs, units)}</Strong>
          <Muted color="$onVermilionSoft">{`${ruleSum(rule, system.rungs, units)} · ${sourceWord[rule.from]}`}</Muted>
          {clash.excess > 0 ? (
            <Words color="$onVermilionSoft">{`or ${wayOut(rule, clash.excess, units)}`}</Words>
          ) : null}
        </YStack>
      ))}
    </Card>
  );
}
