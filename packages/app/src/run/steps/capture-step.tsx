import { captureView, type CaptureMark, type Step } from '@holvek/core';
import { useEffect, useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { CycleChart } from '../cycle-chart';
import { LiveFigure } from '../live-figure';
import { LogSheet } from '../log-sheet';
import { ReadingPad } from '../reading-pad';
import { SeenPill } from '../seen-pill';
import { StepFrame } from '../step-frame';
import { useDesk } from '../use-desk';
import { useMark } from '../use-mark';
import { useReading } from '../use-reading';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { BigButton, Press, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Heading, Muted, Strong, Words } from '@/ui/words';

const markWord = { cracked: 'First dribble', full_flow: 'Full flow', reseated: 'Tight again' } as const;

/** Ramp up, first dribble, full flow, tight again: by big buttons, or from a log that is dropped in. */
export function CaptureStep({ step }: { readonly step: Step }) {
  const { run, add, isLinked, units, drive } = useDesk();
  const view = captureView(run, step);
  const { gauge, live, sight } = useReading(step);
  const { mark, pad, closePad, move } = useMark(step);
  const [open, setOpen] = useState<'log' | 'marks'>();
  const [moving, setMoving] = useState<CaptureMark>();
  const isUntouched = isLinked && view.cycles.length === 0;
  const down = step.ramp?.down;
  useEffect(() => {
    // It comes from its setting open: every cycle begins shut.
    if (isUntouched && down) drive(down);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the step is met
  }, [step.id]);
  const { result, isEnough, stand } = view;
  const last = view.cycles.at(-1);
  const isOpenCycle = last !== undefined && last.cracked !== undefined && last.reseated === undefined;
  const turns = view.move && 'turns' in view.move ? view.move.turns : undefined;
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const never = () => void add({ type: 'note', text: `Never opened in ${step.say.toLowerCase()}` }).then(() => add({ type: 'condemned', step_id: step.id, reason: 'The valve never opened' })); // prettier-ignore
  const press = (name: CaptureMark['mark']) => {
    mark(name, view.nextCycle);
    if (name === 'reseated' && step.ramp) drive(step.ramp.down);
  };
  const target = stand.target;
  return (
    <StepFrame
      actions={
        isEnough && turns !== undefined ? (
          <BigButton flex={1} onPress={() => void add({ type: 'turned', adjuster: stand.spec.id, turns })} testID="turned">
            {`Turned ${turnWord(turns)} ${wayWord(turns)}`}
          </BigButton>
        ) : isEnough ? (
          <BigButton flex={1} onPress={done} testID="confirm-step">
            It holds: next
          </BigButton>
        ) : (
          <YStack flex={1} gap="$2">
            {isOpenCycle ? (
              <BigButton onPress={() => press('reseated')} testID="mark-reseated">
                {markWord.reseated}
              </BigButton>
            ) : (
              <BigButton onPress={() => press('cracked')} testID="mark-cracked">
                {markWord.cracked}
              </BigButton>
            )}
            <XStack gap="$2">
              {isLinked && step.ramp ? (
                <BigButton flex={1} kind="outline" onPress={() => drive(isOpenCycle ? step.ramp!.down : step.ramp!.up)} testID={isOpenCycle ? 'let-down' : 'raise'}>
                  {isOpenCycle ? 'Let it down' : 'Raise slowly'}
                </BigButton>
              ) : null}
              <BigButton flex={1} kind="outline" disabled={!isOpenCycle || last?.fullFlow !== undefined} onPress={() => press('full_flow')} testID="mark-full">
                {markWord.full_flow}
              </BigButton>
            </XStack>
          </YStack>
        )
      }
      more={
        <>
          <WordButton onPress={() => setOpen('marks')}>move a mark</WordButton>
          <WordButton onPress={() => setOpen('log')}>from a log</WordButton>
          {isEnough ? null : (
            <WordButton tone="$vermilion" onPress={never}>
              never opened
            </WordButton>
          )}
        </>
      } // prettier-ignore
    >
      <LiveFigure value={live?.value} gauge={gauge} settling={undefined} note={`cycle ${Math.min(view.cycles.length + (isOpenCycle ? 0 : 1), view.wanted)} of ${view.wanted}`} label="line pressure" />
      {sight ? <SeenPill opening={sight.opening} /> : null}
      <CycleChart
        cycles={view.cycles}
        wanted={view.wanted}
        lane={{ lower: target.set_point_pa - target.tolerance_pa, upper: target.set_point_pa + target.tolerance_pa }}
        limit={target.limit_pa}
        live={live?.value}
        {...(gauge ? { resolution: gauge.resolution_pa } : {})}
      />
      {isEnough && turns !== undefined ? (
        <Card tone="warn">
          <Strong color="$onBrassSoft">It cracks outside its lane</Strong>
          <Words color="$onBrassSoft">{`${turnWord(turns)} ${wayWord(turns)}, then prove it again.`}</Words>
        </Card>
      ) : null}
      {result ? (
        <Card>
          <Row label="Cracks at">{`${units.withUnit(result.cracking, gauge?.resolution_pa)}${result.cycles > 1 ? `, within ${units.figure(result.crackingSpread, gauge?.resolution_pa)}` : ''}`}</Row>
          <Row label="Tight again at">{result.reseat === undefined ? '–' : units.withUnit(result.reseat, gauge?.resolution_pa)}</Row>
          <Row label="Blowdown" isLast>
            {result.blowdown === undefined ? '–' : `${(result.blowdown * 100).toFixed(1)} %`}
          </Row>
        </Card>
      ) : null}
      <BottomSheet isOpen={pad !== undefined} title="At what pressure?" onClose={closePad}>
        {gauge && pad ? <ReadingPad gauge={gauge} onTake={pad} /> : null}
      </BottomSheet>
      <BottomSheet isOpen={open === 'marks'} title="Move a mark" onClose={() => setOpen(undefined)}>
        {moving && gauge ? (
          <>
            <Heading>{`${markWord[moving.mark]}, cycle ${moving.cycle}`}</Heading>
            <ReadingPad
              gauge={gauge}
              onTake={(value) => {
                move({ mark: moving.mark, cycle: moving.cycle }, moving.eventId, value);
                setMoving(undefined);
                setOpen(undefined);
              }}
            />
          </>
        ) : (
          <MarkList marks={run.captures[step.id] ?? []} onPick={setMoving} />
        )}
      </BottomSheet>
      <BottomSheet isOpen={open === 'log'} title="From a logged ramp" onClose={() => setOpen(undefined)}>
        <LogSheet step={step} onClose={() => setOpen(undefined)} />
      </BottomSheet>
    </StepFrame>
  ); // prettier-ignore
}

function MarkList({
  marks,
  onPick,
}: {
  readonly marks: readonly CaptureMark[];
  readonly onPick: (mark: CaptureMark) => void;
}) {
  const { units } = useDesk();
  if (marks.length === 0) return <Muted>No mark yet.</Muted>;
  return (
    <YStack>
      {marks.map((mark) => (
        <Press key={mark.eventId} onPress={() => onPick(mark)} minHeight={52} justifyContent="center" borderBottomWidth={1} borderColor="$line" aria-label={`Move ${markWord[mark.mark]}, cycle ${mark.cycle}`}>
          <XStack justifyContent="space-between">
            <Words>{`${markWord[mark.mark]}, cycle ${mark.cycle}`}</Words>
            <Strong>{units.withUnit(mark.pressure)}</Strong>
          </XStack>
        </Press>
      ))}
    </YStack>
  ); // prettier-ignore
}
