import { useRouter, type Href } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { FlatList } from 'react-native';
import { XStack, YStack } from '@/ui/kit';
import { useHouseRules, useValves } from '@/data/queries';
import { useShelf } from '@/data/store';
import { useUnits } from '@/settings/use-units';
import { Head } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { useKeys } from '@/shell/use-keys';
import { Pill } from '@/ui/card';
import { Choice, TextInput } from '@/ui/field';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Empty, Loading, Trouble } from '@/ui/states';
import { Muted, Strong } from '@/ui/words';
import { useNow } from '@/ui/use-now';
import { RegisterFiles } from '@/valve/register-files';
import { aimWords } from '@/valve/aim-words';
import { useVisits } from '@/valve/use-visits';
import { openRunOf, standingOf, standingTone, type Standing } from '@/valve/valve-state';
import { familyName, type Valve } from '@holvek/core';

const filters = [
  'all',
  'in hand',
  'overdue',
  'drifting',
  'never set',
  'not in order',
  'out of service',
  'in order',
  'retired',
] as const;
type Filter = (typeof filters)[number];

/** The register: find a valve by tag, name or place, or by how it stands. */
export default function ValvesScreen() {
  const valves = useValves();
  const visits = useVisits();
  const shelf = useShelf();
  const rules = useHouseRules();
  const now = useNow();
  const [text, setText] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const [areFilesOpen, setFilesOpen] = useState(false);
  const router = useRouter();
  const input = useRef<{ focus: () => void }>(null);
  useKeys({ '/': () => input.current?.focus() });
  const rows = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    return (valves.data ?? [])
      .map((valve) => ({
        valve,
        standing: standingOf(
          valve,
          visits.get(valve.id) ?? [],
          rules,
          openRunOf(shelf, valve.id),
          now,
        ),
      }))
      .filter(
        ({ valve, standing }) =>
          (filter === 'all' ? standing !== 'retired' : standing === filter) &&
          `${valve.tag} ${valve.name} ${valve.place} ${familyName[valve.plate.family]}`
            .toLowerCase()
            .includes(wanted),
      )
      .sort((a, b) => a.valve.tag.localeCompare(b.valve.tag, 'en', { numeric: true }));
  }, [filter, now, rules, shelf, text, valves.data, visits]);
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
      <Head
        title="Valves"
        under={`${rows.length} of ${valves.data?.length ?? 0}`}
        right={<SyncPill />}
      />
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
        options={filters.map((value) => ({ value, say: value }))}
      />
      <FlatList
        style={{ flex: 1 }}
        data={rows}
        keyExtractor={({ valve }) => valve.id}
        ListEmptyComponent={
          valves.isPending ? (
            <Loading what="Fetching the register" />
          ) : valves.data?.length === 0 ? (
            <Empty
              title="No valve yet"
              say="Stand before the first one and read off its plate: it takes two minutes."
            />
          ) : valves.data ? (
            <Empty
              title="No such valve"
              say="Nothing in the register matches. Clear the search or the filter."
            />
          ) : (
            <Trouble
              title="The register cannot be read"
              say="There is no network and nothing was kept from an earlier visit."
              onRetry={() => void valves.refetch()}
            />
          )
        }
        renderItem={({ item }) => <ValveLine valve={item.valve} standing={item.standing} />}
        ListFooterComponent={
          <YStack>
            <WordButton onPress={() => router.push('/valves/labels' as Href)}>
              labels to print
            </WordButton>
            <WordButton onPress={() => setFilesOpen(true)}>register as a file</WordButton>
          </YStack>
        }
      />
      <BigButton kind="outline" onPress={() => router.push('/valves/new' as Href)}>
        New valve
      </BigButton>
      <RegisterFiles isOpen={areFilesOpen} onClose={() => setFilesOpen(false)} />
    </YStack>
  );
}

function ValveLine({ valve, standing }: { readonly valve: Valve; readonly standing: Standing }) {
  const router = useRouter();
  const units = useUnits();
  return (
    <Press
      onPress={() => router.push(`/valves/${valve.id}`)}
      aria-label={`${valve.tag} ${valve.name}, ${standing}`}
    >
      <XStack
        justifyContent="space-between"
        alignItems="center"
        gap="$3"
        minHeight={68}
        borderBottomWidth={1}
        borderColor="$line"
      >
        <YStack flexShrink={1}>
          <Strong fontSize="$4" lineHeight="$4">{`${valve.tag} ${valve.name}`}</Strong>
          <Muted>{`${valve.place} · ${aimWords(valve, units)}`}</Muted>
        </YStack>
        <Pill tone={standingTone[standing]}>{standing}</Pill>
      </XStack>
    </Press>
  );
}
