import type { OpenLine } from './open-source';
import { canLinkSerial, openSerial } from './serial';

type Piece = string | 'broken' | 'ended';

/** A stream that gives its pieces, then waits until it is cancelled. */
function streamOf(pieces: Piece[]) {
  let stop: (end: { done: true }) => void = () => undefined;
  const read = () => {
    const piece = pieces.shift();
    if (piece === 'broken') return Promise.reject(new Error('framing'));
    if (piece === 'ended') return Promise.resolve({ done: true });
    if (piece !== undefined)
      return Promise.resolve({ done: false, value: new TextEncoder().encode(piece) });
    return new Promise((done) => {
      stop = done;
    });
  };
  const cancel = () => Promise.resolve(stop({ done: true }));
  return { getReader: () => ({ read, cancel, releaseLock: () => undefined }) };
}

/** A port whose streams come one after the other, as after a break on the line. */
function plugged(streams: Piece[][]) {
  const said: string[] = [];
  const written: string[] = [];
  let gone = 0;
  const port = {
    bauds: [] as number[],
    closed: 0,
    open: ({ baudRate }: { baudRate: number }) => Promise.resolve(void port.bauds.push(baudRate)),
    close: () => Promise.resolve(void (port.closed += 1)),
    get readable() {
      const next = streams.shift();
      return next ? streamOf(next) : null;
    },
    writable: {
      getWriter: () => ({
        write: (bytes: Uint8Array) =>
          Promise.resolve(void written.push(new TextDecoder().decode(bytes))),
        releaseLock: () => undefined,
      }),
    },
  };
  const ears = {
    onText: (text: string) => void said.push(text),
    onGone: () => void (gone += 1),
    onSimulated: () => undefined,
  };
  const open = () => openSerial(9600, ears);
  return { port, said, written, open, gone: () => gone };
}

const plugIn = (requestPort: () => Promise<unknown>) =>
  Object.defineProperty(navigator, 'serial', { value: { requestPort }, configurable: true });
const settle = () => new Promise((done) => setTimeout(done, 0));
afterEach(() => Reflect.deleteProperty(navigator, 'serial'));

describe('a serial port', () => {
  test('is opened at its speed, heard, spoken to, and closed without a word', async () => {
    const { port, said, written, open, gone } = plugged([['416', '.0 kPa\r\n']]);
    plugIn(() => Promise.resolve(port));
    const line = (await open()) as OpenLine;
    await settle();
    expect([port.bauds, said]).toEqual([[9600], ['416', '.0 kPa\r\n']]);
    await line.send('P?');
    expect(written).toEqual(['P?']);
    await line.close();
    await settle();
    expect([port.closed, gone()]).toEqual([1, 0]);
  });

  test('that was garbled goes on with what comes after; one that is unplugged has gone', async () => {
    const { port, said, open, gone } = plugged([
      ['a', 'broken'],
      ['b', 'broken'],
    ]);
    plugIn(() => Promise.resolve(port));
    await open();
    await settle();
    expect([said, gone()]).toEqual([['a', 'b'], 1]);
  });

  test('whose stream is at its end has gone, once', async () => {
    const { port, open, gone } = plugged([['ended'], ['c']]);
    plugIn(() => Promise.resolve(port));
    await open();
    await settle();
    expect(gone()).toBe(1);
  });

  test('that was not chosen is none, and one that cannot be had is said', async () => {
    expect(canLinkSerial()).toBe(false);
    plugIn(() => Promise.reject(Object.assign(new Error('none'), { name: 'NotFoundError' })));
    expect(canLinkSerial()).toBe(true);
    const { open } = plugged([]);
    expect(await open()).toBeUndefined();
    plugIn(() => Promise.reject(new Error('forbidden')));
    await expect(open()).rejects.toThrow('forbidden');
  });
});
