import { unwrap } from '../result';
import { stamp, startedDraft } from '../testing/samples';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { lifeOf, lives, runLife, type Life } from './life';
import { reduceRun } from './reduce';
import type { Run } from './run';

const runOf = (...drafts: RunEventDraft[]): Run =>
  unwrap(reduceRun([startedDraft(), ...drafts].map((draft, i) => stamp(draft, i + 1))));
const given: RunEventDraft = { type: 'abandoned', reason: 'burst main' };
const signed: RunEventDraft = { type: 'signed', name: 'Ines', covers: 1 };

/** A run in every state that it can be in. */
const runs: { readonly [L in Life]: Run } = {
  open: runOf(),
  paused: runOf({ type: 'paused' }),
  signing: { ...runOf(signed), missing: ['a'.repeat(64)] },
  signed: runOf(signed),
  abandoned: runOf(given),
};
/** Every entry that is about the run itself, and one of each sort that is not. */
const entries = {
  paused: { type: 'paused' },
  resumed: { type: 'resumed' },
  abandoned: given,
  signed,
  work: { type: 'step_done', step_id: 'stored_pressure' },
  note: { type: 'note', text: 'cold' },
  given_on: { type: 'handed_over', to: 'Tomas' },
  put_back: { type: 'open_end_closed', open_end: 'gauges' },
  left_open: { type: 'open_end_left', open_end: 'gauges', reason: 'logging' },
  undone: { type: 'undone', undoes: 'e00002' },
  undo_of_start: { type: 'undone', undoes: 'e00001' },
} satisfies Record<string, RunEventDraft>;
type Name = keyof typeof entries;

const all = Object.keys(entries) as Name[];
/** What each state takes; a signature is judged by its own rules first. */
const taken: { readonly [L in Life]: readonly Name[] } = {
  open: ['paused', 'abandoned', 'work', 'note', 'given_on', 'put_back', 'left_open', 'undone'],
  paused: ['resumed', 'abandoned', 'note', 'given_on', 'put_back', 'left_open', 'undone'],
  signing: [],
  signed: [],
  abandoned: ['put_back'],
};

describe('the life of a run', () => {
  test.each(lives.flatMap((life) => all.map((name) => [life, name] as const)))(
    '%s: %s',
    (life, name) => {
      expect(lifeOf(runs[life])).toBe(life);
      const code = checkEvent(runs[life], entries[name])?.code;
      if (taken[life].includes(name)) return expect(code).toBeUndefined();
      if (life === 'open')
        return expect(code).toBe(
          { resumed: 'run.not_paused', signed: 'run.steps_left' }[name as string] ??
            'run.cannot_be_undone',
        );
      if (life === 'paused' && name === 'undo_of_start')
        return expect(code).toBe('run.cannot_be_undone');
      return expect(code).toBe(runLife[life].refusal);
    },
  );

  test.each([
    ['paused', [{ type: 'paused' }, { type: 'undone', undoes: 'e00002' }], 'open'],
    [
      'resumed',
      [{ type: 'paused' }, { type: 'resumed' }, { type: 'undone', undoes: 'e00003' }],
      'paused',
    ],
    ['going on', [{ type: 'paused' }, { type: 'resumed' }], 'open'],
    ['going on with what was given up', [given, { type: 'resumed' }], 'abandoned'],
    ['abandoned', [given, { type: 'undone', undoes: 'e00002' }], 'open'],
    ['signed', [signed, { type: 'undone', undoes: 'e00002' }], 'signed'],
    ['started', [{ type: 'undone', undoes: 'e00001' }], 'open'],
  ] as [string, RunEventDraft[], Life][])('undo of %s', (_, drafts, wanted) => {
    expect(lifeOf(runOf(...drafts))).toBe(wanted);
  });
});
