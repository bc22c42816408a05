import type { RadioService } from '@holvek/core';
import { MissingGauge, type OpenSource } from './open-source';

/** What a browser offers of a radio (Web Bluetooth); its own types know nothing of it. */
type Characteristic = EventTarget & {
  readonly value: DataView | null;
  readonly startNotifications: () => Promise<unknown>;
  readonly writeValueWithoutResponse: (bytes: BufferSource) => Promise<void>;
};
type Service = { readonly getCharacteristic: (name: string) => Promise<Characteristic> };
type Gatt = {
  readonly connect: () => Promise<{
    readonly getPrimaryService: (name: string) => Promise<Service>;
  }>;
  readonly disconnect: () => void;
};
type Device = EventTarget & { readonly gatt: Gatt | undefined };
type Bluetooth = {
  readonly requestDevice: (asked: {
    readonly filters: readonly { readonly services: readonly string[] }[];
  }) => Promise<Device>;
};

const radioHere = (): Bluetooth | undefined =>
  (navigator as unknown as { readonly bluetooth?: Bluetooth }).bluetooth;

/** Whether gauges can be linked without a cable here at all. */
export const canLinkRadio = (): boolean => radioHere() !== undefined;

/** Bytes that every radio takes in one piece. */
const PIECE = 20;

/** Lets the person choose a gauge that offers the service of this house, and listens to it. A radio has no speed. */
export const openRadio =
  (radio: RadioService): OpenSource =>
  async (_, { onText, onGone }) => {
    const device = await chosen(radio.service);
    if (!device) return undefined;
    const { gatt } = device;
    if (!gatt) throw new MissingGauge('');
    let isOpen = false;
    device.addEventListener('gattserverdisconnected', () => {
      if (isOpen) onGone();
      isOpen = false;
    });
    const { hears, says } = await endsOf(gatt, radio);
    const letters = new TextDecoder();
    hears.addEventListener('characteristicvaluechanged', () => {
      if (isOpen && hears.value) onText(letters.decode(hears.value, { stream: true }));
    });
    isOpen = true;
    await hears.startNotifications();
    return {
      send: async (text) => {
        const bytes = new TextEncoder().encode(text);
        for (let from = 0; from < bytes.length; from += PIECE)
          await says?.writeValueWithoutResponse(bytes.slice(from, from + PIECE));
      },
      close: () => {
        isOpen = false;
        gatt.disconnect();
        return Promise.resolve();
      },
    };
  };

/** What tells and what takes, of a gauge that offers both; one that does not is let go of. @throws */
async function endsOf(gatt: Gatt, { service: name, hears, says }: RadioService) {
  try {
    const service = await (await gatt.connect()).getPrimaryService(name);
    return {
      hears: await service.getCharacteristic(hears),
      says: says === undefined ? undefined : await service.getCharacteristic(says),
    };
  } catch (error) {
    gatt.disconnect();
    throw error;
  }
}

/** The gauge that the person chose; undefined where none. */
async function chosen(service: string): Promise<Device | undefined> {
  try {
    return await radioHere()?.requestDevice({ filters: [{ services: [service] }] });
  } catch (error) {
    if ((error as { readonly name?: string }).name === 'NotFoundError') return undefined;
    throw error;
  }
}
