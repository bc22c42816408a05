import {
  adjusterOfScrew,
  inputOfSpot,
  type Prompt,
  type LinkageView,
  type RangeArm,
  type ScrewName,
} from '@holvek/core';
import { TurnCard } from '../parts/turn-card';
import { ArmScale } from './arm-scale';
import type { usePoint } from '../points/use-point';
import { useDesk } from '@/desk/use-desk';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Title, Words } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

const screwWord: Record<ScrewName, string> = {
  zero: 'zero screw',
  span: 'span screw',
  angularity: 'link length',
};

type Told = {
  readonly above: string;
  readonly title: string;
  readonly say: string;
  readonly why?: string;
};
type Props = {
  readonly view: LinkageView;
  readonly prompt: Prompt;
  readonly point: ReturnType<typeof usePoint>;
  readonly isEnds: boolean;
};

/** The next move with its dial, what it will do elsewhere, and why this screw. */
export function LinkageMove({ view, prompt, point, isEnds }: Props) {
  const { run } = useDesk();
  const { move } = view;
  const screw = prompt.ask === 'turn' && move.kind === 'turn' ? move.screw : undefined;
  const marks = screw ? (run.marks[adjusterOfScrew(screw)] ?? []) : [];
  const position = marks.reduce((sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0), 0);
  const told = screw ? turnTold({ view, screw, point, isEnds }) : readTold({ view, prompt, point });
  const turns = prompt.ask === 'turn' ? prompt.turns : 0;
  const arm = screw === 'span' ? view.arm : undefined;
  return (
    <TurnCard
      position={position}
      turns={turns}
      above={told.above}
      {...(arm ? { picture: <ArmScale arm={arm} to={arm.at + turns} /> } : {})}
    >
      <Title testID="next-move">{told.title}</Title>
      <Words color="$muted">{told.say}</Words>
      {told.why ? <Muted>{told.why}</Muted> : null}
    </TurnCard>
  );
}

/** A screw to be turned: how far, and where to. */
function turnTold({
  view,
  screw,
  point,
  isEnds,
}: Omit<Props, 'prompt'> & { readonly screw: ScrewName }): Told {
  const { move, perTurn, arm } = view;
  if (move.kind !== 'turn') throw new Error('no turn is asked for');
  const moved = spanWords(Math.abs(move.turns * (perTurn[screw] ?? 0)));
  const until = point.wantedSay(inputOfSpot[move.spot] + move.comeTo);
  if (screw === 'span' && arm)
    return {
      above: 'next move · range arm',
      title: `Arm to ${armFigure(arm, move.turns)}`,
      say:
        `Loosen it, slide it from ${armFigure(arm)} to the ${move.turns > 0 ? 'larger' : 'smaller'} figure, tighten. ` +
        (isEnds ? `${moved} of the signal.` : `It should then show about ${until}.`),
      why: whyWords(view, screw),
    };
  return {
    above: `next move · ${screwWord[screw]}`,
    title: `${turnWord(move.turns)} ${wayWord(move.turns)}`,
    say: isEnds ? `${moved} of the signal.` : `until it shows about ${until}.`,
    why: whyWords(view, screw),
  };
}

/** A reading to come to, or nothing more to do. */
function readTold({ view: { move }, prompt, point }: Omit<Props, 'isEnds'>): Told {
  if (prompt.ask === 'done')
    return {
      above: 'as it should be',
      title: 'They hold',
      say: 'Every spot was read after the last turn, inside the tolerance less what the calibrator leaves open.',
    };
  if (prompt.ask === 'stuck' && prompt.why === 'end_of_travel')
    return {
      above: 'stop',
      title: 'The arm is at the end of its scale',
      say: 'Look at the linkage: is the arm on the right side, square at mid-travel, is this the right range?',
    };
  if (prompt.ask !== 'point')
    return {
      above: 'stop',
      title: 'Cannot be judged',
      say: 'The tolerance is no larger than the uncertainty of this calibrator. Take a better one.',
    };
  const title = `Read at ${point.signalSay(prompt.at)}`;
  if (move.kind !== 'go' || move.why !== 'unread')
    return {
      above: move.kind === 'go' ? 'look first' : 'now read it',
      title,
      say:
        move.kind === 'go'
          ? 'Another screw has moved it since it was read.'
          : 'It has moved: what that did is what counts.',
    };
  return { above: 'look first', title, say: 'It has not been read here yet.' };
}

/** The figure on its scale that the arm stands at, or stands at after a slide. */
export const armFigure = ({ at }: RangeArm, by = 0): string => String(Number((at + by).toFixed(4)));

/** What a screw takes along elsewhere: learned from this instrument, or the house’s guess. */
function whyWords({ interactions, move }: LinkageView, screw: ScrewName): string {
  if (move.kind === 'turn' && move.why === 'last_of_all')
    return 'Zero moves all alike, so it comes last.';
  const other = interactions.find((each) => each.screw === screw && each.spot === 'low');
  if (!other) return '';
  const share = Math.round(Math.abs(other.mean) * 100);
  const how = other.sd < 0.15 ? 'This one' : 'Usually it';
  return share < 4
    ? `${how} leaves zero alone.`
    : `${how} takes zero along by ${share}\u00a0% of that${other.mean < 0 ? ', the other way' : ''}: it goes first.`;
}
