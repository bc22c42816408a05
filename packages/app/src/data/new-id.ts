import { v7 } from 'uuid';

/** Time-sortable and unique without asking anybody. */
export const newId = (): string => v7();
