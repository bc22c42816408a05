import { useRouter, type Href } from 'expo-router';
import { useRef, useState } from 'react';
import { FlatList } from 'react-native';
import { useMedia, XStack, YStack } from '@/ui/kit';
import { useValves } from '@/data/queries';
import { Head } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { useKeys } from '@/ui/use-keys';
import { Choice, TextInput } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { RegisterFiles } from '@/valve/register-files';
import { standingFilters, useValveRows, type StandingFilter } from '@/valve/use-valve-rows';
import { ValveLine } from '@/valve/valve-line';
import { ValveTable } from '@/valve/valve-table';

/** The register: find a valve by tag, name or place, or by how it stands. */
export default function ValvesScreen() {
  const valves = useValves();
  const [text, setText] = useState('');
  const [filter, setFilter] = useState<StandingFilter>('all');
  const isWide = useMedia().wide;
  const router = useRouter();
  const input = useRef<{ focus: () => void }>(null);
  useKeys({ '/': () => input.current?.focus() });
  const rows = useValveRows(text, filter);
  const scan = <WordButton onPress={() => router.push('/scan' as Href)}>scan a label</WordButton>;
  const newValve = (
    <BigButton kind="outline" onPress={() => router.push('/valves/new' as Href)}>
      New valve
    </BigButton>
  );
  const find = (
    <YStack gap="$3">
      <TextInput
        ref={input as never}
        aria-label="Find a valve"
        placeholder="Tag, name or place"
        value={text}
        onChangeText={setText}
      />
      <Choice
        label="Standing"
        value={filter}
        onChange={setFilter}
        options={standingFilters.map((value) => ({ value, say: value }))}
      />
    </YStack>
  );
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
      <Head
        title="Valves"
        under={`${rows.length} of ${valves.data?.length ?? 0}`}
        right={
          <XStack gap="$3" alignItems="center">
            <SyncPill />
            {scan}
            {isWide ? newValve : null}
          </XStack>
        }
      />
      {isWide ? (
        <>
          {find}
          <ValveTable rows={rows} empty={<NoRows />} />
        </>
      ) : (
        <FlatList
          style={{ flex: 1 }}
          data={rows}
          keyExtractor={({ valve }) => valve.id}
          ListHeaderComponent={find}
          ListEmptyComponent={<NoRows />}
          renderItem={({ item }) => <ValveLine row={item} />}
          ListFooterComponent={<RegisterWays />}
        />
      )}
      {isWide ? <RegisterWays /> : newValve}
    </YStack>
  );
}

/** What else there is to do with the register. */
function RegisterWays() {
  const router = useRouter();
  const isWide = useMedia().wide;
  const [areFilesOpen, setFilesOpen] = useState(false);
  const Frame = isWide ? XStack : YStack;
  return (
    <Frame gap={isWide ? '$5' : 0}>
      <WordButton onPress={() => router.push('/valves/labels' as Href)}>labels to print</WordButton>
      <WordButton onPress={() => setFilesOpen(true)}>register as a file</WordButton>
      <RegisterFiles isOpen={areFilesOpen} onClose={() => setFilesOpen(false)} />
    </Frame>
  );
}

/** Why the list is empty, and what to do about it. */
function NoRows() {
  const valves = useValves();
  if (valves.isPending) return <Loading what="Fetching the register" />;
  if (!valves.data)
    return (
      <Trouble
        title="The register cannot be read"
        say="There is no network and nothing was kept from an earlier visit."
        onRetry={() => void valves.refetch()}
      />
    );
  return valves.data.length === 0 ? (
    <Empty
      title="No valve yet"
      say="Stand before the first one and read off its plate: it takes two minutes."
    />
  ) : (
    <Empty
      title="No such valve"
      say="Nothing in the register matches. Clear the search or the filter."
    />
  );
}
