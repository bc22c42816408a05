import { expose } from 'comlink';
import jsQR from 'jsqr';

/** Finds a code in a picture, away from the screen: a phone may take a tenth of a second for it. */
const codeWorker = {
  /** @param pixels  RGBA, row by row */
  read: (pixels: Uint8ClampedArray, width: number, height: number): string | undefined =>
    jsQR(pixels, width, height)?.data,
};
export type CodeWorker = typeof codeWorker;

expose(codeWorker);
