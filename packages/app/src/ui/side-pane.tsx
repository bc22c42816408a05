import type { ReactNode } from 'react';
import { View } from './kit';

/** What is selected in a list, beside it. */
export const SidePane = ({
  label,
  children,
}: {
  readonly label: string;
  readonly children: ReactNode;
}) => (
  <View
    role="region"
    aria-label={label}
    width="$pane"
    minHeight={0}
    borderWidth={1}
    borderColor="$line"
    borderRadius="$3"
    overflow="hidden"
  >
    {children}
  </View>
);
