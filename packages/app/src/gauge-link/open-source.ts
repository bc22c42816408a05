/** A line that is open. */
export type OpenLine = {
  readonly send: (text: string) => Promise<void>;
  readonly close: () => Promise<void>;
};

export type LineEars = {
  readonly onText: (text: string) => void;
  /** The line has gone: unplugged, out of reach, or taken by another. */
  readonly onGone: () => void;
  /** No gauge hangs at its end: what it says may be looked at, never read. */
  readonly onSimulated: () => void;
};

/** Opens a line. Undefined where the person chose none. @throws where it cannot be opened */
export type OpenSource = (baud: number, ears: LineEars) => Promise<OpenLine | undefined>;

/** What was asked for is not to be had; `says` is what was answered, empty where nothing was. */
export class MissingGauge extends Error {
  constructor(readonly says: string) {
    super(says);
  }
}
