import type { Hazard, Step, StepKind } from '@holvek/core';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useEffect, useRef, type ReactNode } from 'react';
import { XStack, YStack, type TamaguiTextElement } from '@/ui/kit';
import { FoldedWhy } from './step-path';
import { useStepText } from './step-text';
import { useDesk } from '@/desk/use-desk';
import { useInk } from '@/ui/use-ink';
import { Card } from '@/ui/card';
import { Muted, Strong, Title, Words } from '@/ui/words';
import { guardTrouble } from '@/words/trouble';

const hazardWord: Record<Hazard, string> = {
  stored_pressure: 'Stored pressure',
  hot_air_or_steam: 'Hot air or steam',
  gas: 'Gas',
  noise: 'Noise',
  moving_parts: 'Moving parts',
  water_discharge: 'Water discharge',
  refrigerant: 'Refrigerant',
  electric: 'Electric shock',
};

/** Steps whose own button says how much is left. */
const COUNTS_ITSELF: ReadonlySet<StepKind> = new Set(['capture', 'registers', 'terminals']);

/**
 * What to do, the caution before it, what to expect, and why. On the path the picture stands between
 * what to do and what to expect, and the reason is folded.
 */
export function StepWords({ picture }: { readonly picture?: ReactNode }) {
  const { view } = useDesk();
  const fill = useStepText();
  const { step } = view;
  if (!step) return null;
  const isOnPath = picture !== undefined;
  const why = step.why ? fill(step.why, step.adjuster) : undefined;
  return (
    <YStack gap="$3">
      <CautionOf step={step} />
      <StepTitle>{fill(step.say, step.adjuster)}</StepTitle>
      {why && !isOnPath ? <Words color="$muted">{why}</Words> : null}
      {picture}
      {step.expects ? (
        <Words>
          <Strong>Expect: </Strong>
          {fill(step.expects, step.adjuster)}
        </Words>
      ) : null}
      {why && isOnPath ? <FoldedWhy>{why}</FoldedWhy> : null}
      <Wanting />
    </YStack>
  );
}

/** A step that comes, whole: what it asks, the caution before it and what to expect. It is confirmed in its turn. */
export function StepAhead({ step }: { readonly step: Step }) {
  const fill = useStepText();
  return (
    <YStack gap="$2" paddingVertical="$2" testID="gathered">
      <CautionOf step={step} />
      <Strong fontSize="$4" lineHeight="$4">
        {fill(step.say, step.adjuster)}
      </Strong>
      {step.expects ? <Muted>{fill(step.expects, step.adjuster)}</Muted> : null}
    </YStack>
  );
}

/** What the step asks for; a hand that comes from the step before, or a reader, is led to it. */
function StepTitle({ children }: { readonly children: string }) {
  const { run } = useDesk();
  const title = useRef<TamaguiTextElement>(null);
  const cameAlong = run.eventCount > 1;
  useEffect(() => {
    if (cameAlong) (title.current as HTMLElement | null)?.focus({ preventScroll: true });
    // Only as the step comes up: what is entered in it must not take the focus away.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once a step
  }, []);
  return (
    <Title ref={title} tabIndex={-1} style={{ outline: 'none' }} testID="step-title">
      {children}
    </Title>
  );
}

function CautionOf({ step }: { readonly step: Step }) {
  const fill = useStepText();
  const ink = useInk();
  if (!step.caution) return null;
  return (
    <Card tone="warn">
      <XStack gap="$2" alignItems="center">
        <TriangleAlert size={22} color={ink.brass} />
        <Strong color="$onBrassSoft">{hazardWord[step.caution.hazard]}</Strong>
      </XStack>
      <Words color="$onBrassSoft">{fill(step.caution.say, step.adjuster)}</Words>
    </Card>
  );
}

/** What is still wanting before the step may be confirmed: to do, and no fault. */
function Wanting() {
  const { view, units } = useDesk();
  const { step, blocked } = view;
  if (!step || COUNTS_ITSELF.has(step.kind)) return null;
  return blocked
    .filter((guard) => guard.state === 'unmet' && guard.have !== undefined)
    .map((guard) => (
      <Card key={guard.state === 'met' ? '' : guard.guard} tone="warn" role="status">
        <Words color="$onBrassSoft">{guardTrouble(guard, units)}</Words>
      </Card>
    ));
}
