import type { TriedLight } from '@holvek/core';
import { XStack } from '@/ui/kit';
import type { Edges } from './use-edges';
import { TurnCard } from '../parts/turn-card';
import { useDesk } from '@/desk/use-desk';
import { Card, Pill, Row } from '@/ui/card';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';

type Props = { readonly edges: Edges; readonly last: TriedLight | undefined };

/** What came of the last light, what to do now, and how far each edge is once both are known. */
export function EdgesAdvice({ edges, last }: Props) {
  const { units } = useDesk();
  const { search, middle } = edges.view;
  const division = edges.gauge?.resolution_pa;
  return (
    <>
      {last ? <LastLight light={last} division={division} /> : null}
      <Advice edges={edges} />
      {search.isDone && middle.ok ? (
        <Card>
          <Row label="To the low edge">{units.withUnit(middle.value.toLow, division)}</Row>
          <Row label="To the high edge" isLast>
            {units.withUnit(middle.value.toHigh, division)}
          </Row>
        </Card>
      ) : null}
    </>
  );
}

function LastLight({
  light: { lit, weak, pressure },
  division,
}: {
  readonly light: TriedLight;
  readonly division: number | undefined;
}) {
  const { units } = useDesk();
  const tone = weak ? 'work' : 'good';
  const word = weak ? 'lit, weak signal' : 'lit';
  return (
    <XStack gap="$2" alignItems="center">
      <Pill tone={lit ? tone : 'stop'}>{lit ? word : 'did not light'}</Pill>
      <Muted>{`at ${units.withUnit(pressure, division)}`}</Muted>
    </XStack>
  );
}

const stops = {
  purge: {
    title: 'Purge first',
    say: 'A failed light leaves gas behind. The whole purge runs before another spark; the clock starts anew if this page was closed.',
  },
  outside_maker_range: {
    title: undefined,
    say:
      'The maker’s range lies outside the edges. Something else is wrong: ' +
      'air, spark, orifice. Put everything back and call the burner’s maker.',
  },
  never_lights: {
    title: undefined,
    say: 'It lights nowhere in this range. Spark, air and flame rod come first; the gas is not the trouble.',
  },
} as const;

function Advice({ edges }: { readonly edges: Edges }) {
  const { prompt } = edges;
  if (prompt.ask === 'purge') return <Stop stop={stops.purge} />;
  if (prompt.ask === 'stuck')
    return (
      <Stop
        stop={prompt.why === 'outside_maker_range' ? stops.outside_maker_range : stops.never_lights}
      />
    );
  return <NextLight edges={edges} />;
}

const Stop = ({
  stop: { title, say },
}: {
  readonly stop: { readonly title: string | undefined; readonly say: string };
}) => (
  <Card tone="stop" role="alert">
    {title ? <Strong color="$onVermilionSoft">{title}</Strong> : null}
    <Words color="$onVermilionSoft">{say}</Words>
  </Card>
);

/** The pressure that is wanted next, and what brings it there. */
function NextLight({ edges: { view, prompt, aim, turn, gauge } }: { readonly edges: Edges }) {
  const { units } = useDesk();
  const { search } = view;
  if (aim === undefined) return null;
  return (
    <TurnCard
      position={turn.position}
      turns={prompt.ask === 'turn' ? prompt.turns : 0}
      above={search.isDone ? 'to the middle' : 'next light'}
    >
      <Title testID="next-move">{`at ${units.withUnit(aim, gauge?.resolution_pa)}`}</Title>
      <Words color="$muted">{sayOf(prompt)}</Words>
      {search.next && !search.isDone ? (
        <Muted>{`Fails about ${Math.round(search.next.chanceOfFailure * 100)} times in a hundred: a failure costs a purge.`}</Muted>
      ) : null}
    </TurnCard>
  );
}

function sayOf(prompt: Edges['prompt']): string {
  switch (prompt.ask) {
    case 'turn':
      return `${turnWord(prompt.turns)} ${wayWord(prompt.turns)}, then read.`;
    case 'done':
      return 'It stands there.';
    case 'light':
      return 'It stands there: light it.';
    default:
      return 'Read the manometer first.';
  }
}
