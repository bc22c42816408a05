import type { RadioService } from '@holvek/core';
import { canLinkRadio, openRadio } from './bluetooth';
import { bridgeAddress, openBridge } from './bridge';
import type { Reach } from './kept-format';
import { MissingGauge, type OpenSource } from './open-source';
import { canLinkSerial, openSerial } from './serial';

/** What opens the line, or why nothing can here: in words, or nothing yet where an address is still to come. */
export type Reached = { readonly open: OpenSource } | { readonly why: string | undefined };

const NOT_SECURE = ', or the page is not reached over a secure connection.';

/**
 * How a gauge is reached from here.
 *
 * @param radio         what the owner has set for gauges without a cable
 * @param isSecurePage  whether the page came over TLS
 */
export function reached(
  { by, address }: Reach,
  radio: RadioService | undefined,
  isSecurePage: boolean,
): Reached {
  switch (by) {
    case 'cable':
      return canLinkSerial()
        ? { open: openSerial }
        : {
            why: `This browser opens no serial port${NOT_SECURE} Take a bridge, or read the gauge by eye.`,
          };
    case 'radio':
      if (!canLinkRadio())
        return {
          why: `This browser links no gauge by Bluetooth${NOT_SECURE} Read the gauge by eye.`,
        };
      return radio
        ? { open: openRadio(radio) }
        : { why: 'The owner has set no service for gauges without a cable: under Settings.' };
    case 'bridge':
      return throughBridge(address, isSecurePage);
  }
}

function throughBridge(address: string, isSecurePage: boolean): Reached {
  const bridge = bridgeAddress(address, isSecurePage);
  if (bridge.ok) return { open: openBridge(bridge.url) };
  if (address.trim() === '') return { why: undefined };
  return {
    why:
      bridge.code === 'not_secure'
        ? 'From a secure page only a bridge with wss://, or one on this device, can be reached.'
        : 'That is no address of a bridge: localhost:8145, or wss://name:8145.',
  };
}

/** Why a line could not be opened, in words. */
export function refusedWords(by: Reach['by'], error: unknown): string {
  if (error instanceof MissingGauge && error.says !== '') return `The bridge says: ${error.says}.`;
  switch (by) {
    case 'cable':
      return 'The port could not be opened: is another program using it?';
    case 'radio':
      return 'It could not be linked: is it switched on, near, and not held by another phone?';
    case 'bridge':
      return 'No bridge answers there: does it run, and is this page named to it (--for)?';
  }
}
