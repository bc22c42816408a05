import { choiceOf, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const gasPlateFacts: readonly PlateFact[] = [
  { path: 'loading', label: 'Loaded by', ...choiceOf({ pilot: 'a pilot', spring: 'its spring' }) },
];
