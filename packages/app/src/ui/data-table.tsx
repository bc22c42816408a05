import {
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
  type VisibilityState,
} from '@tanstack/react-table';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { useMemo, useState, type ReactNode } from 'react';
import { ColumnChooser } from './column-chooser';
import { ColumnFilters, hasWords } from './column-filters';
import { View, XStack, YStack } from './kit';
import { Press } from './press';
import { cellBox, type TableColumn } from './table-column';
import { TableRows } from './table-rows';
import { Muted, Strong, Words } from './words';
import { useInk } from './use-ink';

type Props<T> = {
  readonly label: string;
  readonly rows: readonly T[];
  readonly columns: readonly TableColumn<T>[];
  readonly keyOf: (row: T) => string;
  readonly selected: string | undefined;
  readonly onSelect: (row: T) => void;
  /** A second press, or Enter: to the row's own page. */
  readonly onOpen: (row: T) => void;
  readonly sort: { readonly id: string; readonly desc: boolean };
  readonly empty: ReactNode;
};

const order = (a: number | string, b: number | string): number =>
  typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), 'en', { numeric: true });

const asDefinition = <T,>(column: TableColumn<T>): ColumnDef<T> => {
  const key = column.sortBy ?? column.text;
  return {
    id: column.id,
    accessorFn: key,
    header: column.head,
    size: column.width,
    sortingFn: (a, b) => order(key(a.original), key(b.original)),
    filterFn: (row, _, typed: string) => hasWords(column.text(row.original), typed),
    cell: ({ row }) =>
      column.cell?.(row.original) ?? (
        <Words numberOfLines={1} fontFamily={column.isFigure ? '$strong' : '$body'}>
          {column.text(row.original)}
        </Words>
      ),
  };
};

/** What is typed over the columns that are shown; one that is hidden keeps nothing back. */
const filtersOf = (words: Readonly<Record<string, string>> = {}, visible: VisibilityState) =>
  Object.entries(words).flatMap(([id, value]) =>
    value.trim() === '' || visible[id] === false ? [] : [{ id, value }],
  );

/** The rows of a table as they are sorted and filtered, and the ways to change that. */
function useRows<T>({ columns, rows, sort }: Pick<Props<T>, 'columns' | 'rows' | 'sort'>) {
  const [sorting, setSorting] = useState<SortingState>([sort]);
  const [visible, setVisible] = useState<VisibilityState>(() =>
    Object.fromEntries(columns.map(({ id, isExtra }) => [id, isExtra !== true])),
  );
  /** By column; undefined while nobody filters. */
  const [words, setWords] = useState<Readonly<Record<string, string>>>();
  const columnFilters = useMemo(() => filtersOf(words, visible), [words, visible]);
  // eslint-disable-next-line react-hooks/incompatible-library -- its answers are used here and nowhere else
  const table = useReactTable({
    data: rows as T[],
    columns: columns.map(asDefinition),
    state: { sorting, columnVisibility: visible, columnFilters },
    onSortingChange: setSorting,
    onColumnVisibilityChange: setVisible,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    // There are no pages: without this each change of a filter asks for the first one.
    autoResetPageIndex: false,
    sortDescFirst: false,
    enableSortingRemoval: false,
  });
  return {
    sorted: table.getRowModel().rows,
    shown: columns.filter(({ id }) => visible[id] !== false),
    sortedBy: (id: string) => table.getColumn(id)?.getIsSorted() ?? false,
    sortBy: (id: string) => table.getColumn(id)?.toggleSorting(),
    order: sorting.map(({ id, desc }) => `${id}-${desc}`).join(),
    visible,
    toggle: (id: string) => table.getColumn(id)?.toggleVisibility(),
    words,
    say: (id: string, text: string) => setWords((now) => ({ ...now, [id]: text })),
    toggleFilter: () => setWords((now) => (now ? undefined : {})),
  };
}

/**
 * Rows in columns, for wide screens: sorted and filtered by any column, columns to choose, one row selected by
 * pointer or arrow keys; only what is in sight is drawn.
 */
export function DataTable<T>(props: Props<T>) {
  const { columns, label, rows, empty } = props;
  const { sorted, shown, words, ...table } = useRows(props);
  return (
    <YStack
      flex={1}
      minHeight={0}
      borderWidth={1}
      borderColor="$line"
      borderRadius="$3"
      backgroundColor="$card"
      overflow="hidden"
    >
      <YStack
        role="table"
        aria-label={label}
        aria-rowcount={sorted.length + 1}
        flex={1}
        minHeight={0}
      >
        <View role="rowgroup">
          <XStack role="row" borderBottomWidth={1} borderColor="$line" paddingHorizontal="$3">
            {shown.map((column) => (
              <HeadCell
                key={column.id}
                column={column}
                sorted={table.sortedBy(column.id)}
                onSort={() => table.sortBy(column.id)}
              />
            ))}
          </XStack>
          {words ? <ColumnFilters shown={shown} words={words} onChange={table.say} /> : null}
        </View>
        {sorted.length === 0 ? (
          <View padding="$4">
            {rows.length === 0 ? (
              empty
            ) : (
              <Words role="status">No row has all of these words.</Words>
            )}
          </View>
        ) : (
          <TableRows
            // In another order it begins at its top again.
            key={table.order}
            sorted={sorted}
            shown={shown}
            keyOf={props.keyOf}
            selected={props.selected}
            onSelect={props.onSelect}
            onOpen={props.onOpen}
          />
        )}
      </YStack>
      <ColumnChooser
        columns={columns}
        visible={table.visible}
        onToggle={table.toggle}
        isFiltering={words !== undefined}
        onFilter={table.toggleFilter}
      />
    </YStack>
  );
}

function HeadCell<T>({
  column,
  sorted,
  onSort,
}: {
  readonly column: TableColumn<T>;
  readonly sorted: false | 'asc' | 'desc';
  readonly onSort: () => void;
}) {
  const ink = useInk();
  const Arrow = sorted === 'desc' ? ArrowDown : ArrowUp;
  const says = { asc: 'ascending', desc: 'descending' } as const;
  return (
    <View
      role="columnheader"
      aria-sort={sorted === false ? 'none' : says[sorted]}
      {...cellBox(column)}
    >
      <Press onPress={onSort} minHeight={44} justifyContent="center" data-sort={column.id}>
        <XStack alignItems="center" gap="$1">
          {sorted === false ? (
            <Muted numberOfLines={1}>{column.head}</Muted>
          ) : (
            <Strong fontSize="$2" lineHeight="$2" numberOfLines={1}>
              {column.head}
            </Strong>
          )}
          {sorted === false ? null : <Arrow size={14} color={ink.color} />}
        </XStack>
      </Press>
    </View>
  );
}
