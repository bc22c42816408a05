import { type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const sustainingPlateFacts: readonly PlateFact[] = [
  { path: 'pump_running_pa', label: 'Pump in normal running', kind: 'pressure' },
  {
    path: 'cavitation_pa',
    label: 'Pump cavitates below',
    kind: 'pressure',
    why: 'What is held upstream stands above it.',
  },
];
