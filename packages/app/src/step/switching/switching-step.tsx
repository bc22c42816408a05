import { hasContact, promptOf, switchView, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { XStack } from '@/ui/kit';
import { aimBand } from './aim-band';
import { BandChart } from './band-chart';
import { lastChange } from './last-change';
import { CausesButton } from '../parts/causes-sheet';
import { LiveFigure } from '../parts/live-figure';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet, PadSheet } from '../parts/step-sheets';
import { useStepText } from '../parts/step-text';
import { NextButton, TurnButton } from '../parts/turn-button';
import { TurnCard } from '../parts/turn-card';
import { readingOf, useReading, type TypedValue } from '../parts/use-reading';
import { useTurn } from '../parts/use-turn';
import { useDesk } from '@/desk/use-desk';
import { useTrace } from '@/gauge-link/trace';
import { useKeys } from '@/ui/use-keys';
import { Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Title, Words } from '@/ui/words';

const edgeWord = { cut_in: 'It made', cut_out: 'It broke' } as const;
const waitWord = { cut_in: 'Wait until it makes', cut_out: 'Wait until it breaks' } as const;
const comeWord = {
  cut_in: 'Let it fall until the contact makes again.',
  cut_out: 'Let the pressure rise until the contact opens.',
} as const;
const screwName = { main: 'scale screw', differential: 'differential screw' } as const;

/** Cycles of a switch: where it breaks and where it makes, and which screw brings the band in. */
export function SwitchingStep({ step }: { readonly step: StepOf<'switching'> }) {
  const { run } = useDesk();
  const switching = useSwitching(step);
  const { view, prompt, turn, gauge, live, edge, cycle } = switching;
  const fill = useStepText();
  const isBegun = view.cycles.length > 0 || cycle > 1;
  return (
    <StepFrame
      hideWords={isBegun}
      actions={<SwitchingActions switching={switching} step={step} />}
      more={
        <>
          {prompt.ask === 'turn' ? (
            <WordButton onPress={turn.openOther}>other amount</WordButton>
          ) : null}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {isBegun ? <Title>{fill(step.say)}</Title> : null}
      <LiveFigure
        value={live?.value}
        gauge={gauge}
        settling={undefined}
        note={`cycle ${Math.min(cycle, 99)}`}
        label="pressure at the switch"
      />
      <ContactPill />
      <BandChart
        cycles={view.cycles}
        aim={aimBand(run)}
        live={live?.value}
        resolution={gauge?.resolution_pa}
      />
      {prompt.ask === 'turn' ? <ScrewCard view={view} turns={prompt.turns} /> : null}
      {prompt.ask === 'edge' ? <Muted>{comeWord[edge]}</Muted> : null}
      <PadSheet
        isOpen={switching.isTyping}
        title={`${edgeWord[edge]} at`}
        gauge={gauge}
        onTake={(value) => switching.take(value, 'typed')}
        onClose={switching.stopTyping}
      />
      <AmountSheet
        isOpen={turn.isOther}
        adjuster={view.move?.adjuster ?? 'main'}
        onTurned={turn.turned}
        onClose={turn.closeOther}
      />
    </StepFrame>
  );
}

/** The cycles as far as they have come, and the ways to take them on. */
function useSwitching(step: StepOf<'switching'>) {
  const { run, add, trace, isLinked } = useDesk();
  const { gauge, live, tapping } = useReading(step);
  const seen = useTrace(trace);
  const [isTyping, setTyping] = useState(false);
  const view = switchView(run, step);
  const prompt = promptOf(run, step);
  const turn = useTurn(step.id, prompt.ask === 'turn' ? prompt.adjuster : 'main');
  const { edge, cycle } = view.next;
  const { travel, inlet } = seen.samples;
  const wanted = edge === 'cut_out' ? 0 : 1;
  const caught = isLinked ? lastChange(travel, inlet, wanted, seen.disturbedAt) : undefined;
  const take = (value: TypedValue, source: 'typed' | 'linked') => {
    setTyping(false);
    if (!gauge) return;
    const reading = readingOf(value, gauge.id, source);
    const place = { role: 'inlet', edge, cycle: Math.min(99, cycle) } as const;
    void add({ type: 'switched', step_id: step.id, ...place, reading });
  };
  const mark = () => {
    if (!isLinked) return setTyping(true);
    if (caught === undefined) return;
    take({ si: caught, entered: tapping.written(caught) }, 'linked');
  };
  useKeys({
    r: mark,
    t: () => prompt.ask === 'turn' && turn.turned(prompt.turns),
    n: () => prompt.ask === 'done' && turn.next(),
  });
  const stopTyping = () => setTyping(false);
  return { view, prompt, turn, gauge, live, edge, cycle, caught, isTyping, stopTyping, take, mark };
}

type Parts = { readonly switching: ReturnType<typeof useSwitching> };

function SwitchingActions({ switching, step }: Parts & { readonly step: StepOf<'switching'> }) {
  const { view, prompt, turn } = switching;
  const count = view.cycles.length;
  switch (prompt.ask) {
    case 'done':
      return (
        <NextButton onPress={turn.next}>
          {step.purpose === 'setting'
            ? 'The band holds: next'
            : `${count} ${count === 1 ? 'cycle' : 'cycles'}: next`}
        </NextButton>
      );
    case 'turn':
      return <TurnButton turns={prompt.turns} onTurned={turn.turned} />;
    default:
      return <MarkButton switching={switching} />;
  }
}

function MarkButton({ switching: { edge, caught, gauge, mark } }: Parts) {
  const { isLinked, units } = useDesk();
  const linked =
    caught === undefined
      ? waitWord[edge]
      : `${edgeWord[edge]} at ${units.withUnit(caught, gauge?.resolution_pa)}`;
  return (
    <BigButton
      flex={1}
      onPress={mark}
      disabled={isLinked && caught === undefined}
      keyHint="R"
      testID="mark-switch"
    >
      {isLinked ? linked : `${edgeWord[edge]}: read it`}
    </BigButton>
  );
}

/** The contact as a stand-in shows it. */
function ContactPill() {
  const { trace, isLinked } = useDesk();
  const isMade = useTrace(trace).samples.travel.at(-1)?.value === 1;
  if (!isLinked) return null;
  return (
    <XStack>
      <Pill tone={isMade ? 'work' : 'quiet'}>{isMade ? 'contact made' : 'contact open'}</Pill>
    </XStack>
  );
}

/** Which screw, how far, and what it moves. */
function ScrewCard({
  view: { move },
  turns,
}: {
  readonly view: ReturnType<typeof switchView>;
  readonly turns: number;
}) {
  const { plate } = useDesk().run.started;
  if (!move) return null;
  const isAdditive = hasContact(plate) && plate.scale === 'additive';
  const alone = isAdditive ? 'Moves cut-out alone.' : 'Moves cut-in alone.';
  return (
    <TurnCard
      position={move.view.position}
      turns={turns}
      above={`next move · ${screwName[move.adjuster]}`}
    >
      <Title testID="next-move">{`${turnWord(turns)} ${wayWord(turns)}`}</Title>
      <Words color="$muted">
        {move.adjuster === 'main' ? 'Moves both points together. The scale comes first.' : alone}
      </Words>
    </TurnCard>
  );
}
