import type { EventOf, PurposeOfRun } from './event';

type Start = Pick<EventOf<'started'>, 'purpose' | 'twin'>;

/** What a run is for; one of before was practice where it was made against a twin. */
export const purposeOf = ({ purpose, twin }: Start): PurposeOfRun =>
  purpose ?? (twin === undefined ? 'record' : 'practice');

export const isPractice = (started: Start): boolean => purposeOf(started) === 'practice';

/** A record is of a real valve: it cannot have been made on a twin. */
export const isRecordOnTwin = ({ purpose, twin }: Start): boolean =>
  purpose === 'record' && twin !== undefined;
