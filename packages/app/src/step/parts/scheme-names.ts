import { SCHEME_WIDE, type Scheme, type SchemePart } from '@/family/scheme';

/** px that a letter of a name takes at 12 px, about. */
const LETTER = 6;
const HIGH = 13;
/** px from the middle of a part to its name. */
const AWAY = { over: 22, under: 28, left: 18, right: 18 } as const;

export type PlacedName = {
  readonly part: SchemePart;
  readonly text: string;
  /** Its box, and the middle of its letters. */
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly high: number;
  readonly x: number;
  readonly y: number;
};

/** Where the names of a scheme stand; none runs out of the drawing. */
export const namesOf = ({ parts }: Pick<Scheme, 'parts'>): readonly PlacedName[] =>
  parts.flatMap((part) => {
    const { name: text, side = 'under' } = part;
    if (text === undefined) return [];
    const width = text.length * LETTER;
    const [px, py] = part.at;
    const free =
      side === 'left'
        ? px - AWAY.left - width
        : side === 'right'
          ? px + AWAY.right
          : px - width / 2;
    const left = Math.min(SCHEME_WIDE - width, Math.max(0, free));
    const y = side === 'over' ? py - AWAY.over : side === 'under' ? py + AWAY.under : py + 4;
    return [{ part, text, left, top: y - HIGH + 3, width, high: HIGH, x: left + width / 2, y }];
  });

export type Box = Pick<PlacedName, 'left' | 'top' | 'width' | 'high'>;

/** px that the longest word of how a fitting stands takes: "automatic". */
const STATE_WIDE = 9 * LETTER;
/** Where it is said how a fitting stands: beyond its name, away from its mark. */
export const stateUnder = ({ part, x, y }: PlacedName): Box & { readonly y: number } => {
  const line = part.side === 'over' ? y - HIGH : y + HIGH;
  return { left: x - STATE_WIDE / 2, top: line - HIGH + 3, width: STATE_WIDE, high: HIGH, y: line };
};

/** Whether two boxes lie on one another. */
export const touch = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width &&
  b.left < a.left + a.width &&
  a.top < b.top + b.high &&
  b.top < a.top + a.high;
