import { LARGEST_PICTURE_B, LONGEST_SIDE_PX } from '@holvek/core';

/** Why a file cannot become a picture of a valve. */
export type PictureTrouble = 'too_large' | 'heic' | 'unreadable' | 'no_room';

export class PictureProblem extends Error {
  constructor(readonly code: PictureTrouble) {
    super(code);
  }
}

const QUALITY = 0.86;
const isHeic = ({ type, name }: File): boolean =>
  /hei[cf]/iu.test(type) || /\.hei[cf]$/iu.test(name);

/** How large a picture is drawn, px: its shape stays, and none is blown up. */
export function fitted(
  { width, height }: { readonly width: number; readonly height: number },
  longest = LONGEST_SIDE_PX,
): { readonly width: number; readonly height: number } {
  const scale = Math.min(1, longest / Math.max(width, height));
  const side = (length: number) => Math.max(1, Math.round(length * scale));
  return { width: side(width), height: side(height) };
}

/**
 * A file of the camera as it is kept: upright, small enough for a year of them, and drawn anew, so that
 * where and with what it was taken stays on the phone.
 *
 * @throws PictureProblem where it is too large, or no picture that this browser opens
 */
export async function drawSmaller(file: File): Promise<Blob> {
  if (file.size > LARGEST_PICTURE_B) throw new PictureProblem('too_large');
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new PictureProblem(isHeic(file) ? 'heic' : 'unreadable');
  });
  const { width, height } = fitted(bitmap);
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}
