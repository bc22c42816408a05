import { MissingGauge, type OpenSource } from './open-source';

/** What a bridge says first: its port is open, and whether a gauge hangs at its end. */
const OPEN = 'open';
const SIMULATED = 'simulated';

export type BridgeAddress =
  | { readonly ok: true; readonly url: URL }
  | { readonly ok: false; readonly code: 'no_address' | 'not_secure' };

/** Names of this device itself, which a secure page may reach in the open. */
const THIS_DEVICE = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])$/u;

/**
 * The address of a bridge as it was typed; `ws://` is added where nothing stands before it.
 *
 * @param isSecurePage whether the page came over TLS: then only `wss://`, or this device itself, can be reached
 */
export function bridgeAddress(text: string, isSecurePage: boolean): BridgeAddress {
  const typed = text.trim();
  const whole = /^wss?:\/\//iu.test(typed) ? typed : `ws://${typed}`;
  const url = typed === '' ? undefined : urlOf(whole);
  if (!url) return { ok: false, code: 'no_address' };
  const isReached = url.protocol === 'wss:' || !isSecurePage || THIS_DEVICE.test(url.hostname);
  return isReached ? { ok: true, url } : { ok: false, code: 'not_secure' };
}

function urlOf(text: string): URL | undefined {
  try {
    return new URL(text);
  } catch {
    return undefined;
  }
}

/** Opens a port of another machine, through the bridge that runs there. @throws MissingGauge with what the bridge says */
export const openBridge =
  (address: URL): OpenSource =>
  (baud, { onText, onGone, onSimulated }) =>
    new Promise((opened, refused) => {
      const asked = new URL(address);
      asked.searchParams.set('baud', String(baud));
      const socket = new WebSocket(asked);
      let isOpen = false;
      const line = {
        send: (text: string) => {
          socket.send(text);
          return Promise.resolve();
        },
        close: () => {
          isOpen = false;
          socket.close();
          return Promise.resolve();
        },
      };
      socket.onmessage = ({ data }) => {
        if (isOpen) return onText(String(data));
        if (data === SIMULATED) onSimulated();
        else if (data !== OPEN) return socket.close();
        isOpen = true;
        opened(line);
      };
      socket.onclose = ({ reason }) => {
        if (isOpen) onGone();
        isOpen = false;
        refused(new MissingGauge(reason));
      };
    });
