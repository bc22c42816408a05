import { digestOfBytes } from '@holvek/core';
import type { DeviceDb } from './device-db';

/** The phone has no room for another picture. */
export class NoRoom extends Error {}

type Send = (name: string, bytes: ArrayBuffer) => Promise<unknown>;

/**
 * Pictures that the server has not taken yet, each under the digest of its file. They wait on the phone
 * with the document that names them; a browser that keeps nothing holds them for as long as its page lives.
 */
export class PictureShelf {
  private readonly here = new Map<string, ArrayBuffer>();

  constructor(
    private readonly db: Promise<DeviceDb | undefined>,
    private readonly put: Send,
  ) {}

  /**
   * @returns its name
   * @throws NoRoom where the phone is full: then nothing of it is kept
   */
  async hold(bytes: ArrayBuffer): Promise<string> {
    const name = digestOfBytes(new Uint8Array(bytes));
    try {
      await (await this.db)?.put('pictures', { name, bytes });
    } catch (cause) {
      throw new NoRoom('the phone is full', { cause });
    }
    this.here.set(name, bytes);
    return name;
  }

  /** What is held under this name, if anything. */
  async held(name: string): Promise<ArrayBuffer | undefined> {
    return this.here.get(name) ?? (await (await this.db)?.get('pictures', name))?.bytes;
  }

  /** Gives it to the server, where it is held here: what it has already it is given again, and keeps once. */
  async send(name: string): Promise<void> {
    const bytes = await this.held(name);
    if (bytes) await this.put(name, bytes);
  }

  /** The server has it, and what is said of it. */
  async letGo(name: string): Promise<void> {
    this.here.delete(name);
    await (await this.db)?.delete('pictures', name);
  }
}
