import { electronicsFacts, pointsFacts, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const electronicPilotPlateFacts: readonly PlateFact[] = [
  ...pointsFacts,
  ...electronicsFacts,
];
