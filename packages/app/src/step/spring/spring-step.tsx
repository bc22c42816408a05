import { chooseSpring, gaugePa, springNow, type Spring, type StepOf } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { StepFrame } from '../parts/step-frame';
import { Card, Pill } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Muted, Strong } from '@/ui/words';

const nameOf = ({ colour, stacked_with: stack = [] }: Spring): string =>
  stack.length > 0 ? `${colour} (stacked with ${stack.join(', ')})` : colour;

/** The chart of springs, the one that is in, the one that the target asks for; changed here when it must be. */
export function SpringStep({ step }: { readonly step: StepOf<'spring'> }) {
  const { run, add, units } = useDesk();
  const { plate, target } = run.started;
  const adjuster = step.adjuster;
  const now = springNow(run, adjuster);
  const choice = chooseSpring(plate.springs, gaugePa(Math.abs(target.set_point_pa)));
  const best = choice.ok ? choice.value[0]!.spring : undefined;
  const isRight = choice.ok && choice.value.some(({ spring }) => spring.colour === now);
  const next = () => void add({ type: 'step_done', step_id: step.id });
  const change = useOnce(async () => {
    if (!best) return;
    if (await add({ type: 'spring_changed', step_id: step.id, adjuster, colour: best.colour }))
      await add({ type: 'step_done', step_id: step.id });
  });
  return (
    <StepFrame
      actions={
        isRight ? (
          <BigButton flex={1} onPress={next} testID="confirm-step">
            {`The ${now} one is in`}
          </BigButton>
        ) : (
          <BigButton flex={1} disabled={!best} onPress={() => void change()} testID="change-spring">
            {best ? `Changed to ${best.colour}, cover on` : 'No spring here will do'}
          </BigButton>
        )
      }
    >
      <Card>
        {plate.springs.map((spring, i) => {
          const isIn = spring.colour === now;
          const isAsked = spring === best;
          return (
            <XStack
              key={spring.colour}
              minHeight={52}
              alignItems="center"
              justifyContent="space-between"
              borderTopWidth={i ? 1 : 0}
              borderColor="$line"
              gap="$2"
            >
              <YStack flexShrink={1}>
                <Strong>{nameOf(spring)}</Strong>
                <Muted>{`${units.figure(spring.from_pa)} to ${units.withUnit(spring.to_pa)}`}</Muted>
              </YStack>
              {isIn ? (
                <Pill tone={isRight ? 'good' : 'stop'}>fitted</Pill>
              ) : isAsked ? (
                <Pill tone="work">asked for</Pill>
              ) : null}
            </XStack>
          );
        })}
      </Card>
    </StepFrame>
  );
}
