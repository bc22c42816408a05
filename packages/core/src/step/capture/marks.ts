/** Marks of a capture, in the order of one cycle. */
export const markNames = ['cracked', 'full_flow', 'reseated'] as const;
export type Mark = (typeof markNames)[number];

/** Where the valve was seen to crack, to flow full, to shut tight. */
export type CaptureMark = {
  readonly eventId: string;
  readonly mark: Mark;
  readonly cycle: number;
  readonly pressure: number;
  readonly source: 'marked' | 'log';
  readonly atMs: number;
};
