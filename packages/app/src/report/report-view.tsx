import { printSignal, report, type Figure as HeadFigure, type SheetBody } from '@holvek/core';
import { format } from 'date-fns/format';
import { useMemo } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { BlockView } from './block-view';
import { usePrinters } from './use-printers';
import { Card, Pill } from '@/ui/card';
import { BigNumber } from '@/ui/big-number';
import { Muted, Words } from '@/ui/words';
import { pillTone, wordColour } from './tones';

/** What a sheet says, as it stands or as it would be signed: the same parts as on paper. */
export function ReportView({ body }: { readonly body: SheetBody }) {
  const print = usePrinters();
  const told = useMemo(
    () =>
      report(body, {
        print,
        signalSay: (range, si) => printSignal(range, si, print.unit),
        timeSay: (ms) => format(ms, 'HH:mm'),
      }),
    [body, print],
  );
  const { headline, figures, words, blocks } = told;
  return (
    <YStack gap="$3">
      <Card {...(headline.tone === 'stop' ? { tone: 'stop' as const } : {})}>
        <XStack justifyContent="space-between" alignItems="flex-start" flexWrap="wrap" gap="$3">
          {figures.map((figure) => (
            <HeadNumber key={figure.label} figure={figure} />
          ))}
        </XStack>
        {words ? <Words color={wordColour(words.tone)}>{words.text}</Words> : null}
        <XStack>
          <Pill tone={pillTone(headline.tone)}>{headline.verdict}</Pill>
        </XStack>
      </Card>
      {blocks.map((block) => (
        <BlockView key={`${block.kind} ${block.title}`} block={block} />
      ))}
    </YStack>
  );
}

/** A figure that stands large at the head. */
function HeadNumber({ figure: { label, value, tone } }: { readonly figure: HeadFigure }) {
  const isQuiet = tone === 'quiet';
  return (
    <YStack>
      <Muted>{label}</Muted>
      <BigNumber
        fontSize={isQuiet ? '$6' : '$8'}
        lineHeight="$8"
        {...(isQuiet ? { color: '$muted' } : {})}
      >
        {value}
      </BigNumber>
    </YStack>
  );
}
