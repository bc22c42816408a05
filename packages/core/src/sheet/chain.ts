import { digestOf } from '../digest';
import type { Sheet, SheetBody } from './sheet';

/** SHA-256 of the canonical JSON of a sheet's body, 64 hex digits. */
export const hashOf = (body: SheetBody): string => digestOf(body);

export type Correction = {
  readonly why: string;
  readonly by: string;
  readonly at_ms: number;
  /** What stands under notes from now on. */
  readonly notes: readonly string[];
};

/**
 * A new revision of a sheet: the old one stays as it is, the new one names it, says why, and who says
 * so. Only notes can be corrected: what was measured and signed stays.
 *
 * @param latest  hash of the valve's latest sheet, which the revision follows
 */
export const reviseSheet = (
  sheet: Sheet,
  { notes, ...said }: Correction,
  latest: string,
): SheetBody => ({
  ...sheet.body,
  notes: [...notes],
  revision: sheet.body.revision + 1,
  corrects: { hash: sheet.hash, ...said },
  previous_hash: latest,
});
