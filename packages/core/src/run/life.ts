import type { EntryDraft } from '../step';
import type { Run } from './run';

/**
 * What a run is, and what makes it something else:
 *
 *   open ──paused──▶ paused ──resumed──▶ open
 *   open, paused ──abandoned──▶ abandoned
 *   open ──signed──▶ signing ──(all that it is about is here)──▶ signed
 */
export const lives = ['open', 'paused', 'signing', 'signed', 'abandoned'] as const;
export type Life = (typeof lives)[number];

const moves = ['paused', 'resumed', 'abandoned', 'signed'] as const;
type Move = (typeof moves)[number];
/** Entries that do not carry on the work: they are welcome while it rests. */
const asides: ReadonlySet<EntryDraft['type']> = new Set([
  'note',
  'handed_over',
  'undone',
  'open_end_closed',
  'open_end_left',
]);

type Rule = {
  /** What each move makes of it; a move that is not named is refused. */
  readonly to: { readonly [M in Move]?: Life };
  /** Which other entries may join: every one, those beside the work, or ends that are put back. */
  readonly takes: 'all' | 'asides' | 'ends' | 'nothing';
  readonly refusal: 'run.paused' | 'run.already_signed' | 'run.abandoned' | 'run.not_paused';
};

export const runLife: { readonly [L in Life]: Rule } = {
  open: {
    to: { paused: 'paused', abandoned: 'abandoned', signed: 'signing' },
    takes: 'all',
    refusal: 'run.not_paused',
  },
  paused: {
    to: { resumed: 'open', abandoned: 'abandoned' },
    takes: 'asides',
    refusal: 'run.paused',
  },
  signing: { to: {}, takes: 'nothing', refusal: 'run.already_signed' },
  signed: { to: {}, takes: 'nothing', refusal: 'run.already_signed' },
  abandoned: { to: {}, takes: 'ends', refusal: 'run.abandoned' },
};

/** What a run is now: a signature counts once everything that it is about is here. */
export const lifeOf = ({ status, missing }: Pick<Run, 'status' | 'missing'>): Life =>
  status === 'signed' && missing.length > 0 ? 'signing' : status;

export type LifeError =
  { readonly code: Rule['refusal'] } | { readonly code: 'run.cannot_be_undone' };

/** Why an entry cannot join a run that is what it is now; undefined when it may. */
export function lifeError(run: Run, draft: EntryDraft): LifeError | undefined {
  const rule = runLife[lifeOf(run)];
  if (!isWelcome(rule, draft)) return { code: rule.refusal };
  return draft.type === 'undone' && draft.undoes === run.started.id
    ? { code: 'run.cannot_be_undone' }
    : undefined;
}

const isMove = (type: EntryDraft['type']): type is Move =>
  (moves as readonly string[]).includes(type);

function isWelcome({ to, takes }: Rule, { type }: EntryDraft): boolean {
  if (isMove(type)) return to[type] !== undefined;
  switch (takes) {
    case 'all':
      return true;
    case 'asides':
      return asides.has(type);
    case 'ends':
      return type === 'open_end_closed';
    case 'nothing':
      return false;
  }
}
