import type { PublicKey } from '../digest';
import { ok, type Result } from '../result';
import { verifyEvidence, verifySheet, type Verified, type VerifyOptions } from '../evidence';
import { checkableFileSchema, readJsonFile, type FileError } from './json-files';

/** What a file that was carried here says of itself, and what is wrong with it. */
export type CheckedFile = {
  /** One sheet by itself cannot tell whether others were dropped. */
  readonly kind: 'record' | 'sheet';
  readonly result: Verified;
  /** Those that the file brings with it. */
  readonly keys: readonly PublicKey[];
};

/**
 * Checks an exported record or one exported sheet from its text alone; no server is asked.
 *
 * @errors file.not_json · file.not_ours, with the first wrong place
 */
export async function checkFile(
  text: string,
  options: VerifyOptions,
): Promise<Result<CheckedFile, FileError>> {
  const read = readJsonFile(text, checkableFileSchema);
  if (!read.ok) return read;
  const { value } = read;
  return ok(
    value.format === 'holvek.evidence'
      ? { kind: 'record', result: await verifyEvidence(value, options), keys: value.keys }
      : { kind: 'sheet', result: await verifySheet(value, options), keys: value.keys ?? [] },
  );
}

/** Why a file could not be checked at all. */
export const fileErrorWords = (error: FileError): string =>
  error.code === 'file.not_json'
    ? 'It is cut off, or no JSON at all.'
    : `It is no record of this house: ${error.path || 'its format'} is not as it should be.`;
