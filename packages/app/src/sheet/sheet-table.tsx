import { leftWords, outcomeWord } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { DoubtCard } from './doubt-card';
import { outcomeTone } from './outcome';
import type { ListedSheet } from './unfiled';
import { ReportView } from '@/report/report-view';
import { usePrintersOf } from '@/report/use-printers';
import { UnitsOfValve, useNamedValve } from '@/units/units-of-valve';
import { Pill } from '@/ui/card';
import { DataTable } from '@/ui/data-table';
import { ScrollView, XStack, YStack } from '@/ui/kit';
import { SidePane } from '@/ui/side-pane';
import { WordButton } from '@/ui/press';
import type { TableColumn } from '@/ui/table-column';
import { Muted, Title } from '@/ui/words';

type PrintOf = ReturnType<typeof usePrintersOf>;

const signed = ({ body }: ListedSheet): string => format(body.signed_at_ms, 'd MMM yyyy');

const columnsIn = (printOf: PrintOf): readonly TableColumn<ListedSheet>[] => [
  {
    id: 'signed',
    head: 'Signed',
    width: 112,
    text: signed,
    sortBy: ({ body }) => body.signed_at_ms,
  },
  { id: 'tag', head: 'Tag', width: 84, isFigure: true, text: ({ body }) => body.valve_tag },
  { id: 'name', head: 'Name', width: 120, grows: true, text: ({ body }) => body.valve_name },
  {
    id: 'left',
    head: 'Left',
    width: 170,
    grows: true,
    text: ({ body }) => leftWords(body, printOf(body)),
  },
  { id: 'by', head: 'By', width: 110, text: ({ body }) => body.technician },
  {
    id: 'revision',
    head: 'Revision',
    width: 84,
    isExtra: true,
    text: ({ body }) => String(body.revision),
    sortBy: ({ body }) => body.revision,
  },
  {
    id: 'second',
    head: 'Second signature',
    width: 150,
    isExtra: true,
    text: ({ second }) => second?.say ?? '',
  },
  {
    id: 'outcome',
    head: 'Comes to',
    width: 128,
    text: ({ body }) => outcomeWord(body),
    cell: ({ body, isFiled }) => (
      <XStack>
        <Pill tone={isFiled ? outcomeTone(body) : 'work'}>
          {isFiled ? outcomeWord(body) : 'not yet filed'}
        </Pill>
      </XStack>
    ),
  },
];

/** Signed records where there is room: a table, and beside it what the selected one says. */
export function SheetTable({
  sheets,
  empty,
}: {
  readonly sheets: readonly ListedSheet[];
  readonly empty: ReactNode;
}) {
  const router = useRouter();
  const printOf = usePrintersOf();
  const named = useNamedValve();
  const [chosen, setChosen] = useState<string>();
  const sheet = sheets.find(({ key }) => key === chosen) ?? sheets[0];
  return (
    <XStack flex={1} minHeight={0} gap="$3">
      <DataTable
        label="Sheets"
        rows={sheets}
        columns={columnsIn(printOf)}
        keyOf={({ key }) => key}
        selected={sheet?.key}
        onSelect={({ key }) => setChosen(key)}
        onOpen={({ path }) => router.push(path as Href)}
        sort={{ id: 'signed', desc: true }}
        empty={empty}
      />
      {sheet ? (
        <SidePane label={`Sheet of ${sheet.body.valve_tag}, selected`}>
          <ScrollView key={sheet.key} flex={1} tabIndex={0}>
            <YStack padding="$4" gap="$3">
              <YStack>
                <Title>{sheet.body.valve_tag}</Title>
                <Muted>{`${sheet.body.valve_name} · ${signed(sheet)}`}</Muted>
              </YStack>
              <DoubtCard body={sheet.body} />
              <UnitsOfValve valve={named(sheet.body.valve_id, sheet.body.plate.family)}>
                <ReportView body={sheet.body} />
              </UnitsOfValve>
              <WordButton onPress={() => router.push(sheet.path as Href)}>
                open the sheet, take it away
              </WordButton>
            </YStack>
          </ScrollView>
        </SidePane>
      ) : null}
    </XStack>
  );
}
