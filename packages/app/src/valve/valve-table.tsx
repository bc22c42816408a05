import { familyName } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { usePlaceWords } from '@/data/use-placed-valves';
import { aimWords } from '@/words/aim-words';
import type { ValveRow } from './use-valve-rows';
import { ValvePage } from './valve-page';
import { standingTone } from './valve-state';
import { UnitsOfValve } from '@/units/units-of-valve';
import { useUnitsOf } from '@/units/use-units';
import { Pill } from '@/ui/card';
import { DataTable } from '@/ui/data-table';
import { XStack } from '@/ui/kit';
import { SidePane } from '@/ui/side-pane';
import type { TableColumn } from '@/ui/table-column';

const day = (at: Date | number | undefined): string => (at ? format(at, 'd MMM yyyy') : '–');
/** What has no date stands behind all that has one. */
const time = (at: Date | number | undefined): number => (at ? Number(at) : Infinity);

const columnsIn = (
  unitsOf: ReturnType<typeof useUnitsOf>,
  placeWords: ReturnType<typeof usePlaceWords>,
): readonly TableColumn<ValveRow>[] => [
  { id: 'tag', head: 'Tag', width: 84, isFigure: true, text: ({ valve }) => valve.tag },
  { id: 'name', head: 'Name', width: 140, grows: true, text: ({ valve }) => valve.name },
  { id: 'place', head: 'Place', width: 110, grows: true, text: ({ valve }) => placeWords(valve) },
  {
    id: 'kind',
    head: 'Kind',
    width: 150,
    isExtra: true,
    text: ({ valve }) => familyName[valve.plate.family],
  },
  {
    id: 'aim',
    head: 'Asked for',
    width: 178,
    text: ({ valve }) => aimWords(valve, unitsOf(valve)),
  },
  {
    id: 'set',
    head: 'Set on',
    width: 104,
    isExtra: true,
    text: ({ setAt }) => day(setAt),
    sortBy: ({ setAt }) => time(setAt),
  },
  {
    id: 'due',
    head: 'Next look',
    width: 104,
    text: ({ due }) => day(due),
    sortBy: ({ due }) => time(due),
  },
  {
    id: 'standing',
    head: 'Standing',
    width: 116,
    text: ({ standing }) => standing,
    cell: ({ standing }) => (
      <XStack>
        <Pill tone={standingTone[standing]}>{standing}</Pill>
      </XStack>
    ),
  },
];

/** The register where there is room: a table, and beside it the valve that is selected. */
export function ValveTable({
  rows,
  empty,
}: {
  readonly rows: readonly ValveRow[];
  readonly empty: ReactNode;
}) {
  const router = useRouter();
  const unitsOf = useUnitsOf();
  const placeWords = usePlaceWords();
  const [chosen, setChosen] = useState<string>();
  const row = rows.find(({ valve }) => valve.id === chosen) ?? rows[0];
  return (
    <XStack flex={1} minHeight={0} gap="$3">
      <DataTable
        label="Valves"
        rows={rows}
        columns={columnsIn(unitsOf, placeWords)}
        keyOf={({ valve }) => valve.id}
        selected={row?.valve.id}
        onSelect={({ valve }) => setChosen(valve.id)}
        onOpen={({ valve }) => router.push(`/valves/${valve.id}`)}
        sort={{ id: 'tag', desc: false }}
        empty={empty}
      />
      {row ? (
        <SidePane label={`${row.valve.tag}, selected`}>
          <UnitsOfValve valve={row.valve}>
            <ValvePage key={row.valve.id} valve={row.valve} isPane />
          </UnitsOfValve>
        </SidePane>
      ) : null}
    </XStack>
  );
}
