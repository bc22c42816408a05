import type { PlaceIssue } from '@holvek/core';

const few = (names: readonly string[]): string =>
  names.length > 3
    ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`
    : names.join(', ');

/** Why a place cannot stand so, and what to do about it. */
export function placeTrouble(issue: PlaceIssue): string {
  switch (issue.code) {
    case 'place.under_itself':
      return 'It would lie under itself. Choose another place above it.';
    case 'place.above_unknown':
      return 'The place above it is not in this register.';
    case 'place.above_closed':
      return 'The place above it is closed. Open that one first.';
    case 'place.too_deep':
      return `Places go ${issue.most} deep at most, one within another.`;
    case 'place.no_altitude':
      return 'A site says how high it lies; no place above it does.';
    case 'place.name_taken':
      return `Beside it there is a ${issue.name} already.`;
    case 'place.has_places':
      return `Still in use within it: ${few(issue.names)}. Close those first, or put them elsewhere.`;
    case 'place.has_valves':
      return `Still in use there: ${few(issue.tags)}. Put them elsewhere, or retire them first.`;
  }
}
