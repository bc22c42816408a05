import { digestOfBytes, type PublicKey } from '../digest';
import { verifyEvidence, verifySheet, type Verified, type VerifyOptions } from '../evidence';
import { fileTakenWords } from '../report';
import { ok, type Result } from '../result';
import type { FileTaken, Sheet } from '../sheet';
import { checkableFileSchema, readJsonFile, type FileError } from './json-files';

/** What a file that was carried here says of itself, and what is wrong with it. */
export type CheckedFile = {
  /** One sheet by itself cannot tell whether others were dropped. */
  readonly kind: 'record' | 'sheet';
  readonly result: Verified;
  /** Those that the file brings with it. */
  readonly keys: readonly PublicKey[];
  /** Files of loggers that its sheets say figures were taken from. */
  readonly taken: readonly (FileTaken & { readonly tag: string })[];
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
      ? {
          kind: 'record',
          result: await verifyEvidence(value, options),
          keys: value.keys,
          taken: value.sheets.flatMap(takenBy),
        }
      : {
          kind: 'sheet',
          result: await verifySheet(value, options),
          keys: value.keys ?? [],
          taken: takenBy(value.sheet),
        },
  );
}

const takenBy = ({ body }: Sheet): CheckedFile['taken'] =>
  (body.files ?? []).map((file) => ({ ...file, tag: body.valve_tag }));

/** What of a record was taken from a file that is held against it, by the file's bytes; nothing where none was. */
export function takenFrom(
  bytes: Uint8Array,
  { taken }: Pick<CheckedFile, 'taken'>,
): CheckedFile['taken'] {
  const sha256 = digestOfBytes(bytes);
  return taken.filter((file) => file.sha256 === sha256);
}

/** What was taken from a file that was held against a record, or that nothing was. */
export function takenWords(found: CheckedFile['taken']): string {
  if (found.length === 0) return 'None of its figures were taken from this file as it is now.';
  return found.map((taken) => `${taken.tag}: ${fileTakenWords(taken)}`).join('; ');
}

/** Why a file could not be checked at all. */
export const fileErrorWords = (error: FileError): string =>
  error.code === 'file.not_json'
    ? 'It is cut off, or no JSON at all.'
    : `It is no record of this house: ${error.path || 'its format'} is not as it should be.`;
