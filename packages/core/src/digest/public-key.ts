import { z } from 'zod';
import { digestOf } from './canonical';

export const base64urlSchema = z
  .string()
  .max(2000)
  .regex(/^[\w-]+$/u);

/** A public key, as any library reads it: ECDSA over P-256 (JWK, RFC 7517). */
export const publicKeySchema = z.object({
  kty: z.literal('EC'),
  crv: z.literal('P-256'),
  x: base64urlSchema,
  y: base64urlSchema,
});
export type PublicKey = z.infer<typeof publicKeySchema>;

/** Name of a key: its thumbprint (RFC 7638), 64 hex digits. */
export const keyNameOf = ({ crv, kty, x, y }: PublicKey): string => digestOf({ crv, kty, x, y });

/** A signature over a digest, raw, with the key that it was made by. */
export const keySignatureSchema = z.object({ key: publicKeySchema, signature: base64urlSchema });
export type KeySignature = z.infer<typeof keySignatureSchema>;
