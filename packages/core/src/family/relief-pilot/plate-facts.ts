import { type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const pilotReliefPlateFacts: readonly PlateFact[] = [
  {
    path: 'working_pa',
    label: 'Line in normal work',
    kind: 'pressure',
    why: 'It must be shut at it.',
  },
];
