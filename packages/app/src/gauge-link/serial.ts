import type { OpenSource } from './open-source';

type Bytes = Uint8Array<ArrayBuffer>;
type Reader = ReadableStreamDefaultReader<Bytes>;
/** What a browser offers of a serial port (Web Serial); its own types know nothing of it. */
type SerialPort = {
  readonly open: (options: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
  readonly readable: ReadableStream<Bytes> | null;
  readonly writable: WritableStream<Bytes> | null;
};
type Serial = { readonly requestPort: () => Promise<SerialPort> };

const serialHere = (): Serial | undefined =>
  (navigator as unknown as { readonly serial?: Serial }).serial;

/** Whether gauges can be linked here at all. */
export const canLinkSerial = (): boolean => serialHere() !== undefined;

/** Lets the person choose a port, and listens on it. */
export const openSerial: OpenSource = async (baud, { onText, onGone }) => {
  const port = await serialHere()
    ?.requestPort()
    .catch((error: unknown) => {
      if ((error as { readonly name?: string }).name === 'NotFoundError') return undefined;
      throw error;
    });
  if (!port) return undefined;
  await port.open({ baudRate: baud });
  const letters = new TextDecoder();
  let isOpen = true;
  let reader: Reader | undefined;
  const listen = async () => {
    // A line that was garbled ends its stream and gives another; one that is unplugged gives none.
    for (let stream = port.readable; isOpen && stream; stream = port.readable) {
      reader = stream.getReader();
      const hear = (bytes: Bytes) => onText(letters.decode(bytes, { stream: true }));
      const hasEnded = await readAll(reader, hear);
      reader.releaseLock();
      if (hasEnded) break;
    }
    if (isOpen) onGone();
  };
  const heard = listen();
  return {
    send: async (text) => {
      const writer = port.writable!.getWriter();
      await writer.write(new TextEncoder().encode(text)).finally(() => writer.releaseLock());
    },
    close: async () => {
      isOpen = false;
      await reader?.cancel().catch(() => undefined);
      // Its stream has to be let go of first.
      await heard;
      await port.close().catch(() => undefined);
    },
  };
};

/** Reads until the stream is over: true where it ended, false where it broke. */
async function readAll(reader: Reader, onBytes: (bytes: Bytes) => void): Promise<boolean> {
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return true;
      onBytes(value);
    }
  } catch {
    return false;
  }
}
