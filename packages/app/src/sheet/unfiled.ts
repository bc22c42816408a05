import { freezeSheet, isPractice, type Run, type Sheet, type SheetBody } from '@holvek/core';
import type { Tone } from '@/ui/card';

/** A sheet in a list: filed under its id, or signed on this phone and on its way. */
export type ListedSheet = {
  readonly key: string;
  readonly body: SheetBody;
  /** Where it is opened. */
  readonly path: string;
  readonly isFiled: boolean;
  /** Hash of one that is filed. */
  readonly hash?: string;
  /** What is still to come of its second signature, if anything. */
  readonly second?: { readonly say: string; readonly tone: Tone };
};

/**
 * Sheets as a list shows them, latest first: those that are filed, and before them those that were
 * signed on this phone and have no number yet.
 *
 * @param runs   on this phone
 * @param filed  ids of runs that the server has filed, as far as this phone was told
 */
export function listedSheets(
  sheets: readonly Sheet[],
  runs: readonly Run[],
  filed: ReadonlySet<string>,
): ListedSheet[] {
  const known = new Set([...filed, ...sheets.map(({ body }) => body.run_id)]);
  const waiting = runs.flatMap((run): ListedSheet[] => {
    if (run.status !== 'signed' || isPractice(run.started) || known.has(run.id)) return [];
    const frozen = freezeSheet(run, null);
    return frozen.ok
      ? [{ key: run.id, body: frozen.value, path: `/runs/${run.id}`, isFiled: false }]
      : [];
  });
  const there = sheets.map(({ id, hash, body }) => ({
    key: id,
    hash,
    body,
    path: `/sheets/${id}`,
    isFiled: true,
  }));
  return [...waiting.sort((a, b) => b.body.signed_at_ms - a.body.signed_at_ms), ...there];
}
