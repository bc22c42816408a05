import type { ShownRow } from '@holvek/core';
import type { ReactNode } from 'react';
import { Card } from '@/ui/card';
import { saveText } from '@/ui/files';
import { View, XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';

type Props = {
  readonly question: string;
  /** Said where there is nothing to show. */
  readonly none: string;
  readonly rows: readonly ShownRow[];
  /** What a whole bar is; the longest one where nothing is said. */
  readonly most?: number;
  readonly say: (row: ShownRow) => string;
  readonly file: { readonly name: string; readonly csv: string };
  readonly children?: ReactNode;
};

/** Bars with their figures beside them, as the answer to a question. */
export function BarsCard({ question, none, rows, most, say, file, children }: Props) {
  const whole = most ?? Math.max(0, ...rows.map(({ value }) => value));
  return (
    <Card>
      <Heading>{question}</Heading>
      {children}
      {rows.length === 0 ? <Muted>{none}</Muted> : null}
      <YStack role="list" aria-label={question} gap="$2">
        {rows.map((row) => (
          <YStack key={row.label} role="listitem" gap="$1">
            <XStack justifyContent="space-between" gap="$2">
              <Words flexShrink={1}>{row.label}</Words>
              <Strong flexShrink={0}>{say(row)}</Strong>
            </XStack>
            <View height={10} borderRadius="$1" backgroundColor="$quiet">
              <View
                height={10}
                borderRadius="$1"
                backgroundColor="$verdigris"
                width={`${whole > 0 ? (100 * row.value) / whole : 0}%`}
              />
            </View>
          </YStack>
        ))}
      </YStack>
      {rows.length > 0 ? (
        <WordButton onPress={() => saveText(`${file.name}.csv`, file.csv, 'text/csv')}>
          take it as CSV
        </WordButton>
      ) : null}
    </Card>
  );
}
