import type { ReactNode } from 'react';

/** One column: what a row is sorted by there, and how it is shown. */
export type TableColumn<T> = {
  readonly id: string;
  readonly head: string;
  readonly width: number;
  /** Takes what room is left over. */
  readonly grows?: boolean;
  readonly isFigure?: boolean;
  /** Not shown until somebody asks for it. */
  readonly isExtra?: boolean;
  /** What is shown, and with `sortBy` absent also what is sorted by. */
  readonly text: (row: T) => string;
  readonly sortBy?: (row: T) => number | string;
  readonly cell?: (row: T) => ReactNode;
};

/** How wide a cell of the column is. */
export const cellBox = <T>({ width, grows }: TableColumn<T>) =>
  grows ? { flexGrow: 1, flexShrink: 1, flexBasis: width, minWidth: 0 } : { width, flexShrink: 0 };
