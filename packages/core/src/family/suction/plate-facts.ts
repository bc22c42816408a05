import { type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const suctionPlateFacts: readonly PlateFact[] = [
  { path: 'refrigerant', label: 'Refrigerant', kind: 'text' },
];
