import type { Family, Found, Score } from '@holvek/core';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';

const founds = [
  'nothing_named',
  'by_evidence',
  'by_luck',
  'wrong',
] as const satisfies readonly Found[];
const lineSchema = z.object({
  sheet: z.string(),
  hand: z.string(),
  family: z.string(),
  at_ms: z.number(),
  named: z.string().optional(),
  /** Absent until it was scored. */
  score: z
    .object({
      points: z.number(),
      moves: z.number(),
      master: z.number(),
      pastLane: z.number(),
      pastLimit: z.number(),
      leftOpen: z.number(),
      isFaulty: z.boolean(),
      found: z.enum(founds),
    })
    .optional(),
});
/** One practised run, as its hand's log keeps it on this phone. */
export type HandLine = z.infer<typeof lineSchema>;

const KEY = 'holvek.hand';
/** Runs that are kept; the oldest are let go first. */
const MOST = 400;
const listeners = new Set<() => void>();
let lines = load();

function load(): readonly HandLine[] {
  try {
    const parsed = z.array(lineSchema).safeParse(JSON.parse(localStorage.getItem(KEY) ?? '[]'));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

/** Keeps a line; what is kept of the same sheet is replaced. */
export function keepHandLine(line: HandLine): void {
  lines = [...lines.filter(({ sheet }) => sheet !== line.sheet), line].slice(-MOST);
  try {
    localStorage.setItem(KEY, JSON.stringify(lines));
  } catch {
    // Storage full: it holds until the tab closes.
  }
  for (const listener of listeners) listener();
}

export const useHandLog = (): readonly HandLine[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => lines,
    () => lines,
  );

/** What the log keeps of a score. */
export const keptScore = ({
  points,
  own,
  master,
  leftOpen,
  faults,
  found,
}: Score): NonNullable<HandLine['score']> => ({
  points,
  moves: own.moves,
  master: master.moves,
  pastLane: own.pastLane,
  pastLimit: own.pastLimit,
  leftOpen,
  isFaulty: faults.length > 0,
  found,
});

/** How a hand does on one kind of valve. */
export type HandOfFamily = {
  readonly family: Family;
  readonly runs: number;
  /** Mean points of its last five runs, and of the five before them; undefined without those. */
  readonly points: number;
  readonly before: number | undefined;
  /** Moves for each of the master's. */
  readonly moves: number;
  readonly pastLimit: number;
  /** Faults that were there, and those that were found by evidence. */
  readonly faulty: number;
  readonly found: number;
};

/** A hand's log by kind of valve, the one that wants practice most first. */
export function handByFamily(log: readonly HandLine[], hand: string): readonly HandOfFamily[] {
  const own = log.filter((line) => line.hand === hand).sort((a, b) => a.at_ms - b.at_ms);
  const kinds = [...new Set(own.map(({ family }) => family))];
  return kinds
    .flatMap((family) => {
      const scores = own.flatMap((line) =>
        line.family === family && line.score ? [line.score] : [],
      );
      if (scores.length === 0) return [];
      const sum = (of: (score: (typeof scores)[number]) => number) =>
        scores.reduce((total, score) => total + of(score), 0);
      const mean = (of: readonly { readonly points: number }[]) =>
        of.reduce((total, { points }) => total + points, 0) / of.length;
      const earlier = scores.slice(-10, -5);
      return [
        {
          family: family as Family,
          runs: scores.length,
          points: mean(scores.slice(-5)),
          before: earlier.length > 0 ? mean(earlier) : undefined,
          moves:
            sum(({ moves }) => moves) /
            Math.max(
              1,
              sum(({ master }) => master),
            ),
          pastLimit: sum(({ pastLimit }) => pastLimit),
          faulty: sum(({ isFaulty }) => (isFaulty ? 1 : 0)),
          found: sum(({ isFaulty, found }) => (isFaulty && found === 'by_evidence' ? 1 : 0)),
        },
      ];
    })
    .sort((a, b) => a.points - b.points);
}
