import { choiceOf, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const gasPlateFacts: readonly PlateFact[] = [
  { path: 'loading', label: 'Loaded by', ...choiceOf({ pilot: 'a pilot', spring: 'its spring' }) },
  { path: 'sealed', label: 'Sealed', kind: 'yes_no', optional: true, ordinary: 'yes' },
  { path: 'slam_shut', label: 'Slam-shut valve', kind: 'yes_no', optional: true },
  { path: 'relief_after', label: 'Relief valve after it', kind: 'yes_no', optional: true },
];
