import { DRAWN_BOX, type SignedByHand } from '@holvek/core';

type Point = { readonly x: number; readonly y: number };
type Box = { readonly width: number; readonly height: number };

/** As far apart, in the box, as two points must be to tell anything. */
const APART = 2;

const within = (value: number, most: number): number =>
  Math.min(most, Math.max(0, Math.round(value)));

/** Strokes as a hand left them on a screen, in the box that is kept; points that tell nothing are left out. */
export function drawnIn(
  strokes: readonly (readonly Point[])[],
  { width, height }: Box,
): SignedByHand {
  return strokes
    .filter((stroke) => stroke.length > 0)
    .map((stroke) => {
      const kept: [number, number][] = [];
      for (const { x, y } of stroke) {
        const point: [number, number] = [
          within((x / width) * DRAWN_BOX.width, DRAWN_BOX.width),
          within((y / height) * DRAWN_BOX.height, DRAWN_BOX.height),
        ];
        const last = kept.at(-1);
        if (!last || Math.hypot(point[0] - last[0], point[1] - last[1]) >= APART) kept.push(point);
      }
      return kept;
    });
}
