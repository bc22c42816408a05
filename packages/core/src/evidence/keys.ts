import { z } from 'zod';
import { keyNameOf, publicKeySchema, type PublicKey } from '../digest';

/** Checks a signature over a text (ASCII hex) with a public key: WebCrypto on the phone and on the server. */
export type CheckSignature = (key: PublicKey, text: string, signature: string) => Promise<boolean>;

/** WebCrypto: the same on the phone and on the server. */
export type Subtle = typeof globalThis.crypto.subtle;
type MadeKey = Awaited<ReturnType<Subtle['generateKey']>>;
/** The two parts of a device's key, as the browser holds them. */
export type DeviceKey = Extract<MadeKey, { readonly privateKey: unknown }>;

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
    sign: signWith(subtle, key),
  };
}

/** A new key of a device: its private part can be used here and never be taken away. */
export const makeDeviceKey = (subtle: Subtle): Promise<DeviceKey> =>
  subtle.generateKey(KIND, false, ['sign', 'verify']) as Promise<DeviceKey>;

/** A device's key as something that signs. */
export async function deviceSigner(
  subtle: Subtle,
  { publicKey, privateKey }: DeviceKey,
): Promise<Signer> {
  const known = publicKeySchema.parse(await subtle.exportKey('jwk', publicKey));
  return { name: keyNameOf(known), publicKey: known, sign: signWith(subtle, privateKey) };
}

const signWith =
  (subtle: Subtle, key: DeviceKey['privateKey']) =>
  async (text: string): Promise<string> =>
    toBase64Url(await subtle.sign(SIGNING, key, bytesOf(text)));

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
