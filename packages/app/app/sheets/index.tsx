import { leftWords, outcomeWord } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import { FlatList } from 'react-native';
import { XStack, YStack } from '@/ui/kit';
import { useHouseRules, useSheets, useValves } from '@/data/queries';
import { useOutbox, useShelf } from '@/data/store';
import { Head } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { outcomeTone } from '@/sheet/outcome';
import { listedSheets } from '@/sheet/unfiled';
import { Card, Pill } from '@/ui/card';
import { Press, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { useNow } from '@/ui/use-now';
import { useVisits } from '@/valve/use-visits';
import { nextLook } from '@/valve/valve-state';
import { usePrinters } from '@/report/use-printers';

/** Signed records, latest first, and what is due next. */
export default function SheetsScreen() {
  const sheets = useSheets();
  const valves = useValves().data ?? [];
  const visits = useVisits();
  const rules = useHouseRules();
  const router = useRouter();
  const print = usePrinters();
  const now = useNow();
  const runs = [...useShelf().values()].map(({ run }) => run);
  const { filed } = useOutbox();
  const listed = listedSheets(sheets.data ?? [], runs, new Set(filed.keys()));
  const due = valves
    .flatMap((valve) => {
      const at = nextLook(valve, visits.get(valve.id) ?? [], rules);
      return at ? [{ valve, at }] : [];
    })
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .slice(0, 3);
  return (
    <YStack
      flex={1}
      minHeight={0}
      padding="$4"
      gap="$3"
      width="100%"
      maxWidth="$column"
      alignSelf="center"
    >
      <Head title="Sheets" under={`${listed.length} signed`} right={<SyncPill />} />
      <FlatList
        style={{ flex: 1 }}
        data={listed}
        keyExtractor={({ key }) => key}
        ListHeaderComponent={
          due.length > 0 ? (
            <Card marginBottom="$3">
              <Heading>Next looks</Heading>
              {due.map(({ valve, at }) => (
                <XStack key={valve.id} justifyContent="space-between">
                  <Words>{`${valve.tag} ${valve.name}`}</Words>
                  <Strong color={at.getTime() < now ? '$vermilion' : '$color'}>
                    {format(at, 'd MMM yyyy')}
                  </Strong>
                </XStack>
              ))}
            </Card>
          ) : null
        }
        ListEmptyComponent={
          sheets.isPending ? (
            <Loading what="Fetching the sheets" />
          ) : sheets.data ? (
            <Empty title="No sheets yet" say="A run that is signed files its sheet here." />
          ) : (
            <Trouble
              title="The sheets cannot be read"
              say="There is no network and nothing was kept from an earlier visit."
              onRetry={() => void sheets.refetch()}
            />
          )
        }
        ListFooterComponent={
          <WordButton onPress={() => router.push('/sheets/check')}>
            check a record that was handed over
          </WordButton>
        }
        renderItem={({ item: { path, body, isFiled } }) => (
          <Press
            onPress={() => router.push(path as Href)}
            aria-label={`Sheet ${body.valve_tag} ${format(body.signed_at_ms, 'd MMM yyyy')}`}
          >
            <XStack
              justifyContent="space-between"
              alignItems="center"
              gap="$3"
              minHeight={66}
              borderBottomWidth={1}
              borderColor="$line"
            >
              <YStack flexShrink={1}>
                <Strong
                  fontSize="$4"
                  lineHeight="$4"
                >{`${body.valve_tag} ${body.valve_name}`}</Strong>
                <Muted>
                  {`${format(body.signed_at_ms, 'd MMM yyyy')} · ` +
                    `${leftWords(body, print)}${body.revision > 1 ? ` · revision ${body.revision}` : ''}`}
                </Muted>
              </YStack>
              <YStack alignItems="flex-end" gap="$1">
                <Pill tone={outcomeTone(body)}>{outcomeWord(body)}</Pill>
                {isFiled ? null : <Pill tone="work">not yet filed</Pill>}
              </YStack>
            </XStack>
          </Press>
        )}
      />
    </YStack>
  );
}
