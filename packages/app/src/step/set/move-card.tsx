import type { NextMove, SettingView } from '@holvek/core';
import { TurnCard } from '../parts/turn-card';
import { useSpoken } from '@/hands/speak';
import { useDesk } from '@/desk/use-desk';
import { SaidOnce } from '@/ui/said-once';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Title, Words } from '@/ui/words';

type Props = {
  readonly view: SettingView;
  /** What the valve is read on. */
  readonly instrument: string;
  readonly pendingHint: string;
  readonly wasUnsettled: boolean;
};

const aboveWord: Record<NextMove['kind'], string> = {
  turn: 'next move',
  probe: 'find out which way it works',
  back_off: 'gone past: come back, then approach again',
  read_again: 'that one does not fit',
  done: 'as it should be',
  stuck: 'next move',
};
const stuckWord = {
  end_of_travel: 'The screw is at the end of its travel. Another spring is needed for this target.',
  no_safe_move: 'No turn is safe enough from here. Check the gauge and what holds the valve.',
  too_coarse:
    'This screw is too coarse for its lane: by hand it would sooner pass the limit. Take a finer ' +
    'screw or a softer spring, have the owner widen the lane, or end the work as could not be set.',
} as const;

/** The move in a sentence, for whoever hears the page. */
function saidOf(move: NextMove): string {
  if (move.kind === 'stuck') return `Stop turning. ${stuckWord[move.why]}`;
  if (move.kind === 'read_again') return 'Read it again: that one does not fit.';
  if (move.kind === 'done') return 'In the lane.';
  return `${aboveWord[move.kind]}: ${turnWord(move.turns)} ${wayWord(move.turns)}`;
}

/** The screw as it stands and should stand, and how far to turn. */
export function MoveCard(props: Props) {
  const { position, move } = props.view;
  const turns = move && 'turns' in move ? move.turns : 0;
  const said = move ? saidOf(move) : '';
  useSpoken(said);
  return (
    <TurnCard position={position} turns={turns} above={move ? aboveWord[move.kind] : 'first'}>
      <SaidOnce>{said}</SaidOnce>
      {move ? <MoveWords view={props.view} move={move} /> : <ReadFirst {...props} />}
    </TurnCard>
  );
}

function ReadFirst({ view: { dots, isInControl }, instrument, pendingHint, wasUnsettled }: Props) {
  const hint = isInControl
    ? pendingHint
    : 'It was not in control, so that reading teaches nothing. Wait until the valve rules it, then read again.';
  return (
    <>
      <Title>{dots.length === 0 ? `Read the ${instrument}` : 'Read it again'}</Title>
      <Words color="$muted">
        {wasUnsettled ? `That one was still moving: kept, not counted. ${pendingHint}` : hint}
      </Words>
    </>
  );
}

function MoveWords({ view, move }: { readonly view: SettingView; readonly move: NextMove }) {
  const { settle_wait_s: wait } = useDesk().run.started.house_rules;
  if (move.kind === 'stuck')
    return (
      <>
        <Title>Stop turning</Title>
        <Words color="$muted">{stuckWord[move.why]}</Words>
      </>
    );
  if (move.kind === 'read_again')
    return (
      <>
        <Title>Read it again</Title>
        <Words color="$muted">
          It does not fit what the valve has shown so far: it may have been read wrong.
        </Words>
      </>
    );
  if (move.kind === 'done')
    return (
      <>
        <Title>In the lane</Title>
        <RateWords view={view} />
      </>
    );
  return (
    <>
      <Title testID="next-move">{`${turnWord(move.turns)} ${wayWord(move.turns)}`}</Title>
      <Words color="$muted">{`then wait about ${wait} s.`}</Words>
      <RateWords view={view} />
    </>
  );
}

const fleetSays = (valves: number): string =>
  valves === 1 ? 'one valve of its kind says' : `${valves} valves of its kind say`;

/** What a turn gives: learned here, and what was believed before. */
function RateWords({ view: { rate, prior } }: { readonly view: SettingView }) {
  const { units } = useDesk();
  const source = {
    sheets: 'its last sheets say',
    fleet: fleetSays(prior.valves ?? 1),
    spring: 'its spring chart says',
    family: 'the family says',
  }[prior.from];
  const before = units.figure(prior.rate);
  return (
    <Muted>
      {rate
        ? `This valve gives ${units.figure(Math.abs(rate.mean))} a turn, ${source} ${before}.`
        : `A turn should give about ${before} ${units.pressure}: ${source} so.`}
    </Muted>
  );
}
