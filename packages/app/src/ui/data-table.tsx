import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
  type VisibilityState,
} from '@tanstack/react-table';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { useState, type ReactNode } from 'react';
import { ColumnChooser } from './column-chooser';
import { View, XStack, YStack } from './kit';
import { Press } from './press';
import { cellBox, type TableColumn } from './table-column';
import { TableRows } from './table-rows';
import { Muted, Strong, Words } from './words';
import { useInk } from '@/theme/use-ink';

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
    cell: ({ row }) =>
      column.cell?.(row.original) ?? (
        <Words numberOfLines={1} fontFamily={column.isFigure ? '$strong' : '$body'}>
          {column.text(row.original)}
        </Words>
      ),
  };
};

/**
 * Rows in columns, for wide screens: sorted by any column, columns to choose, one row selected by
 * pointer or arrow keys; only what is in sight is drawn.
 */
export function DataTable<T>(props: Props<T>) {
  const { columns, label, rows, sort, empty } = props;
  const [sorting, setSorting] = useState<SortingState>([sort]);
  const [visible, setVisible] = useState<VisibilityState>(() =>
    Object.fromEntries(columns.map(({ id, isExtra }) => [id, isExtra !== true])),
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- its answers are used here and nowhere else
  const table = useReactTable({
    data: rows as T[],
    columns: columns.map(asDefinition),
    state: { sorting, columnVisibility: visible },
    onSortingChange: setSorting,
    onColumnVisibilityChange: setVisible,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    sortDescFirst: false,
    enableSortingRemoval: false,
  });
  const shown = columns.filter(({ id }) => visible[id] !== false);
  const sorted = table.getRowModel().rows;
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
        aria-rowcount={rows.length + 1}
        flex={1}
        minHeight={0}
      >
        <View role="rowgroup">
          <XStack role="row" borderBottomWidth={1} borderColor="$line" paddingHorizontal="$3">
            {shown.map((column) => (
              <HeadCell
                key={column.id}
                column={column}
                sorted={table.getColumn(column.id)?.getIsSorted() ?? false}
                onSort={() => table.getColumn(column.id)?.toggleSorting()}
              />
            ))}
          </XStack>
        </View>
        {rows.length === 0 ? (
          <View padding="$4">{empty}</View>
        ) : (
          <TableRows
            // In another order it begins at its top again.
            key={sorting.map(({ id, desc }) => `${id}-${desc}`).join()}
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
        visible={visible}
        onToggle={(id) => table.getColumn(id)?.toggleVisibility()}
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
