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

/** Calls that wait for their answer, by number; one that stays out is given up after its patience. */
function openCalls(patienceMs: number) {
  const waiting = new Map<number, (t: number | undefined) => void>();
  let count = 0;
  const answer = (id: number, t: number | undefined) => {
    waiting.get(id)?.(t);
    waiting.delete(id);
  };
  return {
    answer,
    make: (send: (id: number) => void): Promise<number | undefined> => {
      count += 1;
      const id = count;
      return new Promise((resolve) => {
        waiting.set(id, resolve);
        send(id);
        setTimeout(() => answer(id, undefined), patienceMs);
      });
    },
    giveUp: () => {
      for (const id of [...waiting.keys()]) answer(id, undefined);
    },
  };
}

/** Lines of the unit's own protocol: answered in the order they were asked. */
function openAsked(patienceMs: number) {
  const asked: ((line: string | undefined) => void)[] = [];
  return {
    answer: (line: string) => asked.shift()?.(line),
    make: (send: () => void): Promise<string | undefined> =>
      new Promise((resolve) => {
        let isAnswered = false;
        asked.push((text) => {
          isAnswered = true;
          resolve(text);
        });
        send();
        setTimeout(() => {
          if (!isAnswered) resolve(undefined);
        }, patienceMs);
      }),
    giveUp: () => {
      for (const give of asked.splice(0)) give(undefined);
    },
  };
}

/** The line itself: opened again when it drops, and told the run as it stands. */
function openWire(
  { onLine, open = toServer, retryMs = 2000, patienceMs = 6000 }: Omit<DeviceLinkOptions, 'events'>,
  { greet, hear }: { readonly greet: () => void; readonly hear: (data: string) => void },
) {
  const calls = openCalls(patienceMs);
  const asked = openAsked(patienceMs);
  let wire: Wire;
  let isClosed = false;
  let ready: Promise<unknown> = Promise.resolve();

  const heard = (data: unknown) => {
    if (typeof data !== 'string') return;
    if (data.startsWith('{')) hear(data);
    else asked.answer(data);
  };
  const dropped = () => {
    asked.giveUp();
    calls.giveUp();
    if (isClosed) return;
    onLine?.(false);
    setTimeout(() => isClosed || connect(), retryMs);
  };
  const connect = () => {
    wire = open();
    ready = new Promise<void>((resolve) => {
      wire.onopen = () => {
        onLine?.(true);
        greet();
        resolve();
      };
      wire.onclose = () => {
        dropped();
        resolve();
      };
    });
    wire.onmessage = ({ data }) => heard(data);
  };
  return {
    connect,
    answer: calls.answer,
    call: (draft: Unstamped): Promise<number | undefined> =>
      wire.readyState === OPEN
        ? calls.make((id) => wire.send(JSON.stringify({ ...draft, id })))
        : Promise.resolve(undefined),
    ask: async (line: string): Promise<string | undefined> => {
      await ready;
      return wire.readyState === OPEN ? asked.make(() => wire.send(line)) : undefined;
    },
    ready: () => ready,
    close: () => {
      isClosed = true;
      wire.close();
    },
  };
}

/**
 * An electronic pilot over its line: registers by their own protocol, gauges through the same door as
 * any other. A line that drops is opened again, and told the run as it stands.
 */
export function openDeviceLink({ events, ...options }: DeviceLinkOptions): TwinLink {
  const { subscribe, tell } = linkListeners();
  let speed = 1;
  const line = openWire(options, {
    greet: () => {
      void line.call({ run: [...events()] });
      if (speed !== 1) void line.call({ hurry: speed });
    },
    hear: (data) => {
      const word = standInWordSchema.safeParse(parsed(data));
      if (!word.success) return;
      if ('lines' in word.data) tell(word.data);
      else if (word.data.id !== null)
        line.answer(word.data.id, 't' in word.data ? word.data.t : undefined);
    },
  });
  line.connect();

  const afterReady = async (draft: Unstamped): Promise<number> => {
    await line.ready();
    return (await line.call(draft)) ?? 0;
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
    ask: line.ask,
    close: line.close,
  };
}
