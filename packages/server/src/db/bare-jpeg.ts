/** Segments that only say how the picture is to be drawn: tables, frames, scans and the like. */
const isOfThePicture = (marker: number): boolean =>
  (marker >= 0xc0 && marker <= 0xcf) || (marker >= 0xda && marker <= 0xdf);
const START = 0xd8;
const END = 0xd9;
const SCAN = 0xda;

/** Segments of applications that are colour and no story: by their marker and how they begin. */
const colours: readonly (readonly [marker: number, begins: string])[] = [
  [0xe0, 'JFIF\0'],
  [0xe2, 'ICC_PROFILE\0'],
  [0xee, 'Adobe'],
];

/**
 * Whether a file is a JPEG with nothing in it but the picture: no camera, no place, no remark, nothing behind its end.
 * Such a one may be kept byte for byte.
 *
 * @example isBareJpeg(Uint8Array.from([0xff, 0xd8, 0xff, 0xfe])) // → false
 */
export function isBareJpeg(file: Uint8Array): boolean {
  if (file[0] !== 0xff || file[1] !== START) return false;
  let at = 2;
  while (at + 1 < file.length) {
    if (file[at] !== 0xff) return false;
    const marker = file[at + 1]!;
    if (marker === END) return at + 2 === file.length;
    const length = ((file[at + 2] ?? 0) << 8) | (file[at + 3] ?? 0);
    if (length < 2 || !mayStand(file, at, marker)) return false;
    at += 2 + length;
    if (marker === SCAN) at = endOfScan(file, at);
  }
  return false;
}

function mayStand(file: Uint8Array, at: number, marker: number): boolean {
  if (isOfThePicture(marker)) return true;
  const begins = colours.find(([known]) => known === marker)?.[1];
  if (begins === undefined) return false;
  return Array.from(begins).every((letter, i) => file[at + 4 + i] === letter.charCodeAt(0));
}

/** Where what was scanned ends: at the next marker that is neither a stuffed byte nor a restart. */
function endOfScan(file: Uint8Array, from: number): number {
  let at = from;
  while (at + 1 < file.length) {
    const next = file[at + 1]!;
    const isRestart = next >= 0xd0 && next <= 0xd7;
    if (file[at] === 0xff && next !== 0 && !isRestart) return at;
    at += 1;
  }
  return file.length;
}
