import { SerialPortMock } from 'serialport';
import { WebSocket } from 'ws';
import { mayListen, startBridge, type Bridge } from './bridge';
import { serialPort, simulatedPort, type OpenPort, type PortEars } from './port';

/** A port that the test speaks for. */
function madePort() {
  const written: string[] = [];
  const bauds: number[] = [];
  let ears: PortEars | undefined;
  let closed = 0;
  const open: OpenPort = (baud, given) => {
    bauds.push(baud);
    ears = given;
    const port = {
      isSimulated: false,
      send: (text: string) => void written.push(text),
      close: () => Promise.resolve(void (closed += 1)),
    };
    return Promise.resolve(port);
  };
  return { open, written, bauds, ears: () => ears!, closed: () => closed };
}

const broken: OpenPort = () => Promise.reject(new Error('no such file or directory'));
let bridge: Bridge;
let port: ReturnType<typeof madePort>;
beforeEach(async () => {
  port = madePort();
  const ports = new Map([
    ['one', port.open],
    ['broken', broken],
    ['made', simulatedPort(10)],
  ]);
  const origins = ['https://holvek.lan:8150'];
  bridge = await startBridge({ ports, origins, host: '127.0.0.1', port: 0 });
});
afterEach(() => bridge.close());

/** A page that listens, and all that it is told. */
function page(path: string, origin = 'https://holvek.lan:8150') {
  const heard: string[] = [];
  const socket = new WebSocket(`${bridge.address}${path}`, { origin });
  socket.on('message', (data: Buffer) => heard.push(data.toString('utf8')));
  const ended = new Promise<string>((over) => {
    socket.on('close', (code, reason) => over(`${code} ${reason.toString('utf8')}`));
    socket.on('error', (error) => over(error.message));
  });
  return { socket, heard, ended };
}

/** Waits until something is so: what goes over a socket takes turns of the machine. */
async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await new Promise((next) => setImmediate(next));
}

describe('a bridge', () => {
  test('opens its port at the speed that is asked for, says so, and hands on both ways', async () => {
    const { socket, heard } = page('/one?baud=19200');
    await until(() => heard.length === 1);
    expect([port.bauds, heard]).toEqual([[19_200], ['open']]);
    port.ears().onText('416.0 k');
    port.ears().onText('Pa\r\n');
    socket.send('P?\r\n');
    await until(() => heard.length === 3 && port.written.length === 1);
    expect([heard.slice(1), port.written]).toEqual([['416.0 k', 'Pa\r\n'], ['P?\r\n']]);
  });

  test('lets go of its port when the page goes, and then another page may have it', async () => {
    const first = page('/?baud=9600');
    await until(() => first.heard.length === 1);
    expect(await page('/one?baud=9600').ended).toBe('1013 another page listens to one');
    first.socket.terminate();
    await until(() => port.closed() === 1);
    const next = page('/one?baud=9600');
    await until(() => next.heard.length === 1);
    expect(port.bauds).toHaveLength(2);
  });

  test('says that its port has gone', async () => {
    const { heard, ended } = page('/one?baud=9600');
    await until(() => heard.length === 1);
    port.ears().onGone();
    expect(await ended).toBe('1011 one has gone');
    await until(() => port.closed() === 1);
  });

  test.each([
    ['/broken?baud=9600', '1011 broken cannot be opened: no such file or directory'],
    ['/two?baud=9600', '1008 there is no port two here'],
    ['//', '1008 there is no port / here'],
    ['//two:x?baud=9600', '1008 there is no port /two:x here'],
    ['/one?baud=299', '1008 a port has a speed of 300 to 921600 baud'],
    ['/one?baud=921601', '1008 a port has a speed of 300 to 921600 baud'],
    ['/one?baud=9600.5', '1008 a port has a speed of 300 to 921600 baud'],
    ['/one', '1008 a port has a speed of 300 to 921600 baud'],
  ])('says why nothing can be opened: %s', async (path, why) => {
    expect(await page(path).ended).toBe(why);
    expect(port.bauds).toEqual([]);
  });

  test('a port that could not be opened may be asked for again', async () => {
    await page('/broken?baud=9600').ended;
    expect(await page('/broken?baud=9600').ended).toMatch(/^1011 broken cannot be opened/u);
  });

  test('takes no more from a page than a gauge is ever asked', async () => {
    const { socket, heard, ended } = page('/one?baud=9600');
    await until(() => heard.length === 1);
    socket.send('x'.repeat(200));
    await until(() => port.written.length === 1);
    socket.send('x'.repeat(201));
    expect(await ended).toMatch(/^1009/u);
    expect(port.written).toHaveLength(1);
  });

  test('says of a gauge that is not there that it is not', async () => {
    const { heard } = page('/made?baud=9600');
    await until(() => heard.length === 3);
    expect(heard[0]).toBe('simulated');
    expect(heard[1]).toMatch(/^41[3-9]\.\d kPa\r\n$/u);
  });

  test('is closed to pages of elsewhere', async () => {
    expect(await page('/one?baud=9600', 'https://elsewhere.example').ended).toMatch(/401/u);
    expect(port.bauds).toEqual([]);
  });

  test('tells a person who opens it what it is', async () => {
    const answer = await fetch(bridge.address.replace('ws:', 'http:'));
    expect(await answer.text()).toMatch(/a bridge of Holvek/u);
  });
});

test.each([
  ['http://localhost:8140', true],
  ['http://127.0.0.1', true],
  ['https://[::1]:8150', true],
  ['https://holvek.lan:8150', true],
  ['https://holvek.lan', false],
  ['http://holvek.lan:8150', false],
  ['http://127.elsewhere.example', false],
  ['http://localhost.elsewhere.example', false],
  ['null', false],
  [undefined, false],
])('a page from %s may listen: %s', (origin, may) => {
  expect(mayListen(origin, ['https://holvek.lan:8150'])).toBe(may);
});

describe('a serial port', () => {
  const ears = () => {
    const heard: string[] = [];
    const gone: string[] = [];
    return {
      heard,
      gone,
      given: {
        onText: (text: string) => void heard.push(text),
        onGone: () => void gone.push('gone'),
      },
    };
  };
  const madeOf = (options: ConstructorParameters<typeof SerialPortMock>[0]) =>
    new SerialPortMock(options);
  beforeEach(() => SerialPortMock.binding.reset());

  test('is spoken to and heard, and closed without a word', async () => {
    SerialPortMock.binding.createPort('/dev/ttyMADE', { echo: true });
    const { heard, gone, given } = ears();
    const opened = await serialPort('/dev/ttyMADE', madeOf)(9600, given);
    opened.send('P?');
    await until(() => heard.join('') === 'P?');
    await opened.close();
    expect(gone).toEqual([]);
  });

  test('that is unplugged has gone, once', async () => {
    SerialPortMock.binding.createPort('/dev/ttyMADE');
    const { gone, given } = ears();
    let made: SerialPortMock | undefined;
    await serialPort('/dev/ttyMADE', (options) => (made = madeOf(options)))(9600, given);
    await new Promise<void>((closed) => made!.close(() => closed()));
    await until(() => gone.length > 0);
    expect(gone).toEqual(['gone']);
  });

  test('that is not there is refused', async () => {
    await expect(serialPort('/dev/ttyNONE')(9600, ears().given)).rejects.toThrow(/ttyNONE|exist/u);
  });
});
