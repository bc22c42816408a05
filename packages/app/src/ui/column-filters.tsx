import { TextInput } from './text-input';
import { View, XStack } from './kit';
import { cellBox, type TableColumn } from './table-column';

type Props<T> = {
  readonly shown: readonly TableColumn<T>[];
  readonly words: Readonly<Record<string, string>>;
  readonly onChange: (id: string, words: string) => void;
};

/** A field under each heading: rows stay whose cell has all the words that were typed over it. */
export function ColumnFilters<T>({ shown, words, onChange }: Props<T>) {
  return (
    <XStack
      role="row"
      borderBottomWidth={1}
      borderColor="$line"
      paddingHorizontal="$3"
      paddingVertical="$1"
    >
      {shown.map((column) => (
        <View key={column.id} role="cell" paddingRight="$1" {...cellBox(column)}>
          <TextInput
            aria-label={`Only rows with, in ${column.head}`}
            value={words[column.id] ?? ''}
            onChangeText={(text) => onChange(column.id, text)}
            height={44}
            fontSize="$2"
            paddingHorizontal="$2"
            maxLength={60}
          />
        </View>
      ))}
    </XStack>
  );
}

/** Whether a cell has every word that was typed, in any order, capitals or not. */
export function hasWords(cell: string, typed: string): boolean {
  const text = cell.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/u)
    .every((word) => text.includes(word));
}
