import { choiceOf, pointsFacts, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const positionerPlateFacts: readonly PlateFact[] = [
  ...pointsFacts,
  { path: 'air_to', label: 'Air makes the valve', ...choiceOf({ open: 'open', close: 'close' }) },
  {
    path: 'split_with',
    label: 'Other half of a split range',
    kind: 'signal',
    optional: true,
  },
];
