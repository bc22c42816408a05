import type { Side } from '@holvek/core';

/** What a part looks like. */
export type SchemeSymbol =
  | 'pump'
  | 'motor'
  | 'tank'
  | 'relief'
  | 'compensator'
  | 'directional'
  | 'cock'
  | 'throttle'
  | 'valve'
  | 'regulator'
  | 'gauge'
  | 'orifice'
  | 'burner'
  | 'spark'
  | 'eye'
  | 'coil'
  | 'compressor'
  | 'condenser'
  | 'vessel'
  | 'expansion'
  | 'bellows'
  | 'screw'
  | 'link'
  | 'pivot'
  | 'pointer'
  | 'nozzle'
  | 'actuator'
  | 'converter'
  | 'contact'
  | 'pilot'
  | 'selector';

export type Point = readonly [x: number, y: number];

export type SchemePart = {
  readonly symbol: SchemeSymbol;
  readonly at: Point;
  readonly name?: string;
  /** Where its name stands; under it where nothing is said. */
  readonly side?: 'over' | 'under' | 'left' | 'right';
  /** The fitting whose position it shows, by its key. */
  readonly fitting?: string;
  /** The adjuster that is turned on it. */
  readonly adjuster?: string;
  /** The gauge that hangs there. */
  readonly gauge?: Side;
};

/** A family's own line, as it is drawn: 340 wide, and as high as it says. */
export type Scheme = {
  readonly high: number;
  /** Pipes, and what is no pipe: a sensing line, an arm that moves. */
  readonly ways: readonly {
    readonly through: readonly Point[];
    readonly kind?: 'pipe' | 'sense' | 'arm';
    /** The fitting or adjuster that it leads to: not there where that is not. */
    readonly of?: string;
  }[];
  readonly parts: readonly SchemePart[];
};

export const SCHEME_WIDE = 340;

/** A scheme as one valve has it: without what it lacks, fittings and adjusters by their keys, and the ways to it. */
export function schemeFor({ parts, ways, high }: Scheme, lacks: (key: string) => boolean): Scheme {
  const isThere = (key: string | undefined): boolean => key === undefined || !lacks(key);
  return {
    high,
    ways: ways.filter(({ of }) => isThere(of)),
    parts: parts.filter(({ fitting, adjuster }) => isThere(fitting) && isThere(adjuster)),
  };
}
