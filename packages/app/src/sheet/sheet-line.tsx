import { leftWords, outcomeWord } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import { outcomeTone } from './outcome';
import type { ListedSheet } from './unfiled';
import { usePrintersOf } from '@/report/use-printers';
import { Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Muted, Spoken, Strong } from '@/ui/words';

/** One sheet in the list of a phone. */
export function SheetLine({
  sheet: { path, body, isFiled, second },
}: {
  readonly sheet: ListedSheet;
}) {
  const router = useRouter();
  const print = usePrintersOf()(body);
  return (
    <Press onPress={() => router.push(path as Href)}>
      <Spoken>Sheet</Spoken>
      <XStack
        justifyContent="space-between"
        alignItems="center"
        gap="$3"
        minHeight={66}
        borderBottomWidth={1}
        borderColor="$line"
      >
        <YStack flexShrink={1}>
          <Strong fontSize="$4" lineHeight="$4">{`${body.valve_tag} ${body.valve_name}`}</Strong>
          <Muted>
            {`${format(body.signed_at_ms, 'd MMM yyyy')} · ` +
              `${leftWords(body, print)}${body.revision > 1 ? ` · revision ${body.revision}` : ''}`}
          </Muted>
        </YStack>
        <YStack alignItems="flex-end" gap="$1">
          <Pill tone={outcomeTone(body)}>{outcomeWord(body)}</Pill>
          {isFiled ? null : <Pill tone="work">not yet filed</Pill>}
          {second ? <Pill tone={second.tone}>{second.say}</Pill> : null}
        </YStack>
      </XStack>
    </Press>
  );
}
