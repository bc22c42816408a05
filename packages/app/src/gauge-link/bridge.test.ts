import { bridgeAddress, openBridge } from './bridge';
import { MissingGauge } from './open-source';

/** What a page's sockets were asked, and what the bridge says to the last of them. */
class Socket {
  static last: Socket;
  readonly sent: string[] = [];
  isClosed = false;
  onmessage: (message: { readonly data: string }) => void = () => undefined;
  onclose: (end: { readonly reason: string }) => void = () => undefined;
  constructor(readonly url: URL) {
    Socket.last = this;
  }
  send(text: string): void {
    this.sent.push(text);
  }
  close(): void {
    this.isClosed = true;
  }
}

const real = global.WebSocket;
beforeEach(() => {
  global.WebSocket = Socket as never;
});
afterEach(() => {
  global.WebSocket = real;
});

function asked() {
  const heard: string[] = [];
  const line = openBridge(new URL('ws://localhost:8145/one'))(19_200, {
    onText: (text) => heard.push(text),
    onGone: () => heard.push('gone'),
    onSimulated: () => heard.push('simulated'),
  });
  return { heard, line, bridge: Socket.last };
}

describe('a gauge through a bridge', () => {
  test('is opened at its speed, heard, spoken to, and let go without a word', async () => {
    const { heard, line, bridge } = asked();
    expect(String(bridge.url)).toBe('ws://localhost:8145/one?baud=19200');
    bridge.onmessage({ data: 'open' });
    const opened = (await line)!;
    bridge.onmessage({ data: '416.0 kPa\r\n' });
    await opened.send('P?');
    expect([heard, bridge.sent]).toEqual([['416.0 kPa\r\n'], ['P?']]);
    await opened.close();
    bridge.onclose({ reason: '' });
    expect([heard, bridge.isClosed]).toEqual([['416.0 kPa\r\n'], true]);
  });

  test('has gone when the bridge has, once', async () => {
    const { heard, line, bridge } = asked();
    bridge.onmessage({ data: 'open' });
    await line;
    bridge.onclose({ reason: 'one has gone' });
    bridge.onclose({ reason: '' });
    expect(heard).toEqual(['gone']);
  });

  test('that is not there is said to be none', async () => {
    const { heard, line, bridge } = asked();
    bridge.onmessage({ data: 'simulated' });
    await line;
    expect(heard).toEqual(['simulated']);
  });

  test('is not to be had where the bridge says why, or says something else', async () => {
    const first = asked();
    first.bridge.onclose({ reason: 'there is no port two here' });
    await expect(first.line).rejects.toEqual(new MissingGauge('there is no port two here'));
    const second = asked();
    second.bridge.onmessage({ data: 'hello' });
    expect(second.bridge.isClosed).toBe(true);
    second.bridge.onclose({ reason: '' });
    await expect(second.line).rejects.toThrow(MissingGauge);
    expect(second.heard).toEqual([]);
  });
});

test.each([
  ['localhost:8145', true, 'ws://localhost:8145/'],
  ['127.0.0.1:8145/ttyUSB0', true, 'ws://127.0.0.1:8145/ttyUSB0'],
  [' wss://pit.lan:8145 ', true, 'wss://pit.lan:8145/'],
  ['pit.lan:8145', false, 'ws://pit.lan:8145/'],
  ['pit.lan:8145', true, 'not_secure'],
  ['127.elsewhere.example:8145', true, 'not_secure'],
  ['', false, 'no_address'],
  ['  ', true, 'no_address'],
  ['a b', false, 'no_address'],
])('the bridge at “%s” from a secure page (%s): %s', (text, isSecure, wanted) => {
  const bridge = bridgeAddress(text, isSecure);
  expect(bridge.ok ? String(bridge.url) : bridge.code).toBe(wanted);
});
