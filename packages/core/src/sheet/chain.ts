import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalizeImport from 'canonicalize';
import { err, ok, type Result } from '../result';
import type { Sheet, SheetBody } from './sheet';

// The package is CommonJS; bundlers differ in whether its function sits under `default`.
const canonicalize = canonicalizeImport as unknown as (value: unknown) => string | undefined;

/** Canonical JSON (RFC 8785): one text for one value, whatever the order of its keys. */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('nothing to canonicalize');
  return text;
}

/** SHA-256 of the canonical JSON of a sheet's body, 64 hex digits. */
export const hashOf = (body: SheetBody): string =>
  bytesToHex(sha256(utf8ToBytes(canonicalJson(body))));

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

/**
 * A new revision of a sheet: the old one stays as it is, the new one names it and says why.
 *
 * @param change  fields that were wrong; readings and hashes cannot be changed
 * @param latest  hash of the valve's latest sheet, which the revision follows
 */
export function reviseSheet(
  sheet: Sheet,
  change: Partial<Pick<SheetBody, 'valve_name' | 'technician' | 'notes'>>,
  why: string,
  latest: string,
): SheetBody {
  return {
    ...sheet.body,
    ...change,
    revision: sheet.body.revision + 1,
    corrects: { hash: sheet.hash, why },
    previous_hash: latest,
  };
}
