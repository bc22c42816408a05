import type { SheetBody } from '../sheet';
import type { Proof, ProofName, ProofReason } from '../step';
import type { Block } from './block';
import { verdictTone, verdictWord } from './outcome';
import { percent, type Printers } from './printers';

/** What each proof is called. */
export const proofWord: Readonly<Record<ProofName, string>> = {
  setting: 'Setting',
  points: 'Points as left',
  no_flow: 'Lockup',
  no_flow_limit: 'Lockup, limit',
  droop: 'Droop',
  cycles: 'Proving cycles',
  blowdown: 'Blowdown',
  repeatability: 'Repeatability',
  flame_edges: 'Between the edges of the flame',
  late_spark: 'Late spark',
  stroke: 'Stroke',
  alignment: 'Alignment',
  above_load: 'What it must stand above',
  within_load: 'How far above at the most',
};

const reasonWord: Readonly<Record<ProofReason, string>> = {
  within: 'within',
  too_near: 'nearer than can be told',
  outside: 'outside',
  not_sure: 'levels, but not surely',
  cannot_tell: 'not watched long enough to tell lockup from creep',
  creeps: 'creeps, the seat leaks',
  left_out: 'left out',
  too_few: 'too few readings',
  not_seen: 'not seen',
  as_asked: 'as it should be',
  not_as_asked: 'not as it should be',
};

/** Everything that the visit owed a proof of, each with its own verdict. */
export function proofsBlocks({ proofs, settings }: SheetBody, print: Printers): readonly Block[] {
  if (!proofs || proofs.length === 0) return [];
  const nameOf = (adjuster: string | undefined) =>
    settings.length > 1 ? settings.find((each) => each.adjuster === adjuster)?.name : undefined;
  return [
    {
      kind: 'rows',
      title: 'What was proved',
      rows: proofs.map((proof) => {
        const of = nameOf(proof.adjuster);
        return {
          label: `${proofWord[proof.proof]}${of === undefined ? '' : `, ${of.toLowerCase()}`}`,
          value: saysOf(proof, print),
          tone: verdictTone[proof.verdict],
        };
      }),
    },
  ];
}

/** "pass: 26 kPa, at most 50 kPa"; "fail: creeps, the seat leaks". */
function saysOf({ verdict, reason, found, bound, unit }: Proof, print: Printers): string {
  const word = verdict === 'pass' ? 'pass' : `${verdictWord[verdict]}: ${reasonWord[reason]}`;
  const isFigure = reason === 'within' || reason === 'outside' || reason === 'too_near';
  if (!isFigure || found === undefined || bound === undefined || unit === undefined) return word;
  const say = {
    pa: (value: number) => print.pressure(value),
    share: (value: number) => percent(value),
  }[unit];
  return `${word}${verdict === 'pass' ? ':' : ','} ${say(found)}, at most ${say(bound)}`;
}
