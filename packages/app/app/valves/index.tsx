import { placeTree, shortPlacePath } from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import { useRef, useState } from 'react';
import { FlatList } from 'react-native';
import { useMedia, XStack, YStack } from '@/ui/kit';
import { useSites, useValves } from '@/data/queries';
import { Head } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { BottomSheet } from '@/ui/bottom-sheet';
import { useKeys } from '@/ui/use-keys';
import { Choice } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { TextInput } from '@/ui/text-input';
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
  const [placeId, setPlaceId] = useState('');
  const rows = useValveRows({ text, standing: filter, placeId });
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
      <WhereChoice placeId={placeId} onPlace={setPlaceId} />
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

/** Where it is looked: everywhere, or in one place with all that lies in it. A house of one place asks nothing. */
function WhereChoice({
  placeId,
  onPlace,
}: {
  readonly placeId: string;
  readonly onPlace: (id: string) => void;
}) {
  const places = useSites().data ?? [];
  const [isOpen, setOpen] = useState(false);
  const open = places.filter(({ closed }) => !closed);
  if (open.length < 2) return null;
  const said = placeId === '' ? 'in every place' : `in ${shortPlacePath(places, placeId)}`;
  const choose = (id: string) => {
    onPlace(id);
    setOpen(false);
  };
  return (
    <>
      <WordButton onPress={() => setOpen(true)}>{said}</WordButton>
      <BottomSheet isOpen={isOpen} title="Where" onClose={() => setOpen(false)}>
        <Choice
          label="With all that lies in it"
          value={placeId}
          onChange={choose}
          options={[
            { value: '', say: 'every place' },
            ...placeTree(open).map(({ place }) => ({
              value: place.id,
              say: shortPlacePath(places, place.id),
            })),
          ]}
        />
      </BottomSheet>
    </>
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
