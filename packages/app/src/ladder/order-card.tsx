import type { SettingPlan, System } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { planWord, precedenceWord, readingsWord } from './ladder-words';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';

/** Parking, shifts and settings in their order, with what the gauges should read after each. */
export function OrderCard({
  plan,
  system,
}: {
  readonly plan: SettingPlan;
  readonly system: System;
}) {
  const units = useUnits();
  const [isWhyOpen, setWhyOpen] = useState(false);
  const nameOf = (id: string) => system.rungs.find((rung) => rung.id === id)?.name ?? id;
  return (
    <Card testID="order">
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>Set them in this order</Heading>
        <WordButton onPress={() => setWhyOpen(true)}>why this order?</WordButton>
      </XStack>
      {plan.steps.length === 0 ? <Muted>Nothing here is set by hand.</Muted> : null}
      {plan.steps.map((step, i) => (
        <XStack key={i} gap="$3" alignItems="flex-start">
          <Strong width={22}>{String(i + 1)}</Strong>
          <YStack flex={1}>
            {step.kind === 'set' ? (
              <Strong>{planWord(step, system, units)}</Strong>
            ) : (
              <Words>{planWord(step, system, units)}</Words>
            )}
            {step.readings.length > 0 ? <Muted>{readingsWord(step, system, units)}</Muted> : null}
          </YStack>
        </XStack>
      ))}
      <BottomSheet isOpen={isWhyOpen} title="Why this order?" onClose={() => setWhyOpen(false)}>
        {plan.order.reasons.length === 0 ? <Words>There is only one to set.</Words> : null}
        {plan.order.reasons.map((reason) => (
          <Words key={reason.after}>{precedenceWord(reason, nameOf)}</Words>
        ))}
        <Muted>
          Upstream before downstream, sustaining before reducing, and among those that share a
          source from the highest down: the lowest setting that is open to a source rules its gauge.
        </Muted>
      </BottomSheet>
    </Card>
  );
}
