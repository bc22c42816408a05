import { SerialPort, type SerialPortMock } from 'serialport';

/** A port that is open. */
export type OpenedPort = {
  /** Nothing hangs at its end: what it says may be looked at, never recorded. */
  readonly isSimulated: boolean;
  readonly send: (text: string) => void;
  readonly close: () => Promise<void>;
};

export type PortEars = {
  readonly onText: (text: string) => void;
  /** It was unplugged, or taken by another. */
  readonly onGone: () => void;
};

/** Opens a port at its speed. @throws where it is not there, not allowed, or in use */
export type OpenPort = (baud: number, ears: PortEars) => Promise<OpenedPort>;

type PortOptions = {
  readonly path: string;
  readonly baudRate: number;
  readonly autoOpen: false;
};
/** What a port is made of: the machine's own, or one that a test stands in. */
type MakePort = (options: PortOptions) => SerialPort | SerialPortMock;
const ofThisMachine: MakePort = (options) => new SerialPort(options);

/** A serial port of this machine, by its path (`/dev/ttyUSB0`, `COM3`). */
export const serialPort =
  (path: string, make: MakePort = ofThisMachine): OpenPort =>
  async (baud, { onText, onGone }) => {
    const port = make({ path, baudRate: baud, autoOpen: false });
    await new Promise<void>((opened, refused) =>
      port.open((error) => (error ? refused(error) : opened())),
    );
    const letters = new TextDecoder();
    let isOpen = true;
    port.on('data', (bytes: Uint8Array) => onText(letters.decode(bytes, { stream: true })));
    port.on('close', () => {
      if (isOpen) onGone();
      isOpen = false;
    });
    // A line that breaks closes as well, and is said then.
    port.on('error', () => undefined);
    return {
      isSimulated: false,
      send: (text) => void port.write(text),
      close: () => {
        isOpen = false;
        return new Promise((closed) => port.close(() => closed()));
      },
    };
  };

/** kPa about which the stand-in wanders, and how far. */
const MIDDLE = 416;
const WANDERS = 3;

/**
 * A gauge that is not there, to try a bridge without one: it says a figure each second, as a gauge that speaks by
 * itself does, and one more whenever it is asked.
 */
export const simulatedPort =
  (everyMs = 1000): OpenPort =>
  (_, { onText }) => {
    let count = 0;
    const say = () => {
      count += 1;
      const shown = MIDDLE + WANDERS * Math.sin(count / 9);
      onText(`${shown.toFixed(1)} kPa\r\n`);
    };
    const timer = setInterval(say, everyMs);
    return Promise.resolve({
      isSimulated: true,
      send: say,
      close: () => {
        clearInterval(timer);
        return Promise.resolve();
      },
    });
  };
