import { fitted } from '@/photo/draw-smaller';

/** Longest side of what is searched for a code, px: more takes longer and finds no more. */
const SEARCHED_PX = 900;

/** What is to be seen in a picture or in a film just now; undefined before there is anything. */
export function pixelsOf(source: ImageBitmap | HTMLVideoElement): ImageData | undefined {
  const isFilm = source instanceof HTMLVideoElement;
  const size = isFilm
    ? { width: source.videoWidth, height: source.videoHeight }
    : { width: source.width, height: source.height };
  if (size.width === 0) return undefined;
  const { width, height } = fitted(size, SEARCHED_PX);
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(source, 0, 0, width, height);
  return context.getImageData(0, 0, width, height);
}
