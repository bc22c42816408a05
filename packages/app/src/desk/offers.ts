import type { RunEventDraft } from '@holvek/core';

/** Figures that say which of several it is; every other figure is what was measured or done. */
const places: ReadonlySet<string> = new Set(['at', 'elapsed_s', 'count', 'index']);

/** What an entry is about: its words and places. Two of one kind about two things are two. */
const subjectOf = (draft: RunEventDraft): string =>
  Object.entries(draft)
    .filter(([field, value]) => typeof value === 'string' || places.has(field))
    .map(([field, value]) => `${field}=${String(value)}`)
    .sort()
    .join(' ');

/**
 * Each action belongs to the state of the run in which it was offered, and is taken once: a second tap
 * that comes before the screen has moved on records nothing.
 */
export class Offers {
  private readonly taken = new Set<string>();

  /**
   * Whether the action may go ahead; from then on it is taken in this state.
   *
   * @param lamport  of the run as the screen that offers it shows it
   */
  accept(lamport: number, draft: RunEventDraft): boolean {
    const name = nameOf(lamport, draft);
    if (this.taken.has(name)) return false;
    this.taken.add(name);
    return true;
  }

  /** It was not recorded after all, and may be tried again. */
  release(lamport: number, draft: RunEventDraft): void {
    this.taken.delete(nameOf(lamport, draft));
  }
}

const nameOf = (lamport: number, draft: RunEventDraft): string => `${lamport} ${subjectOf(draft)}`;
