import { armFacts, choiceOf, pointsFacts, type PlateFact } from '../../valve';

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
  {
    path: 'converter',
    label: 'Converter before it, mA to pressure',
    kind: 'yes_no',
    optional: true,
    why: 'A part of its own, with an error of its own.',
  },
  ...armFacts,
];
