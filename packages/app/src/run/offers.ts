import type { RunEventDraft } from '@holvek/core';

/** What an entry is about: two of one kind about two things are two. */
const subjectOf = (draft: RunEventDraft): string =>
  ['step_id', 'adjuster', 'open_end', 'role', 'key', 'at', 'undoes', 'mark', 'elapsed_s']
    .map((field) => (field in draft ? String(draft[field as keyof typeof draft]) : ''))
    .join('|');

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

const nameOf = (lamport: number, draft: RunEventDraft): string =>
  `${lamport} ${draft.type} ${subjectOf(draft)}`;
