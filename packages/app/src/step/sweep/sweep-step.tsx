import {
  hasBand,
  instrumentRules,
  promptOf,
  recordOf,
  sweepPosition,
  sweepView,
  type StepOf,
} from '@holvek/core';
import { useEffect, useState } from 'react';
import { SweepChart } from './sweep-chart';
import { SweepVerdict } from './sweep-verdict';
import { bandWord } from './band-word';
import { CausesButton } from '../parts/causes-sheet';
import { LiveFigure } from '../parts/live-figure';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet, PadSheet } from '../parts/step-sheets';
import { NextButton, TurnButton } from '../parts/turn-button';
import { readingOf, useReading, type TypedValue } from '../parts/use-reading';
import { useTurn } from '../parts/use-turn';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigButton, WordButton } from '@/ui/press';
import { Title } from '@/ui/words';

type Props = { readonly step: StepOf<'sweep'> };

/** The band swept from narrow reverse to narrow direct: the output must stay put. */
export function SweepStep({ step }: Props) {
  const { run } = useDesk();
  const sweep = useSweep(step);
  const { prompt, turn, gauge, live, settling, view } = sweep;
  const { bands } = recordOf(run, step);
  const { plate, house_rules: rules } = run.started;
  return (
    <StepFrame
      hideWords={bands.length > 0}
      actions={<SweepActions sweep={sweep} />}
      more={
        <>
          {prompt.ask === 'turn' ? (
            <WordButton onPress={turn.openOther}>other amount</WordButton>
          ) : null}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {bands.length > 0 ? <Title>Sweep the band</Title> : null}
      <LiveFigure
        value={live?.value ?? view.taken.at(-1)?.output}
        gauge={gauge}
        settling={settling}
        note={prompt.ask === 'band' ? `band ${bandWord(prompt.gain)}` : ''}
        label="controller output"
      />
      <SweepChart
        bands={view.taken}
        tolerance={instrumentRules(rules).alignment_tolerance_pa}
        middle={hasBand(plate) ? (plate.out.low + plate.out.high) / 2 : 0}
        next={view.nextGain}
      />
      <SweepVerdict view={view} position={turn.position} step={gauge?.resolution_pa} />
      <PadSheet
        isOpen={sweep.isTyping}
        title="Output"
        gauge={gauge}
        onTake={(value) => sweep.take(value, 'typed')}
        onClose={sweep.stopTyping}
      />
      <AmountSheet
        isOpen={turn.isOther}
        adjuster={step.adjuster}
        onTurned={turn.turned}
        onClose={turn.closeOther}
      />
    </StepFrame>
  );
}

/** A sweep as far as it has come, and the ways to take it on. */
function useSweep(step: StepOf<'sweep'>) {
  const { run, add, isLinked, drive } = useDesk();
  const { gauge, live, settling, tapping } = useReading(step, 'outlet');
  const turn = useTurn(step.id, step.adjuster);
  const [isTyping, setTyping] = useState(false);
  const view = sweepView(run);
  const prompt = promptOf(run, step);
  const gain = prompt.ask === 'band' ? prompt.gain : undefined;
  useEffect(() => {
    if (gain !== undefined && isLinked) drive({ sweep: sweepPosition(gain) });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- drive is made anew each time
  }, [gain, isLinked, view.taken.length]);
  const take = (value: TypedValue, source: 'typed' | 'linked') => {
    setTyping(false);
    if (!gauge || gain === undefined) return;
    const reading = readingOf(value, gauge.id, source);
    void add({ type: 'swept', step_id: step.id, gain, role: 'outlet', reading });
  };
  const isSettled = settling?.state === 'settled';
  const takeLinked = () => {
    if (!live) return;
    const si = isSettled ? settling.level : live.value;
    take({ si, entered: tapping.written(si) }, 'linked');
  };
  useKeys({
    r: () => isSettled && takeLinked(),
    t: () => prompt.ask === 'turn' && turn.turned(prompt.turns),
    n: () => prompt.ask === 'done' && turn.next(),
  });
  return {
    view,
    prompt,
    turn,
    gauge,
    live,
    settling,
    isSettled,
    isTyping,
    type: () => setTyping(true),
    stopTyping: () => setTyping(false),
    take,
    takeLinked,
  };
}

function SweepActions({ sweep }: { readonly sweep: ReturnType<typeof useSweep> }) {
  const { isLinked } = useDesk();
  const { prompt, turn } = sweep;
  switch (prompt.ask) {
    case 'band':
      return isLinked ? (
        <TakeLinked sweep={sweep} />
      ) : (
        <BigButton flex={1} onPress={sweep.type} keyHint="R" testID="take-sweep">
          {`Read output at ${bandWord(prompt.gain)}`}
        </BigButton>
      );
    case 'done':
      return <NextButton onPress={turn.next}>Output stays put: next</NextButton>;
    case 'turn':
      return <TurnButton turns={prompt.turns} onTurned={turn.turned} />;
    default:
      return null;
  }
}

function TakeLinked({ sweep }: { readonly sweep: ReturnType<typeof useSweep> }) {
  const { units } = useDesk();
  const { live, gauge, isSettled, takeLinked } = sweep;
  return (
    <BigButton
      flex={1}
      kind={isSettled ? 'primary' : 'outline'}
      disabled={!isSettled}
      onPress={takeLinked}
      keyHint="R"
      testID="take-sweep"
    >
      {live
        ? `${isSettled ? 'Take' : 'Wait:'} ${units.withUnit(live.value, gauge?.resolution_pa)}`
        : 'Waiting for the gauge'}
    </BigButton>
  );
}
