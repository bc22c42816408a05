import { flexRender, type Row } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { View, XStack } from './kit';
import { cellBox, type TableColumn } from './table-column';

const ROW = 48;

type Props<T> = {
  readonly sorted: readonly Row<T>[];
  readonly shown: readonly TableColumn<T>[];
  readonly keyOf: (row: T) => string;
  readonly selected: string | undefined;
  readonly onSelect: (row: T) => void;
  readonly onOpen: (row: T) => void;
};

/** The rows in sight. The arrow keys move the selection, Enter opens what is selected. */
export function TableRows<T>(props: Props<T>) {
  const { sorted, shown, keyOf, selected, onSelect, onOpen } = props;
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- its rows are drawn from it here and nowhere else
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 12,
    initialRect: { width: 800, height: 600 },
  });
  const at = sorted.findIndex(({ original }) => keyOf(original) === selected);
  const moved = useRef(false);
  useEffect(() => {
    if (!moved.current || at < 0) return;
    moved.current = false;
    virtual.scrollToIndex(at);
    box.current?.querySelector<HTMLElement>(`[aria-rowindex="${at + 2}"]`)?.focus();
  }, [at, virtual]);
  const go = (to: number) => {
    const row = sorted[Math.min(sorted.length - 1, Math.max(0, to))];
    if (!row) return;
    moved.current = true;
    onSelect(row.original);
  };
  const steps: Readonly<Record<string, () => void>> = {
    ArrowDown: () => go(at + 1),
    ArrowUp: () => go(at - 1),
    PageDown: () => go(at + 10),
    PageUp: () => go(at - 10),
    Home: () => go(0),
    End: () => go(sorted.length - 1),
    Enter: () => at >= 0 && onOpen(sorted[at]!.original),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    step();
  };
  return (
    <div
      ref={box}
      role="rowgroup"
      style={{ overflowY: 'auto', flex: 1, minHeight: 0 }}
      onKeyDown={onKeyDown}
    >
      <div role="presentation" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = sorted[index]!;
          const isHere = index === at;
          return (
            <TableRow
              key={keyOf(row.original)}
              row={row}
              shown={shown}
              index={index}
              top={start}
              isHere={isHere}
              isStop={isHere || (at < 0 && index === 0)}
              onPress={() => (isHere ? onOpen : onSelect)(row.original)}
            />
          );
        })}
      </div>
    </div>
  );
}

function TableRow<T>({
  row,
  shown,
  index,
  top,
  isHere,
  isStop,
  onPress,
}: Pick<Props<T>, 'shown'> & {
  readonly row: Row<T>;
  readonly index: number;
  readonly top: number;
  readonly isHere: boolean;
  /** One stop for the whole table; the arrows go on from there. */
  readonly isStop: boolean;
  readonly onPress: () => void;
}) {
  return (
    <XStack
      role="row"
      aria-rowindex={index + 2}
      aria-selected={isHere}
      tabIndex={isStop ? 0 : -1}
      onPress={onPress}
      position="absolute"
      top={top}
      left={0}
      right={0}
      height={ROW}
      alignItems="center"
      paddingHorizontal="$3"
      borderBottomWidth={1}
      borderColor="$line"
      cursor="pointer"
      backgroundColor={isHere ? '$lane' : '$card'}
      hoverStyle={{ backgroundColor: isHere ? '$lane' : '$quiet' }}
      focusVisibleStyle={{
        outlineColor: '$slate',
        outlineStyle: 'solid',
        outlineWidth: 3,
        outlineOffset: -3,
      }}
    >
      {row.getVisibleCells().map((cell, i) => (
        <View key={cell.id} role="cell" paddingRight="$2" {...cellBox(shown[i]!)}>
          {flexRender(cell.column.columnDef.cell, cell.getContext())}
        </View>
      ))}
    </XStack>
  );
}
