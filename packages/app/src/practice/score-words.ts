import { printTurns, unbroken, type HandMove, type Score, type TwinFault } from '@holvek/core';
import type { Tone } from '@/ui/card';

/** What may be wrong with a twin, in words. */
export const faultNames = {
  reversed_screw: 'its screw works the other way',
  slow_main: 'the main fills slowly',
  trapped_air: 'air in its chamber',
  leaking_seat: 'its seat leaks',
  weak_supply: 'the supply is weak',
  off_spring: 'another spring than the plate says',
  sticking: 'it sticks',
  broken_seal: 'its seal is broken',
  blocked_stem: 'its stem is blocked',
} as const satisfies Record<TwinFault, string>;

const against = (own: number, master: number): string =>
  unbroken(`${Math.round(own)}, master ${Math.round(master)}`);

/** What was counted, in lines. */
export const scoreRows = ({
  own,
  master,
  leftOpen,
  minutes,
}: Score): readonly (readonly [string, string])[] => [
  ['Moves', against(own.moves, master.moves)],
  ['Lane passed', own.pastLane === 0 ? 'never' : `${own.pastLane} ×`],
  ['Limit passed', own.pastLimit === 0 ? 'never' : `${own.pastLimit} ×`],
  ['Left open', leftOpen === 0 ? 'nothing' : String(leftOpen)],
  ['Minutes', String(Math.max(1, Math.round(minutes)))],
];

/** What was wrong with the twin, and whether the sheet says so. */
export function faultsSentence({ faults, hasNoticed }: Score): string {
  if (faults.length === 0) return 'Nothing was wrong with it.';
  const names = faults.map((fault) => faultNames[fault]).join(', and ');
  return hasNoticed
    ? `What was wrong: ${names}. Your sheet says that something was.`
    : `What was wrong: ${names}. Your sheet calls it sound.`;
}

const foundWords = {
  nothing_named: '',
  by_evidence: 'You named it, and what you asked or proved could tell it.',
  by_luck: 'You named it, but nothing that you asked could tell it: ask its check next time.',
  wrong: 'You named something else.',
} as const satisfies Record<Score['found'], string>;

/** Whether what was named is what was wrong. */
export const foundSentence = ({ found, faults }: Score): string =>
  found === 'by_evidence' && faults.length === 0
    ? 'You said so.'
    : found === 'wrong' && faults.length === 0
      ? 'You named something all the same.'
      : foundWords[found];

/** One move in words: "cw 1 1/4 → 480". */
export const moveWords = (move: HandMove | undefined, figure: (pa: number) => string): string => {
  if (!move) return '';
  const way = move.turns > 0 ? 'cw' : 'ccw';
  const read = move.pressure === undefined ? '' : ` → ${figure(move.pressure)}`;
  return unbroken(`${way} ${printTurns(move.turns)}${read}`);
};

export const scoreTone = ({ points }: Pick<Score, 'points'>): Tone =>
  points >= 85 ? 'good' : points >= 60 ? 'work' : 'stop';
