import { fillSlots, targetOf, type Hazard, type StepKind } from '@holvek/core';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { XStack, YStack } from 'tamagui';
import { useDesk } from '@/run/use-desk';
import { useInk } from '@/theme/use-ink';
import { Card } from '@/ui/card';
import { Strong, Title, Words } from '@/ui/words';
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

/** A step's text with its figures filled in. */
export function useStepText(): (text: string, adjuster?: string) => string {
  const { run, units } = useDesk();
  const { plate, house_rules: rules } = run.started;
  return (text, adjuster = 'main') => {
    const target = targetOf(run.started, adjuster) ?? run.started.target;
    const source = { plate, target, adjuster, rules, gauges: run.gauges };
    return fillSlots(text, source, { pressure: units.withUnit, flow: units.flowWithUnit });
  };
}

/** Steps whose own button says how much is left. */
const COUNTS_ITSELF: ReadonlySet<StepKind> = new Set(['capture', 'registers', 'terminals']);

/** What to do, the caution before it, why, and what to expect. */
export function StepWords() {
  const { view, units } = useDesk();
  const fill = useStepText();
  const ink = useInk();
  const { step, blocked } = view;
  if (!step) return null;
  return (
    <YStack gap="$3">
      {step.caution ? (
        <Card tone="warn">
          <XStack gap="$2" alignItems="center">
            <TriangleAlert size={22} color={ink.brass} />
            <Strong color="$onBrassSoft">{hazardWord[step.caution.hazard]}</Strong>
          </XStack>
          <Words color="$onBrassSoft">{fill(step.caution.say, step.adjuster)}</Words>
        </Card>
      ) : null}
      <Title testID="step-title">{fill(step.say, step.adjuster)}</Title>
      {step.why ? <Words color="$muted">{fill(step.why, step.adjuster)}</Words> : null}
      {step.expects ? (
        <Words>
          <Strong>Expect: </Strong>
          {fill(step.expects, step.adjuster)}
        </Words>
      ) : null}
      {blocked
        .filter(
          (guard) =>
            !COUNTS_ITSELF.has(step.kind) && guard.state === 'unmet' && guard.have !== undefined,
        )
        .map((guard) => (
          <Card key={guard.state === 'met' ? '' : guard.guard} tone="stop" role="alert">
            <Words color="$onVermilionSoft">{guardTrouble(guard, units)}</Words>
          </Card>
        ))}
    </YStack>
  );
}
