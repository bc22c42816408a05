import { digestOf } from '../digest';
import type { SheetBody } from './sheet';

/** SHA-256 of the canonical JSON of a sheet's body, 64 hex digits. */
export const hashOf = (body: SheetBody): string => digestOf(body);
