import { LONGEST_LINE } from '@holvek/core';
import {
  createServer as plainServer,
  type IncomingMessage,
  type Server,
  type ServerResponse,
} from 'node:http';
import { createServer as tlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { WebSocketServer, type WebSocket } from 'ws';
import { isLoopback } from '../http/tls';
import type { OpenPort, OpenedPort } from './port';

export type BridgeOptions = {
  /** Ports by the name under which a page asks for them; the first is the one that `/` means. */
  readonly ports: ReadonlyMap<string, OpenPort>;
  /** Where pages come from that may listen, besides those of this machine: `https://holvek.lan:8150`. */
  readonly origins: readonly string[];
  readonly host: string;
  readonly port: number;
  /** Own certificate and key, where other machines are to reach it. */
  readonly tls?: { readonly cert: string | Buffer; readonly key: string | Buffer };
};

export type Bridge = { readonly address: string; readonly close: () => Promise<void> };

/** Speeds that a port may be opened at. */
const SLOWEST = 300;
const FASTEST = 921_600;
/** ms after which a page that answers no more has gone: its port is free again. */
const ALIVE_MS = 10_000;
/** Letters that wait for a page that does not take them. */
const MOST_WAITING = 64 * 1024;
/** Close codes of RFC 6455: against the rules, unexpected condition, try again later. */
const closeCodes = { refused: 1008, gone: 1011, busy: 1013 } as const;

/**
 * Hands a serial port to pages that cannot open one themselves: what the port says is sent on as it comes, what
 * the page sends is written to it. One page listens to a port at a time. The first message says that the port is
 * open (`open`, or `simulated` where there is no gauge at its end); where it cannot be, the line closes with the reason in words.
 *
 * @throws where its own port is taken
 */
export async function startBridge(options: BridgeOptions): Promise<Bridge> {
  const { tls, host } = options;
  const server: Server = tls ? tlsServer(tls, asked) : plainServer(asked);
  const taken = new Set<string>();
  const sockets = new WebSocketServer({
    server,
    maxPayload: LONGEST_LINE,
    verifyClient: ({ origin }: { readonly origin: string }) => mayListen(origin, options.origins),
  });
  // What goes wrong with the server itself is told by `listening`.
  sockets.on('error', () => undefined);
  sockets.on('connection', (socket, request) => {
    void serve(socket, request, options.ports, taken);
  });
  await listening(server, options);
  const { port } = server.address() as AddressInfo;
  return {
    address: `${tls ? 'wss' : 'ws'}://${host.includes(':') ? `[${host}]` : host}:${port}`,
    close: async () => {
      for (const socket of sockets.clients) socket.terminate();
      await new Promise<void>((closed) => server.close(() => closed()));
    },
  };
}

const listening = (server: Server, { host, port }: BridgeOptions): Promise<void> =>
  new Promise((listens, fails) => {
    server.once('error', fails);
    server.listen(port, host, listens);
  });

/** Somebody opens it as a page: what it is. */
function asked(_: IncomingMessage, answer: ServerResponse): void {
  answer.writeHead(200, { 'content-type': 'text/plain; charset=utf-8' });
  answer.end('This is a bridge of Holvek: enter its address where a gauge is linked.\n');
}

/** Whether a page from there may listen: one of this machine, or one that was named. */
export function mayListen(origin: string | undefined, named: readonly string[]): boolean {
  if (origin === undefined || !URL.canParse(origin)) return false;
  return named.includes(origin) || isLoopback(new URL(origin).hostname.replace(/^\[|\]$/gu, ''));
}

type Wanted =
  | { readonly name: string; readonly baud: number; readonly open: OpenPort }
  | { readonly refusal: string };

/** Which port a page asks for, and at which speed. */
function wantedBy(path: string, ports: ReadonlyMap<string, OpenPort>): Wanted {
  const whole = `ws://bridge${path}`;
  if (!URL.canParse(whole)) return { refusal: 'that is no name of a port' };
  const { pathname, searchParams } = new URL(whole);
  const [first = ''] = ports.keys();
  const name = pathname === '/' ? first : pathname.slice(1);
  const open = ports.get(name);
  if (!open) return { refusal: `there is no port ${name.slice(0, 40)} here` };
  const baud = Number(searchParams.get('baud'));
  if (!Number.isInteger(baud) || baud < SLOWEST || baud > FASTEST)
    return { refusal: `a port has a speed of ${SLOWEST} to ${FASTEST} baud` };
  return { name, baud, open };
}

/** One page and its port, until either goes. */
async function serve(
  socket: WebSocket,
  { url = '/' }: IncomingMessage,
  ports: ReadonlyMap<string, OpenPort>,
  taken: Set<string>,
): Promise<void> {
  const wanted = wantedBy(url, ports);
  if ('refusal' in wanted) return socket.close(closeCodes.refused, wanted.refusal);
  const { name, baud } = wanted;
  if (taken.has(name)) return socket.close(closeCodes.busy, `another page listens to ${name}`);
  taken.add(name);
  try {
    const port = await wanted.open(baud, {
      onText: (text) => passOn(socket, text),
      onGone: () => socket.close(closeCodes.gone, `${name} has gone`),
    });
    await untilItGoes(socket, port);
  } catch (error) {
    socket.close(closeCodes.gone, inWords(name, error));
  } finally {
    taken.delete(name);
  }
}

/** A page that takes nothing more is let go of: nothing piles up here. */
function passOn(socket: WebSocket, text: string): void {
  if (socket.bufferedAmount > MOST_WAITING) socket.terminate();
  else socket.send(text);
}

/** Says that the port is open, writes what the page sends, and closes the port when the page has gone. */
function untilItGoes(socket: WebSocket, port: OpenedPort): Promise<void> {
  socket.send(port.isSimulated ? 'simulated' : 'open');
  let isAlive = true;
  socket.on('pong', () => {
    isAlive = true;
  });
  socket.on('message', (data: Buffer) => port.send(data.toString('utf8')));
  const timer = setInterval(() => {
    if (!isAlive) return socket.terminate();
    isAlive = false;
    socket.ping();
  }, ALIVE_MS);
  const gone = new Promise<void>((over) => {
    if (socket.readyState > socket.OPEN) over();
    socket.once('close', () => over());
  });
  // A frame that is too long closes the line by itself.
  socket.on('error', () => undefined);
  return gone.then(() => {
    clearInterval(timer);
    return port.close();
  });
}

/** Bytes that the reason of a close may have. */
const LONGEST_REASON = 123;

/** Why a port cannot be opened, as long as it fits. */
function inWords(name: string, error: unknown): string {
  const short = `${name.slice(0, 40)} cannot be opened`;
  const whole = `${short}: ${error instanceof Error ? error.message : 'nobody knows why'}`;
  return Buffer.byteLength(whole) > LONGEST_REASON ? short : whole;
}
