import { standInWordSchema, type RunEvent, type StandInCall } from '@holvek/core';
import { linkListeners } from '@/gauge-link/listeners';
import type { TwinLink } from '@/twin/twin-link';

type Wire = Pick<WebSocket, 'send' | 'close' | 'readyState'> & {
  onopen: (() => void) | null;
  onclose: (() => void) | null;
  onmessage: ((message: { data: unknown }) => void) | null;
};
export type DeviceLinkOptions = {
  /** The events of the run as they stand when the line is (again) open. */
  readonly events: () => readonly RunEvent[];
  /** Told when the line is up, and when it has dropped. */
  readonly onLine?: (isUp: boolean) => void;
  readonly open?: () => Wire;
  /** ms between two tries to reach it. */
  readonly retryMs?: number;
  readonly patienceMs?: number;
};

const OPEN = 1;
type Unstamped = StandInCall extends infer C ? (C extends unknown ? Omit<C, 'id'> : never) : never;

const toServer = (): Wire =>
  new WebSocket(
    `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/device`,
  ) as Wire;

/** What a line of JSON holds; undefined where it is cut off or garbled. */
function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

/**
 * An electronic pilot over its line: registers by their own protocol, gauges through the same door as
 * any other. A line that drops is opened again, and told the run as it stands.
 */
export function openDeviceLink({
  events,
  onLine,
  open = toServer,
  retryMs = 2000,
  patienceMs = 6000,
}: DeviceLinkOptions): TwinLink {
  const { subscribe, tell } = linkListeners();
  const waiting = new Map<number, (t: number | undefined) => void>();
  const asked: ((line: string | undefined) => void)[] = [];
  let count = 0;
  let speed = 1;
  let wire: Wire;
  let isClosed = false;
  let ready: Promise<unknown> = Promise.resolve();

  const call = (draft: Unstamped): Promise<number | undefined> => {
    if (wire.readyState !== OPEN) return Promise.resolve(undefined);
    count += 1;
    const id = count;
    return new Promise((resolve) => {
      waiting.set(id, resolve);
      wire.send(JSON.stringify({ ...draft, id }));
      setTimeout(() => answer(id, undefined), patienceMs);
    });
  };
  const answer = (id: number, t: number | undefined) => {
    waiting.get(id)?.(t);
    waiting.delete(id);
  };
  const hear = (data: unknown) => {
    if (typeof data !== 'string') return;
    if (!data.startsWith('{')) return asked.shift()?.(data);
    const word = standInWordSchema.safeParse(parsed(data));
    if (!word.success) return;
    if ('lines' in word.data) tell(word.data);
    else if (word.data.id !== null)
      answer(word.data.id, 't' in word.data ? word.data.t : undefined);
  };
  const connect = () => {
    wire = open();
    ready = new Promise<void>((resolve) => {
      wire.onopen = () => {
        onLine?.(true);
        void call({ run: [...events()] });
        if (speed !== 1) void call({ hurry: speed });
        resolve();
      };
      wire.onclose = () => {
        for (const give of asked.splice(0)) give(undefined);
        for (const id of [...waiting.keys()]) answer(id, undefined);
        if (!isClosed) {
          onLine?.(false);
          setTimeout(() => isClosed || connect(), retryMs);
        }
        resolve();
      };
    });
    wire.onmessage = ({ data }) => hear(data);
  };
  connect();

  const afterReady = async (draft: Unstamped): Promise<number> => {
    await ready;
    return (await call(draft)) ?? 0;
  };
  return {
    kind: 'twin',
    subscribe,
    act: (does) => afterReady({ act: { ...does } }),
    // It has no screws: a turn is only lived through.
    turn: () => afterReady({ act: {} }),
    replace: (run) => afterReady({ run: [...run] }),
    hurry: (factor) => {
      speed = factor;
      void afterReady({ hurry: factor });
    },
    ask: async (line) => {
      await ready;
      if (wire.readyState !== OPEN) return undefined;
      return new Promise((resolve) => {
        let isAnswered = false;
        const give = (text: string | undefined) => {
          isAnswered = true;
          resolve(text);
        };
        asked.push(give);
        wire.send(line);
        setTimeout(() => {
          if (!isAnswered) resolve(undefined);
        }, patienceMs);
      });
    },
    close: () => {
      isClosed = true;
      wire.close();
    },
  };
}
