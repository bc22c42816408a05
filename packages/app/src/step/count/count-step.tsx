import { countView, type StepOf } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { ScrewDial } from '../parts/screw-dial';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { Card, Row } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Strong, Title, Words } from '@/ui/words';

/** Turns by count from the pressure at which it cracked: rough, and said so. */
export function CountStep({ step }: { readonly step: StepOf<'count'> }) {
  const { run, add, units } = useDesk();
  const view = countView(run, step);
  const isDone = view.left === 0;
  const turn = () => void add({ type: 'turned', adjuster: view.stand.spec.id, turns: view.left });
  const next = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({ t: () => !isDone && turn(), n: () => isDone && next() });
  return (
    <StepFrame
      actions={
        isDone ? (
          <BigButton flex={1} onPress={next} keyHint="N" testID="confirm-step">
            Counted: next
          </BigButton>
        ) : (
          <BigButton flex={1} onPress={turn} keyHint="T" testID="turned">
            {`Turned ${turnWord(view.left)}`}
          </BigButton>
        )
      }
    >
      <Card>
        <XStack gap="$4" alignItems="center">
          <ScrewDial position={view.made} turns={view.left} />
          <YStack flex={1} gap="$1">
            <Strong color="$brass" fontSize="$2">
              by count
            </Strong>
            <Title>{isDone ? 'As counted' : `${turnWord(view.left)} ${wayWord(view.left)}`}</Title>
            <Words color="$muted">First raise until it just stops, then count from there.</Words>
          </YStack>
        </XStack>
      </Card>
      <Card>
        <Row label="Cracked here at">
          {view.here === undefined ? '–' : units.withUnit(view.here)}
        </Row>
        <Row label="A turn gives">{units.withUnit(view.stand.prior.rate)}</Row>
        <Row label="Set by count">
          {view.result === undefined ? '–' : units.withUnit(view.result)}
        </Row>
        <Row label="Uncertain by" isLast>
          {`± ${units.withUnit(view.uncertainty)}`}
        </Row>
      </Card>
    </StepFrame>
  );
}
