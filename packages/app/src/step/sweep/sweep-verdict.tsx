import type { Alignment, SweepView } from '@holvek/core';
import { XStack } from '@/ui/kit';
import { bandWord } from './band-word';
import { TurnCard } from '../parts/turn-card';
import { useDesk } from '@/desk/use-desk';
import { Pill } from '@/ui/card';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

type Props = {
  readonly view: SweepView;
  readonly position: number;
  readonly step: number | undefined;
};

/** What a whole sweep comes to; until then, which band comes next. */
export function SweepVerdict({ view: { nextGain, alignment, turns }, position, step }: Props) {
  if (nextGain !== undefined)
    return <Muted>{`Band to ${bandWord(nextGain)}, then read the output.`}</Muted>;
  if (!alignment.ok) return <Strong color="$vermilion">The sweep is too short to judge.</Strong>;
  const { verdict } = alignment.value;
  const move = turns === undefined ? undefined : `${turnWord(turns)} ${wayWord(turns)}`;
  return (
    <TurnCard position={position} turns={turns ?? 0}>
      <XStack>
        <Pill tone={verdict === 'flat' ? 'good' : 'stop'}>{verdict}</Pill>
      </XStack>
      <Title testID="next-move">
        {move ?? (verdict === 'flat' ? 'Aligned' : 'Look for a leak')}
      </Title>
      <AlignmentWords alignment={alignment.value} step={step} />
    </TurnCard>
  );
}

function AlignmentWords({
  alignment: { verdict, spread, offset },
  step,
}: {
  readonly alignment: Alignment;
  readonly step: number | undefined;
}) {
  const { units } = useDesk();
  const say = {
    flat: `Moves\u00A0±\u00A0${units.withUnit(spread, step)} over the whole sweep.`,
    leans:
      `The process pointer stands ${spanWords(Math.abs(offset), 2)} ` +
      `${offset > 0 ? 'high' : 'low'} of the set pointer. Bring them together, then sweep again.`,
    wanders:
      'It moves without following the band. A bellows or the reset valve leaks: soap test first.',
  }[verdict];
  return <Words color="$muted">{say}</Words>;
}
