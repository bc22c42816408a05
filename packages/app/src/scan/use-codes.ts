import { useEffect, useRef, useState, type RefObject } from 'react';
import { openCodeWorker } from './client';
import { pixelsOf } from './pixels';

/** ms between two looks: a hand that holds a phone before a label is slower. */
const LOOK_EVERY_MS = 250;

export type CameraState = 'asking' | 'looking' | 'denied' | 'absent';

type Codes = ReturnType<typeof openCodeWorker>['codes'];

async function readIn(codes: Codes, source: ImageBitmap | HTMLVideoElement) {
  const pixels = pixelsOf(source);
  return pixels && codes.read(pixels.data, pixels.width, pixels.height);
}

/**
 * Looks for a code through the camera for as long as the page stands.
 *
 * @param onText  told of every code that is seen; the same one only once in a row
 */
export function useCamera(onText: (text: string) => void): {
  readonly video: RefObject<HTMLVideoElement | null>;
  readonly state: CameraState;
} {
  const video = useRef<HTMLVideoElement>(null);
  const told = useRef(onText);
  useEffect(() => {
    told.current = onText;
  });
  const [state, setState] = useState<CameraState>('asking');
  useEffect(() => {
    const stop = new AbortController();
    const film = video.current!;
    void look(film, { told: (text) => told.current(text), setState, signal: stop.signal });
    return () => stop.abort();
  }, []);
  return { video, state };
}

type Looking = {
  readonly told: (text: string) => void;
  readonly setState: (state: CameraState) => void;
  readonly signal: AbortSignal;
};

async function look(film: HTMLVideoElement, { told, setState, signal }: Looking): Promise<void> {
  const stream = await openCamera();
  if (typeof stream === 'string') return setState(stream);
  const { codes, close } = openCodeWorker();
  const end = () => {
    for (const track of stream.getTracks()) track.stop();
    close();
  };
  const isOver = () => signal.aborted;
  if (isOver()) return end();
  signal.addEventListener('abort', end);
  film.srcObject = stream;
  // It plays once the first picture has come; that is not waited for.
  film.play().catch(() => undefined);
  setState('looking');
  let last: string | undefined;
  while (!isOver()) {
    const text = await readIn(codes, film);
    if (text !== undefined && text !== last && !isOver()) told(text);
    last = text ?? last;
    await new Promise((done) => setTimeout(done, LOOK_EVERY_MS));
  }
}

/** The camera at the back; why there is none, where there is none. */
async function openCamera(): Promise<MediaStream | 'denied' | 'absent'> {
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent outside a secure context
  if (!navigator.mediaDevices?.getUserMedia) return 'absent';
  try {
    const video = { facingMode: 'environment', width: { ideal: 1280 } };
    return await navigator.mediaDevices.getUserMedia({ video });
  } catch (error) {
    return (error as { readonly name?: string }).name === 'NotAllowedError' ? 'denied' : 'absent';
  }
}

/** What the code in a picture says; undefined where none is found, or it is no picture. */
export async function codeInFile(file: File): Promise<string | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined);
  if (!bitmap) return undefined;
  const { codes, close } = openCodeWorker();
  try {
    return await readIn(codes, bitmap);
  } finally {
    close();
    bitmap.close();
  }
}
