import { useState } from 'react';
import { XStack } from './kit';
import { Press, WordButton } from './press';
import type { TableColumn } from './table-column';
import { Strong } from './words';

/** Which columns are shown, and whether rows are filtered by them: folded until somebody asks. */
export function ColumnChooser<T>({
  columns,
  visible,
  onToggle,
  isFiltering,
  onFilter,
}: {
  readonly columns: readonly TableColumn<T>[];
  readonly visible: Readonly<Record<string, boolean>>;
  readonly onToggle: (id: string) => void;
  readonly isFiltering: boolean;
  readonly onFilter: () => void;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <XStack
      gap="$2"
      flexWrap="wrap"
      alignItems="center"
      paddingHorizontal="$3"
      borderTopWidth={1}
      borderColor="$line"
    >
      {isOpen
        ? columns.map(({ id, head }) => {
            const isShown = visible[id] !== false;
            return (
              <Press
                key={id}
                role="checkbox"
                aria-checked={isShown}
                aria-label={`Column ${head}`}
                minHeight={44}
                justifyContent="center"
                paddingHorizontal="$3"
                borderRadius="$pill"
                borderWidth={2}
                borderColor={isShown ? '$verdigris' : '$line'}
                backgroundColor={isShown ? '$lane' : '$card'}
                onPress={() => onToggle(id)}
              >
                <Strong fontSize="$2" lineHeight="$2">
                  {head}
                </Strong>
              </Press>
            );
          })
        : null}
      <WordButton onPress={() => setOpen(!isOpen)}>{isOpen ? 'done' : 'columns'}</WordButton>
      <WordButton onPress={onFilter}>{isFiltering ? 'all rows' : 'filter by column'}</WordButton>
    </XStack>
  );
}
