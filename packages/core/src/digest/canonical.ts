import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalizeImport from 'canonicalize';
import { z } from 'zod';

// The package is CommonJS; bundlers differ in whether its function sits under `default`.
const canonicalize = canonicalizeImport as unknown as (value: unknown) => string | undefined;

/** SHA-256 as 64 hex digits. */
export const digestSchema = z.string().regex(/^[0-9a-f]{64}$/u);

/**
 * Canonical JSON (RFC 8785): one text for one value, whatever the order of its keys.
 *
 * @throws where there is nothing to write (undefined, a function)
 */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('nothing to canonicalize');
  return text;
}

/** SHA-256 of a text in UTF-8, 64 hex digits. */
export const digestOfText = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** SHA-256 of a file, 64 hex digits. */
export const digestOfBytes = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** SHA-256 of the canonical JSON of a value, 64 hex digits. */
export const digestOf = (value: unknown): string => digestOfText(canonicalJson(value));
