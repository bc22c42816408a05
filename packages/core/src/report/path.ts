import { line } from 'd3-shape';
import type { Curve } from './block';

/** The path of a curve in a box, as the `d` of an SVG path; paper understands the same words. */
export function pathOf(
  { points }: Pick<Curve, 'points'>,
  { width, height }: { readonly width: number; readonly height: number },
): string {
  const draw = line<readonly [number, number]>()
    .x(([x]) => x * width)
    .y(([, y]) => y * height)
    .digits(2);
  return draw(points) ?? '';
}
