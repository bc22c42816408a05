import {
  adjusterOfScrew, awaitsReading, inputOfSpot, linkageView, tableOf, type ScrewName, type Spot, type Step, type ZeroSpanView,
} from '@holvek/core'; // prettier-ignore
import { useEffect, useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { CausesButton } from '../causes-sheet';
import { OtherAmount } from '../other-amount';
import { PointChart } from '../point-chart';
import { PointEntry } from '../point-entry';
import { ScrewDial } from '../screw-dial';
import { SettledPill } from '../settled-pill';
import { StepFrame } from '../step-frame';
import { useStepText } from '../step-words';
import { useDesk } from '../use-desk';
import { usePoint, type TypedOutput } from '../use-point';
import { toChart } from './points-step';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { BigNumber } from '@/ui/big-number';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';

const screwWord: Record<ScrewName, string> = {
  zero: 'zero screw',
  span: 'span screw',
  angularity: 'link length',
};

/** Zero, span and angularity: which screw, how far, and the reading to come to; one thing at a time. */
export function LinkageStep({ step }: { readonly step: Step }) {
  const { run, add } = useDesk();
  const point = usePoint(step.id);
  const view = linkageView(run);
  const fill = useStepText();
  const [isOther, setOther] = useState(false);
  const { move } = view;
  const pending = awaitsReading(run);
  const isEnds = step.measure === 'ends';
  const spot: Spot | undefined = pending ?? ('spot' in move ? move.spot : undefined);
  const mustRead = pending !== undefined || move.kind === 'go';
  const at = spot && inputOfSpot[spot];
  const { isLinked, set } = point;
  useEffect(() => {
    if (at !== undefined && isLinked && !isEnds) set(at);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- set is made anew each time
  }, [at, isLinked, isEnds]);
  const taken = run.points[step.id] ?? [];
  const pass = 1 + taken.length;
  const read = (typed?: TypedOutput) => at !== undefined && void point.take({ at, direction: 'up', pass }, typed);
  const turn = (turns: number) => {
    setOther(false);
    if ('screw' in move) void add({ type: 'turned', adjuster: adjusterOfScrew(move.screw), turns });
  };
  const next = () => void add({ type: 'step_done', step_id: step.id });
  const turns = move.kind === 'turn' && !mustRead ? move.turns : undefined;
  useKeys({ t: () => turns !== undefined && turn(turns), r: () => point.isSettled && read(), n: () => move.kind === 'done' && next() });
  const found = tableOf(run, 'as_found')?.points.filter(({ direction }) => direction === 'up');
  return (
    <StepFrame
      hideWords
      actions={
        move.kind === 'done' && !pending ? (
          <BigButton flex={1} onPress={next} keyHint="N" testID="confirm-step">
            Both ends hold: next
          </BigButton>
        ) : turns !== undefined ? (
          <BigButton flex={1} onPress={() => turn(turns)} keyHint="T" testID="turned" label={`Turned ${turnWord(turns)} ${wayWord(turns)}`}>
            {`Turned ${turnWord(turns)}`}
          </BigButton>
        ) : move.kind === 'cannot_judge' || at === undefined ? null : isEnds ? (
          <EndEntry point={point} spot={at} onTake={read} />
        ) : isLinked ? (
          <BigButton flex={1} kind={point.isSettled ? 'primary' : 'outline'} disabled={point.live === undefined} onPress={() => read()} keyHint="R" testID="take-point">
            {point.live === undefined ? 'Waiting for the scale' : `${point.isSettled ? 'Take' : 'Take it moving:'} ${point.outputSay(point.live)}`}
          </BigButton>
        ) : (
          <PointEntry point={point} unit={point.outputUnit} label={`Output at ${point.signalSay(at)}`} onTake={read} />
        )
      }
      more={
        <>
          {turns === undefined ? null : <WordButton onPress={() => setOther(true)}>other amount</WordButton>}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      <XStack justifyContent="space-between" alignItems="flex-start" gap="$2">
        <Title flexShrink={1}>{fill(step.say)}</Title>
        {move.kind === 'done' ? <Pill tone="good">holds</Pill> : <Pill tone="work">{roundsWord(view.roundsToGo)}</Pill>}
      </XStack>
      {at === undefined || isEnds ? null : (
        <XStack justifyContent="space-between" alignItems="center" gap="$2">
          <YStack>
            <Muted>signal</Muted>
            <BigNumber fontSize="$8" lineHeight="$8">
              {point.signalSay(at)}
            </BigNumber>
          </YStack>
          <YStack alignItems="flex-end">
            <SettledPill state={point.settling} />
            <Muted>{`should show ${point.wantedSay(at)}`}</Muted>
          </YStack>
        </XStack>
      )}
      {isEnds ? null : (
        <PointChart
          tolerance={point.plate.tolerance_span}
          points={spotPoints(view)}
          {...(found ? { found: found.map(toChart) } : {})}
          ends={point.ends}
          next={at}
          height={168}
        />
      )}
      <LinkageMove view={view} point={point} pending={pending} isEnds={isEnds} />
      {view.independence < 0.15 && move.kind !== 'done' ? (
        <Card tone="warn" role="note">
          <Strong color="$onBrassSoft">Two screws do nearly the same</Strong>
          <Words color="$onBrassSoft">Each undoes the other, so every step is large and leaves little. Look at the linkage: is it in the right hole, and square at mid-scale?</Words>
        </Card>
      ) : null}
      <BottomSheet isOpen={isOther} title="How far did it go?" onClose={() => setOther(false)}>
        {'screw' in move ? <OtherAmount adjuster={adjusterOfScrew(move.screw)} onTurned={turn} /> : null}
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore

const roundsWord = (rounds: number): string => {
  const whole = Math.max(1, Math.round(rounds));
  return `about ${whole} ${whole === 1 ? 'round' : 'rounds'} to go`;
};

const spotPoints = ({ errors }: ZeroSpanView) =>
  Object.entries(errors).map(([spot, { error }]) => ({
    at: inputOfSpot[spot as Spot],
    direction: 'up' as const,
    error,
  }));

/** The next move with its dial, what it will do elsewhere, and why this screw. */
function LinkageMove({ view, point, pending, isEnds }: { readonly view: ZeroSpanView; readonly point: ReturnType<typeof usePoint>; readonly pending: Spot | undefined; readonly isEnds: boolean }) {
  const { run } = useDesk();
  const { move } = view;
  const screw = move.kind === 'turn' && !pending ? move.screw : undefined;
  const position = screw ? (run.marks[adjusterOfScrew(screw)] ?? []).reduce((sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0), 0) : 0;
  const at = 'spot' in move ? inputOfSpot[move.spot] : 0;
  return (
    <Card>
      <XStack gap="$4" alignItems="center">
        <ScrewDial position={position} turns={screw && move.kind === 'turn' ? move.turns : 0} />
        <YStack flex={1} gap="$1">
          <Strong color="$brass" fontSize="$2">
            {screw ? `next move · ${screwWord[screw]}` : pending ? 'now read it' : move.kind === 'done' ? 'as it should be' : move.kind === 'go' ? 'look first' : 'stop'}
          </Strong>
          <Title testID="next-move">
            {screw && move.kind === 'turn' ? `${turnWord(move.turns)} ${wayWord(move.turns)}` : pending ? `Read at ${point.signalSay(inputOfSpot[pending])}` : move.kind === 'done' ? 'They hold' : move.kind === 'go' ? `Read at ${point.signalSay(at)}` : 'Cannot be judged'}
          </Title>
          <Words color="$muted">
            {screw && move.kind === 'turn'
              ? isEnds
                ? `${spanWords(Math.abs(move.turns * (view.perTurn[screw] ?? 0)))} of the signal.`
                : `until it shows about ${point.wantedSay(at + move.comeTo)}.`
              : pending
                ? 'The screw has moved: what it did is what counts.'
                : move.kind === 'go'
                  ? move.why === 'unread' ? 'It has not been read here yet.' : 'Another screw has moved it since it was read.'
                  : move.kind === 'done'
                    ? 'Every spot was read after the last turn, inside the tolerance less what the calibrator leaves open.'
                    : 'The tolerance is no larger than the uncertainty of this calibrator. Take a better one.'}
          </Words>
          {screw && move.kind === 'turn' ? <Muted>{whyWords(view, screw)}</Muted> : null}
        </YStack>
      </XStack>
    </Card>
  );
} // prettier-ignore

/** What a screw takes along elsewhere: learned from this instrument, or the house’s guess. */
function whyWords({ interactions, move }: ZeroSpanView, screw: ScrewName): string {
  if (move.kind === 'turn' && move.why === 'last_of_all') return 'Zero moves all alike, so it comes last.';
  const other = interactions.find((each) => each.screw === screw && each.spot === 'low');
  if (!other) return '';
  const share = Math.round(Math.abs(other.mean) * 100);
  const how = other.sd < 0.15 ? 'This one' : 'Usually it';
  return share < 4 ? `${how} leaves zero alone.` : `${how} takes zero along by ${share}\u00a0% of that${other.mean < 0 ? ', the other way' : ''}: it goes first.`;
} // prettier-ignore

/** The signal at which the output begins or saturates: crept up on by the linked calibrator, or typed. */
function EndEntry({ point, spot, onTake }: { readonly point: ReturnType<typeof usePoint>; readonly spot: number; readonly onTake: (value: TypedOutput) => void }) {
  const { units } = useDesk();
  const ask = spot === 0 ? 'Signal at which the output first moves' : 'Signal at which it reaches the supply';
  const now = point.signal ?? 0;
  return (
    <YStack gap="$2" flex={1}>
      {point.isLinked ? (
        <XStack gap="$2">
          {[-0.01, 0.0025, 0.01].map((by) => (
            <BigButton key={by} flex={1} kind="outline" onPress={() => point.set(now + by)} label={`Signal ${by > 0 ? 'up' : 'down'} ${spanWords(Math.abs(by), 2)}`}>
              {`${by > 0 ? '+' : '−'}${Math.abs(by * 100)} %`}
            </BigButton>
          ))}
        </XStack>
      ) : null}
      {point.isLinked ? <Muted>{`calibrator at ${point.signalSay(now)}, output at ${Math.round((point.outputShare ?? 0) * 100)} % of the supply`}</Muted> : null}
      <PointEntry point={point} unit={point.plate.input.kind === 'pressure' ? units.pressure : 'mA'} kind={point.plate.input.kind} label={ask} onTake={onTake} />
    </YStack>
  );
} // prettier-ignore
