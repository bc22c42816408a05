import { switchBand, switchView, targetOf, type Step } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { BandChart } from '../band-chart';
import { CausesButton } from '../causes-sheet';
import { LiveFigure } from '../live-figure';
import { OtherAmount } from '../other-amount';
import { ReadingPad } from '../reading-pad';
import { ScrewDial } from '../screw-dial';
import { StepFrame } from '../step-frame';
import { useStepText } from '../step-words';
import { useDesk } from '../use-desk';
import { useReading, type TypedValue } from '../use-reading';
import { useTrace } from '@/gauge-link/trace';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';

const edgeWord = { cut_in: 'It made', cut_out: 'It broke' } as const;
const screwName = { main: 'scale screw', differential: 'differential screw' } as const;

/** Cycles of a switch: where it breaks and where it makes, and which screw brings the band in. */
export function SwitchingStep({ step }: { readonly step: Step }) {
  const { run, add, trace, isLinked, units } = useDesk();
  const view = switchView(run, step);
  const { gauge, live } = useReading(step);
  const seen = useTrace(trace);
  const [open, setOpen] = useState<'pad' | 'amount'>();
  const fill = useStepText();
  const { edge, cycle } = view.next;
  const caught = isLinked ? lastChange(seen.samples.travel, seen.samples.inlet, edge === 'cut_out' ? 0 : 1, seen.disturbedAt) : undefined;
  const isMade = seen.samples.travel.at(-1)?.value === 1;
  const take = (value: TypedValue, source: 'typed' | 'linked') => {
    setOpen(undefined);
    if (gauge)
      void add({
        type: 'switched', step_id: step.id, role: 'inlet', edge, cycle: Math.min(99, cycle),
        reading: { ...value, gauge_id: gauge.id, source },
      }); // prettier-ignore
  };
  const mark = () => {
    if (!isLinked) return setOpen('pad');
    if (caught !== undefined) take({ si: caught, entered: { text: units.figure(caught, gauge?.resolution_pa), unit: units.pressure } }, 'linked'); // prettier-ignore
  };
  const { move } = view;
  const turns = move && 'turns' in move.move ? move.move.turns : undefined;
  const turn = (made: number) => {
    setOpen(undefined);
    if (move) void add({ type: 'turned', adjuster: move.adjuster, turns: made });
  };
  const wanted = step.purpose === 'as_left' ? run.started.house_rules.proving_cycles : 1;
  const isEnough = step.purpose === 'setting' ? view.holds : view.cycles.length >= wanted;
  const done = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({ r: mark, t: () => turns !== undefined && turn(turns), n: () => isEnough && done() });
  const aim = aimBand(run);
  return (
    <StepFrame
      hideWords={view.cycles.length > 0 || cycle > 1}
      actions={
        isEnough ? (
          <BigButton flex={1} onPress={done} keyHint="N" testID="confirm-step">
            {step.purpose === 'setting' ? 'The band holds: next' : `${view.cycles.length} ${view.cycles.length === 1 ? 'cycle' : 'cycles'}: next`}
          </BigButton>
        ) : turns !== undefined ? (
          <BigButton flex={1} onPress={() => turn(turns)} keyHint="T" testID="turned" label={`Turned ${turnWord(turns)} ${wayWord(turns)}`}>
            {`Turned ${turnWord(turns)}`}
          </BigButton>
        ) : (
          <BigButton flex={1} onPress={mark} disabled={isLinked && caught === undefined} keyHint="R" testID="mark-switch">
            {isLinked ? (caught === undefined ? (edge === 'cut_out' ? 'Wait until it breaks' : 'Wait until it makes') : `${edgeWord[edge]} at ${units.withUnit(caught, gauge?.resolution_pa)}`) : `${edgeWord[edge]}: read it`}
          </BigButton>
        )
      }
      more={
        <>
          {turns === undefined ? null : <WordButton onPress={() => setOpen('amount')}>other amount</WordButton>}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {view.cycles.length > 0 || cycle > 1 ? <Title>{fill(step.say)}</Title> : null}
      <XStack justifyContent="space-between" alignItems="center">
        <YStack flex={1}>
          <LiveFigure value={live?.value} gauge={gauge} settling={undefined} note={`cycle ${Math.min(cycle, 99)}`} label="pressure at the switch" />
        </YStack>
      </XStack>
      {isLinked ? <XStack><Pill tone={isMade ? 'work' : 'quiet'}>{isMade ? 'contact made' : 'contact open'}</Pill></XStack> : null}
      <BandChart cycles={view.cycles} aim={aim} live={live?.value} resolution={gauge?.resolution_pa} />
      {move && turns !== undefined ? (
        <Card>
          <XStack gap="$4" alignItems="center">
            <ScrewDial position={move.view.position} turns={turns} />
            <YStack flex={1} gap="$1">
              <Strong color="$brass" fontSize="$2">{`next move · ${screwName[move.adjuster]}`}</Strong>
              <Title testID="next-move">{`${turnWord(turns)} ${wayWord(turns)}`}</Title>
              <Words color="$muted">{move.adjuster === 'main' ? 'Moves both points together. The scale comes first.' : run.started.plate.family === 'pressure_switch' && run.started.plate.scale === 'additive' ? 'Moves cut-out alone.' : 'Moves cut-in alone.'}</Words>
            </YStack>
          </XStack>
        </Card>
      ) : isEnough ? null : <Muted>{edge === 'cut_out' ? 'Let the pressure rise until the contact opens.' : 'Let it fall until the contact makes again.'}</Muted>}
      <BottomSheet isOpen={open === 'pad'} title={`${edgeWord[edge]} at`} onClose={() => setOpen(undefined)}>
        {gauge ? <ReadingPad gauge={gauge} onTake={(value) => take(value, 'typed')} /> : null}
      </BottomSheet>
      <BottomSheet isOpen={open === 'amount'} title="How far did it go?" onClose={() => setOpen(undefined)}>
        {move ? <OtherAmount adjuster={move.adjuster} onTurned={turn} /> : null}
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore

type Samples = readonly { readonly t: number; readonly value: number }[];

/** Pressure at which the contact last came to a state, since a moment; undefined while it has not. */
export function lastChange(
  contact: Samples,
  pressure: Samples,
  to: number,
  since: number,
): number | undefined {
  // Only the change into the state it is in now: an older one belongs to the mark before.
  if (contact.at(-1)?.value !== to) return undefined;
  for (let i = contact.length - 1; i > 0; i--) {
    const at = contact[i]!;
    if (at.t <= since) return undefined;
    if (at.value === to && contact[i - 1]!.value !== to)
      return pressure.find(({ t }) => t === at.t)?.value;
  }
  return undefined;
} // prettier-ignore

/** The wanted band with its tolerances. */
export function aimBand({ started }: { readonly started: Parameters<typeof targetOf>[0] & { readonly plate: { readonly family: string; readonly scale?: unknown } } }) {
  const scale = targetOf(started, 'main')!;
  const differential = targetOf(started, 'differential');
  const kind = started.plate.scale === 'subtractive' ? 'subtractive' : 'additive';
  const band = switchBand(kind, { scale: scale.set_point_pa, differential: differential?.set_point_pa ?? 1 });
  return { band: band.ok ? band.value : { cutIn: scale.set_point_pa, cutOut: scale.set_point_pa }, tolerance: scale.tolerance_pa, limit: scale.limit_pa };
} // prettier-ignore
