import { upgradeWebSocket } from '@hono/node-server';
import { StandIn } from './stand-in';

const TICK_MS = 500;

/** A stand-in for each connection, alive as long as somebody listens. */
export const deviceSocket = () =>
  upgradeWebSocket(() => {
    let timer: ReturnType<typeof setInterval> | undefined;
    let device: StandIn | undefined;
    const end = () => {
      clearInterval(timer);
      device = undefined;
    };
    return {
      onOpen: (_, socket) => {
        device = new StandIn((text) => socket.send(text));
        let last = performance.now();
        timer = setInterval(() => {
          const now = performance.now();
          device?.tick((now - last) / 1000);
          last = now;
        }, TICK_MS);
      },
      onMessage: ({ data }) => {
        if (typeof data === 'string') device?.hear(data);
      },
      onClose: end,
      onError: end,
    };
  });
