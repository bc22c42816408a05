import type { NextMove } from '../coach';
import type { Turns } from '../quantity';

/**
 * What the person is asked now, with its figures. Screens, keys, a simulated hand and whoever drives
 * the page obey it alike; a screen that has to know more is a sign that a word is missing here.
 */
export type Prompt =
  | { readonly ask: 'confirm' }
  /** Read the gauge before anything else. */
  | { readonly ask: 'read' }
  | { readonly ask: 'turn'; readonly adjuster: string; readonly turns: Turns }
  | { readonly ask: 'mark'; readonly mark: 'cracked' | 'reseated'; readonly cycle: number }
  | { readonly ask: 'edge'; readonly edge: 'cut_in' | 'cut_out'; readonly cycle: number }
  | {
      readonly ask: 'point';
      /** Nominal input, fraction of its span. */
      readonly at: number;
      readonly direction: 'up' | 'down';
      readonly pass: number;
    }
  /** Bring the band to a gain, then read the output. */
  | { readonly ask: 'band'; readonly gain: number }
  /** Bring the gas to a pressure and light, Pa. */
  | { readonly ask: 'light'; readonly pressure: number }
  | { readonly ask: 'purge'; readonly seconds: number }
  /** Nothing is left to do: it may be confirmed. */
  | { readonly ask: 'done' }
  | { readonly ask: 'stuck'; readonly why: StuckWhy };

export type StuckWhy =
  | 'end_of_travel'
  | 'no_safe_move'
  | 'too_coarse'
  | 'never_lights'
  | 'outside_maker_range'
  | 'leaks'
  | 'cannot_judge';

/** What is seen now beside what was entered. */
export type Seen = {
  /** The gauge as it stands, or as it was typed last, Pa. */
  readonly now?: number | undefined;
};

/** A move of the coach as what the person is asked. */
export const askedBy = (move: NextMove, adjuster: string): Prompt => {
  if (move.kind === 'done') return { ask: 'done' };
  if (move.kind === 'read_again') return { ask: 'read' };
  if (move.kind === 'stuck') return { ask: 'stuck', why: move.why };
  return { ask: 'turn', adjuster, turns: move.turns };
};
