import { canonicalJson, digestOf, type KeySignature } from '../digest';
import type { Sheet, SheetBody } from './sheet';

/** What is said of a sheet that was signed, by whom and when. */
export type Correction = {
  readonly why: string;
  readonly by: string;
  /** By the clock of who says it, whole milliseconds since 1970. */
  readonly at_ms: number;
  /** What stands under notes from now on. */
  readonly notes: readonly string[];
};
/** A correction with the signature of the device that it was said on. */
export type SignedCorrection = Correction & { readonly signed?: KeySignature };

/**
 * What a reviser puts his own signature to: which sheet, what is said of it, who says so and when.
 *
 * @param corrects  hash of the sheet
 * @returns SHA-256 of its canonical JSON, 64 hex digits
 */
export const correctionDigest = (corrects: string, { why, by, at_ms, notes }: Correction): string =>
  digestOf({ corrects, why, by, at_ms, notes });

/**
 * A new revision of a sheet: the old one stays as it is, the new one names it, says why, and who says
 * so. Only notes can be corrected: what was measured and signed stays.
 *
 * @param latest  hash of the valve's latest sheet, which the revision follows
 */
export const reviseSheet = (
  sheet: Sheet,
  { notes, ...said }: SignedCorrection,
  latest: string,
): SheetBody => ({
  ...sheet.body,
  notes: [...notes],
  revision: sheet.body.revision + 1,
  corrects: { hash: sheet.hash, ...said },
  previous_hash: latest,
});

/** The correction that a revision carries; undefined for a sheet that corrects nothing. */
export function correctionOf({ corrects, notes }: SheetBody): SignedCorrection | undefined {
  if (!corrects) return undefined;
  const { why, by = '', at_ms = 0, signed } = corrects;
  return { why, by, at_ms, notes, ...(signed ? { signed } : {}) };
}

/** Whether a revision says of its sheet what a revision may, its notes, and leaves all else as it was signed. */
export function isOnlyCorrection(revised: SheetBody, original: Sheet): boolean {
  if (revised.corrects?.hash !== original.hash) return false;
  const { revision, notes } = revised;
  return (
    revision === original.body.revision + 1 &&
    canonicalJson(measured(revised)) === canonicalJson(measured({ ...original.body, notes }))
  );
}

/** A body without what tells its place among the others. */
const measured = ({
  corrects: _corrects,
  previous_hash: _link,
  revision: _number,
  ...body
}: SheetBody) => body;
