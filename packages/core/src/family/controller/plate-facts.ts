import { bandFacts, pointsFacts, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const controllerPlateFacts: readonly PlateFact[] = [...pointsFacts, ...bandFacts];
