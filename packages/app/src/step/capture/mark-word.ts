/** What a mark is called where it is set. */
export const markWord = {
  cracked: 'First dribble',
  full_flow: 'Full flow',
  reseated: 'Tight again',
} as const;
