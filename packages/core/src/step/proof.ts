import { z } from 'zod';
import { guardedVerdict, type Verdict } from '../gauge';
import type { Step } from './shapes';

/** What can be proved of a valve; which of them a run owes follows from its steps and its plate. */
export const proofNames = [
  'setting',
  'points',
  'no_flow',
  'no_flow_limit',
  'droop',
  'cycles',
  'blowdown',
  'repeatability',
  'flame_edges',
  'late_spark',
  'stroke',
  'alignment',
  'above_load',
  'within_load',
] as const;
export type ProofName = (typeof proofNames)[number];

/** From best to worst: what was left out is never passed, and nothing that failed is hidden by it. */
export const sheetVerdicts = [
  'pass',
  'not_proved',
  'pass_without_margin',
  'fail_without_margin',
  'fail',
] as const;
export type SheetVerdict = (typeof sheetVerdicts)[number];

/** Why a proof stands as it does. */
export const proofReasons = [
  'within',
  'too_near',
  'outside',
  'not_sure',
  'cannot_tell',
  'creeps',
  'left_out',
  'too_few',
  'not_seen',
  'as_asked',
  'not_as_asked',
] as const;
export type ProofReason = (typeof proofReasons)[number];

/** Unit of the figures of a proof: Pa, or a share of its span or set pressure. */
export const proofUnits = ['pa', 'share'] as const;

export const proofSchema = z.object({
  proof: z.enum(proofNames),
  step_id: z.string().optional(),
  /** The adjuster it is of, where a run has several. */
  adjuster: z.string().optional(),
  verdict: z.enum(sheetVerdicts),
  reason: z.enum(proofReasons),
  /** What was found and what bounds it, where the proof is a figure. */
  found: z.number().optional(),
  bound: z.number().optional(),
  unit: z.enum(proofUnits).optional(),
});
export type Proof = z.infer<typeof proofSchema>;

/** The worst of several; undefined of none. */
export const worstVerdict = <V extends SheetVerdict>(all: readonly V[]): V | undefined =>
  all.reduce<V | undefined>(
    (worst, each) =>
      worst === undefined || sheetVerdicts.indexOf(each) > sheetVerdicts.indexOf(worst)
        ? each
        : worst,
    undefined,
  );

type Subject = {
  readonly proof: ProofName;
  readonly step?: Pick<Step, 'id'>;
  readonly adjuster?: string;
};
const base = ({ proof, step, adjuster }: Subject) => ({
  proof,
  ...(step === undefined ? {} : { step_id: step.id }),
  ...(adjuster === undefined ? {} : { adjuster }),
});

/** A proof that was not made, and why. */
export const notProved = (
  subject: Subject,
  reason: 'left_out' | 'too_few' | 'not_seen' | 'cannot_tell' = 'not_seen',
): Proof => ({ ...base(subject), verdict: 'not_proved', reason });

/** A proof that is either as it was asked for, or is not. */
export const proofOf = (subject: Subject, isAsAsked: boolean): Proof => ({
  ...base(subject),
  verdict: isAsAsked ? 'pass' : 'fail',
  reason: isAsAsked ? 'as_asked' : 'not_as_asked',
});

const reasonOf: Readonly<Record<Verdict, ProofReason>> = {
  pass: 'within',
  pass_without_margin: 'too_near',
  fail_without_margin: 'too_near',
  fail: 'outside',
};

/**
 * A figure that may not be larger than a bound.
 *
 * @param found  in the unit that is named
 * @param bound  the largest that is allowed
 * @param guard  how far the figure may be wrong (k = 2): nearer than this to the bound has no margin
 */
export function proofAtMost(
  subject: Subject,
  {
    found,
    bound,
    guard = 0,
    unit,
  }: {
    readonly found: number;
    readonly bound: number;
    readonly guard?: number;
    readonly unit: (typeof proofUnits)[number];
  },
): Proof {
  const verdict = guardedVerdict(found, { lower: Number.NEGATIVE_INFINITY, upper: bound }, guard);
  return { ...base(subject), verdict, reason: reasonOf[verdict], found, bound, unit };
}

/** A verdict that was reached elsewhere, as a proof. */
export const proofFrom = (subject: Subject, verdict: Verdict): Proof => ({
  ...base(subject),
  verdict,
  reason: reasonOf[verdict],
});

/** The same proof, no better than a verdict, for a reason of its own. */
export const noBetterThan = (proof: Proof, verdict: SheetVerdict, reason: ProofReason): Proof =>
  sheetVerdicts.indexOf(verdict) > sheetVerdicts.indexOf(proof.verdict)
    ? { ...proof, verdict, reason }
    : proof;
