import { unbroken, type Block } from '@holvek/core';
import { Picture } from '@/photo/picture';
import { XStack, YStack } from '@/ui/kit';
import { ChartView } from './chart-view';
import { columnWeights, isFigure } from './column-weights';
import { wordColour } from './tones';
import { Card, Row } from '@/ui/card';
import { Figure, Heading, Muted, Strong, Words } from '@/ui/words';

/** px of a picture in its row. */
const PICTURE = { width: 148, height: 111 };

type Of<K extends Block['kind']> = Extract<Block, { kind: K }>;

/** One part of a report on the screen. */
export function BlockView({ block }: { readonly block: Block }) {
  return (
    <Card>
      <Heading>{block.title}</Heading>
      <Inside block={block} />
    </Card>
  );
}

function Inside({ block }: { readonly block: Block }) {
  switch (block.kind) {
    case 'rows':
      return <RowList block={block} />;
    case 'table':
      return <TableRows block={block} />;
    case 'chart':
      return <ChartView chart={block.chart} />;
    case 'pictures':
      return (
        <XStack gap="$3" flexWrap="wrap">
          {block.pictures.map(({ name, say }) => (
            <YStack key={`${name} ${say}`} gap="$1" width={PICTURE.width}>
              <YStack
                borderRadius="$2"
                overflow="hidden"
                backgroundColor="$quiet"
                height={PICTURE.height}
              >
                <Picture name={name} say={say} size="small" style={PICTURE} />
              </YStack>
              <Muted>{say}</Muted>
            </YStack>
          ))}
        </XStack>
      );
    case 'words':
      return block.lines.map(({ text, tone }) => (
        <Words key={text} color={wordColour(tone ?? 'quiet')}>
          {text}
        </Words>
      ));
  }
}

const RowList = ({ block: { rows } }: { readonly block: Of<'rows'> }) =>
  rows.map(({ label, value, tone }, i) => (
    <Row key={label} label={label} isLast={i === rows.length - 1}>
      <Strong textAlign="right" flexShrink={1} color={wordColour(tone)}>
        {value}
      </Strong>
    </Row>
  ));

/** A table whose first column is words, the others mostly figures, which are never broken. */
function TableRows({ block: { title, head, rows } }: { readonly block: Of<'table'> }) {
  const weights = columnWeights(
    head,
    rows.map(({ cells }) => cells),
  );
  const cell = (i: number) =>
    ({
      flexGrow: weights[i] ?? 1,
      flexShrink: 1,
      flexBasis: 0,
      textAlign: i === 0 ? 'left' : 'right',
    }) as const;
  return (
    <XStack flexDirection="column" role="table" aria-label={title}>
      <XStack role="row" gap="$2" paddingBottom="$1">
        {head.map((label, i) => (
          <Muted key={label} role="columnheader" {...cell(i)}>
            {label}
          </Muted>
        ))}
      </XStack>
      {rows.map(({ cells, tone }) => (
        <XStack
          key={cells.join(' ')}
          role="row"
          gap="$2"
          minHeight={36}
          alignItems="center"
          borderTopWidth={1}
          borderColor="$line"
        >
          {cells.map((text, i) => {
            const Cell = isFigure(text) ? Figure : Words;
            return (
              <Cell
                key={head[i]}
                role="cell"
                fontSize="$2"
                lineHeight="$2"
                {...cell(i)}
                color={wordColour(tone)}
              >
                {isFigure(text) ? unbroken(text) : text}
              </Cell>
            );
          })}
        </XStack>
      ))}
    </XStack>
  );
}
