import { type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const hydraulicPlateFacts: readonly PlateFact[] = [
  {
    path: 'heaviest_load_pa',
    label: 'Pressure of the heaviest load',
    kind: 'pressure',
    why: 'Every relief stands above it.',
  },
  {
    path: 'flow_m3s',
    label: 'Flow of the pump',
    kind: 'figure',
    unit: 'L/min',
    factor: 1 / 60_000,
  },
];
