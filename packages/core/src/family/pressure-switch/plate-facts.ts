import { choiceOf, contactFacts, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const switchPlateFacts: readonly PlateFact[] = [
  {
    path: 'serves',
    label: 'It serves',
    why: 'A boiler has a high limit of its own; a receiver is protected by its safety valve.',
    ordinary: 'boiler',
    optional: true,
    ...choiceOf({ boiler: 'a boiler', receiver: 'an air receiver' }),
  },
  ...contactFacts,
];
