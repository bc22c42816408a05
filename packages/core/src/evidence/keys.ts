import { z } from 'zod';
import { keyNameOf, publicKeySchema, type PublicKey } from './log';
import type { CheckSignature } from './verify';

/** WebCrypto: the same on the phone and on the server. */
export type Subtle = typeof globalThis.crypto.subtle;

const privateKeySchema = publicKeySchema.extend({ d: z.string().min(1) });
/** A key with its private part (JWK). */
export type PrivateKey = z.infer<typeof privateKeySchema>;

const KIND = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGNING = { name: 'ECDSA', hash: 'SHA-256' } as const;

/** A key that signs, by its name. */
export type Signer = {
  readonly name: string;
  readonly publicKey: PublicKey;
  /** Signature over a text, raw, base64url. */
  readonly sign: (text: string) => Promise<string>;
};

/** A new key as JWK, its private part in it: to be kept where nobody else reads. */
export async function makeKey(subtle: Subtle): Promise<PrivateKey> {
  const pair = await subtle.generateKey(KIND, true, ['sign', 'verify']);
  return privateKeySchema.parse(await subtle.exportKey('jwk', pair.privateKey));
}

/**
 * The key as something that signs.
 *
 * @throws where it is no private key over P-256
 */
export async function signerOf(subtle: Subtle, jwk: unknown): Promise<Signer> {
  const { d, ...publicKey } = privateKeySchema.parse(jwk);
  const key = await subtle.importKey('jwk', { ...publicKey, d }, KIND, false, ['sign']);
  return {
    name: keyNameOf(publicKey),
    publicKey,
    sign: async (text) => toBase64Url(await subtle.sign(SIGNING, key, bytesOf(text))),
  };
}

/** Checks signatures with WebCrypto; a key that is none, or a signature cut short, does not hold. */
export const checkWith =
  (subtle: Subtle): CheckSignature =>
  async (key, text, signature) => {
    try {
      const imported = await subtle.importKey('jwk', key, KIND, false, ['verify']);
      return await subtle.verify(SIGNING, imported, fromBase64Url(signature), bytesOf(text));
    } catch {
      return false;
    }
  };

const bytesOf = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(text, (letter) => letter.charCodeAt(0));

const toBase64Url = (bytes: ArrayBuffer): string =>
  btoa(String.fromCharCode(...new Uint8Array(bytes)))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/u, '');

const fromBase64Url = (text: string): Uint8Array<ArrayBuffer> =>
  bytesOf(atob(text.replaceAll('-', '+').replaceAll('_', '/')));
