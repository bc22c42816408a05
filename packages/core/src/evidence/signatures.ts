import { runEventSchema, type EventOf } from '../run';
import {
  correctionDigest,
  correctionOf,
  countersignDigest,
  signatureDigest,
  type Countersign,
  type Sheet,
  type SheetBody,
} from '../sheet';
import type { CheckSignature } from './keys';

/** A hand under a sheet that is not what it says to be. */
export type SignatureFault =
  | { readonly code: 'revision.signature_wrong'; readonly sheet: string }
  | { readonly code: 'author.signature_wrong'; readonly sheet: string }
  | { readonly code: 'countersign.signature_wrong'; readonly sheet: string; readonly by: string }
  | { readonly code: 'countersign.of_nothing'; readonly sheet: string; readonly by: string };

/** The signatures of those who revised, each over what he said. */
export async function reviserFaults(
  sheets: readonly Sheet[],
  check: CheckSignature,
): Promise<SignatureFault[]> {
  const faults: SignatureFault[] = [];
  for (const { hash, body } of sheets)
    if (!(await isCorrectionSigned(body, check)))
      faults.push({ code: 'revision.signature_wrong', sheet: hash });
  return faults;
}

/** The signatures of those who signed, each by the key of the device that it was made on. */
export async function authorFaults(
  sheets: readonly Sheet[],
  entriesOf: (sheet: Sheet) => readonly unknown[],
  check: CheckSignature,
): Promise<SignatureFault[]> {
  const faults: SignatureFault[] = [];
  for (const sheet of sheets.filter(({ body }) => !body.corrects)) {
    const signature = signatureUnder(sheet.body, entriesOf(sheet));
    if (signature && !(await isSignedByDevice(signature, check)))
      faults.push({ code: 'author.signature_wrong', sheet: sheet.hash });
  }
  return faults;
}

/** What a second pair of eyes said, each by the key of the device that it was said on, of a sheet that is here. */
export async function countersignFaults(
  sheets: readonly Sheet[],
  said: readonly Countersign[],
  check: CheckSignature,
): Promise<SignatureFault[]> {
  const here = new Set(sheets.map(({ hash }) => hash));
  const faults: SignatureFault[] = [];
  for (const each of said) {
    const { sheet, by, signed } = each;
    if (!here.has(sheet)) faults.push({ code: 'countersign.of_nothing', sheet, by });
    if (!(await check(signed.key, countersignDigest(each), signed.signature)))
      faults.push({ code: 'countersign.signature_wrong', sheet, by });
  }
  return faults;
}

/** The entry that signed a sheet, among those of its run as they were sent. */
function signatureUnder(
  { root }: SheetBody,
  entries: readonly unknown[],
): EventOf<'signed'> | undefined {
  const parsed = entries.flatMap((raw) => {
    const entry = runEventSchema.safeParse(raw);
    return entry.success ? [entry.data] : [];
  });
  return parsed.filter((entry) => entry.type === 'signed').find((entry) => entry.root === root);
}

/** Whether the device’s signature under a signature holds; one without has nothing that could not. */
export async function isSignedByDevice(
  entry: EventOf<'signed'>,
  check: CheckSignature,
): Promise<boolean> {
  const made = entry.device_signature;
  return !made || check(made.key, signatureDigest(entry), made.signature);
}

/** Whether the signature under a correction holds; a sheet without one has nothing that could not. */
export async function isCorrectionSigned(body: SheetBody, check: CheckSignature): Promise<boolean> {
  const said = correctionOf(body);
  if (!body.corrects || !said?.signed) return true;
  const { key, signature } = said.signed;
  return check(key, correctionDigest(body.corrects.hash, said), signature);
}
