/** How something is to be taken: in order, to be looked at, to stop for, beside the point. */
export type Tone = 'good' | 'work' | 'stop' | 'quiet' | 'plain';

export type Figure = {
  readonly label: string;
  readonly value: string;
  readonly tone?: Tone;
};
export type Row = {
  readonly label: string;
  readonly value: string;
  readonly tone?: Tone;
};
export type Line = { readonly text: string; readonly tone?: Tone };

/** A mark on an axis, 0 … 1 along it. */
export type Tick = { readonly at: number; readonly say: string };
/** A stretch of a chart that is meant or forbidden, 0 … 1; across the axis named. */
export type Band = {
  readonly along: 'x' | 'y';
  readonly from: number;
  readonly to: number;
  readonly tone: Tone;
  readonly say?: string;
};
export type Curve = {
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly tone: Tone;
  readonly isDashed?: boolean;
};
export type Dot = {
  readonly x: number;
  readonly y: number;
  readonly tone: Tone;
  readonly shape: 'round' | 'ring' | 'up' | 'down';
  readonly say?: string;
  /** Said over the dot, where a curve leaves it to the side. */
  readonly sayAbove?: boolean;
};

/** A picture as geometry: everything in 0 … 1, x to the right, y downwards. */
export type Chart = {
  /** What it shows, in a sentence, for those who do not see it. */
  readonly says: string;
  /** Height over width. */
  readonly aspect: number;
  readonly xTicks: readonly Tick[];
  readonly yTicks: readonly Tick[];
  readonly bands: readonly Band[];
  readonly curves: readonly Curve[];
  readonly dots: readonly Dot[];
};

/** A part of a report. Page and paper know how to show these, and nothing else. */
export type Block =
  | { readonly kind: 'rows'; readonly title: string; readonly rows: readonly Row[] }
  | {
      readonly kind: 'table';
      readonly title: string;
      readonly head: readonly string[];
      readonly rows: readonly {
        readonly cells: readonly string[];
        readonly tone?: Tone;
      }[];
    }
  | { readonly kind: 'chart'; readonly title: string; readonly chart: Chart }
  | {
      readonly kind: 'pictures';
      readonly title: string;
      /** Digest of each file, and what is to be said of it. */
      readonly pictures: readonly { readonly name: string; readonly say: string }[];
    }
  | { readonly kind: 'words'; readonly title: string; readonly lines: readonly Line[] };
