import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { FlatList } from 'react-native';
import { countersignPill } from '@/countersign/countersign-words';
import { useCountersigns } from '@/countersign/use-countersign';
import { useSheets } from '@/data/queries';
import { useOutbox, useShelf } from '@/data/store';
import { Head } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { NextLooks } from '@/sheet/next-looks';
import { SheetLine } from '@/sheet/sheet-line';
import { SheetTable } from '@/sheet/sheet-table';
import { listedSheets, type ListedSheet } from '@/sheet/unfiled';
import { useMedia, XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';

/** Signed records, latest first, and what is due next. */
export default function SheetsScreen() {
  const sheets = useSheets();
  const isWide = useMedia().wide;
  const all = useListedSheets(sheets.data ?? []);
  const waiting = all.filter(({ second }) => second !== undefined);
  const [isOnlyWaiting, setOnlyWaiting] = useState(false);
  const isFew = isOnlyWaiting && waiting.length > 0;
  const listed = isFew ? waiting : all;
  return (
    <YStack
      flex={1}
      minHeight={0}
      padding="$4"
      gap="$3"
      width="100%"
      maxWidth={isWide ? '$table' : '$column'}
      alignSelf="center"
    >
      <Head title="Sheets" under={`${listed.length} signed`} right={<SyncPill />} />
      {waiting.length > 0 ? (
        <WordButton onPress={() => setOnlyWaiting(!isFew)}>
          {isFew ? 'show all sheets' : `${waiting.length} want a second signature: show them`}
        </WordButton>
      ) : null}
      {isWide ? (
        <SheetTable sheets={listed} empty={<NoSheets />} />
      ) : (
        <FlatList
          style={{ flex: 1 }}
          data={listed}
          keyExtractor={({ key }) => key}
          ListHeaderComponent={<NextLooks />}
          ListEmptyComponent={<NoSheets />}
          ListFooterComponent={<CheckWay />}
          renderItem={({ item }) => <SheetLine sheet={item} />}
        />
      )}
      {isWide ? <CheckWay /> : null}
    </YStack>
  );
}

/** What is filed, and what waits on this phone, with what is still to come of second signatures. */
function useListedSheets(sheets: Parameters<typeof listedSheets>[0]): readonly ListedSheet[] {
  const runs = [...useShelf().values()].map(({ run }) => run);
  const { filed } = useOutbox();
  const stateOf = useCountersigns();
  return listedSheets(sheets, runs, new Set(filed.keys())).map((sheet) => {
    const { hash, body } = sheet;
    const second = hash === undefined ? undefined : countersignPill[stateOf({ hash, body }).kind];
    return second ? { ...sheet, second } : sheet;
  });
}

/** What was done is handed to the client; what others took away can be checked here. */
function CheckWay() {
  const router = useRouter();
  return (
    <XStack flexWrap="wrap" justifyContent="space-between">
      <WordButton onPress={() => router.push('/sheets/hand-out' as Href)}>
        hand sheets to a client
      </WordButton>
      <WordButton onPress={() => router.push('/sheets/check' as Href)}>
        check a record that was handed over
      </WordButton>
    </XStack>
  );
}

/** Why there is none, and what to do about it. */
function NoSheets() {
  const sheets = useSheets();
  if (sheets.isPending) return <Loading what="Fetching the sheets" />;
  return sheets.data ? (
    <Empty title="No sheets yet" say="A run that is signed files its sheet here." />
  ) : (
    <Trouble
      title="The sheets cannot be read"
      say="There is no network and nothing was kept from an earlier visit."
      onRetry={() => void sheets.refetch()}
    />
  );
}
