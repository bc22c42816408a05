import { z } from 'zod';
import { digestOf, digestSchema, keySignatureSchema } from '../digest';
import { dutyOf } from '../family';
import { dutySchema, type Duty } from '../valve';
import type { Sheet } from './sheet';

/** What the owner wants a second signature under. */
export const countersignRulesSchema = z.object({
  /** Valves with one of these duties. */
  duties: z.array(dutySchema).max(5),
  /** Whether the one who signed may be the second too, where there is nobody else. */
  signer_may: z.boolean(),
});
export type CountersignRules = z.infer<typeof countersignRulesSchema>;
export const defaultCountersignRules: CountersignRules = { duties: [], signer_may: false };

/** What a second pair of eyes says of a sheet. */
const saidSchema = z.object({
  /** Hash of the sheet. */
  sheet: digestSchema,
  by: z.string().trim().min(2).max(80),
  verdict: z.enum(['agreed', 'sent_back']),
  /** What is to be done where it is sent back; empty, or what is worth saying, where it is agreed. */
  words: z.string().trim().max(2000),
  at_ms: z.number().int().nonnegative(),
});
/** The same with the signature of the device that it was said on. */
export const countersignSchema = saidSchema
  .extend({ signed: keySignatureSchema })
  .refine(({ verdict, words }) => verdict === 'agreed' || words.length >= 3, {
    path: ['words'],
    message: 'say what is to be done',
  });
export type Countersign = z.infer<typeof countersignSchema>;
export type CountersignSaid = z.infer<typeof saidSchema>;

/**
 * What a countersigner puts his signature to: which sheet, what he says of it, who says so and when.
 *
 * @returns SHA-256 of its canonical JSON, 64 hex digits
 */
export const countersignDigest = ({ sheet, by, verdict, words, at_ms }: CountersignSaid): string =>
  digestOf({ countersigns: sheet, by, verdict, words, at_ms });

type Judged = Pick<Sheet, 'hash'> & {
  readonly body: Pick<Sheet['body'], 'rehearsal' | 'plate' | 'technician'>;
};

/** Whether the owner wants a second signature under a sheet. @param duty  what the register says of its valve */
export const wantsCountersign = (
  { body: { rehearsal, plate } }: Judged,
  duty: Duty | undefined,
  { duties }: CountersignRules,
): boolean => !rehearsal && duties.includes(dutyOf({ duty, plate }));

export type CountersignState =
  | { readonly kind: 'not_wanted' | 'wanted' }
  | { readonly kind: 'agreed' | 'sent_back'; readonly last: Countersign };

/**
 * How a sheet stands with its second signature. What was said of it last counts, whether or not the owner
 * still wants it.
 *
 * @param said  of all sheets, in the order in which it was taken in
 */
export function countersignOf(
  sheet: Judged,
  said: readonly Countersign[],
  wanted: { readonly duty: Duty | undefined; readonly rules: CountersignRules },
): CountersignState {
  const last = said.findLast((each) => each.sheet === sheet.hash);
  if (last) return { kind: last.verdict, last };
  return { kind: wantsCountersign(sheet, wanted.duty, wanted.rules) ? 'wanted' : 'not_wanted' };
}

/** Why somebody may not countersign a sheet; undefined where he may. */
export function countersignTrouble(
  sheet: Judged,
  { by, verdict }: Pick<Countersign, 'by' | 'verdict'>,
  state: CountersignState,
  rules: CountersignRules,
): 'countersign.not_wanted' | 'countersign.done' | 'countersign.own' | undefined {
  if (state.kind === 'not_wanted') return 'countersign.not_wanted';
  if (state.kind === 'agreed') return 'countersign.done';
  // Nobody needs a second pair of eyes to find fault with his own work.
  const isOwn = sheet.body.technician === by && verdict === 'agreed';
  return isOwn && !rules.signer_may ? 'countersign.own' : undefined;
}
