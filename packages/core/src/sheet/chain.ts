import { digestOf } from '../digest';
import { err, ok, type Result } from '../result';
import type { Sheet, SheetBody } from './sheet';

/** SHA-256 of the canonical JSON of a sheet's body, 64 hex digits. */
export const hashOf = (body: SheetBody): string => digestOf(body);

export type ChainError =
  | {
      readonly code: 'sheet.hash_differs';
      readonly id: string;
      readonly wanted: string;
      readonly got: string;
    }
  | { readonly code: 'sheet.link_broken'; readonly id: string };

/**
 * Walks the sheets of one valve from the first to the last.
 *
 * @returns how many sheets hold together
 * @errors  sheet.hash_differs (its words were changed) · sheet.link_broken (one is missing or moved)
 */
export function verifyChain(sheets: readonly Sheet[]): Result<number, ChainError> {
  let previous: string | null = null;
  for (const { id, hash, body } of sheets) {
    const got = hashOf(body);
    if (got !== hash) return err({ code: 'sheet.hash_differs', id, wanted: hash, got });
    if (body.previous_hash !== previous) return err({ code: 'sheet.link_broken', id });
    previous = hash;
  }
  return ok(sheets.length);
}

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
