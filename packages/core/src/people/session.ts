import { z } from 'zod';
import { digestOf, keySignatureSchema } from '../digest';
import { personSchema, secretSchema, shortNameSchema } from './person';

/** The phone, tablet or desk that somebody signs in from, as it calls itself in its entries. */
const deviceSchema = z.object({
  device: z.string().min(1).max(64),
  /** So that one finds it again in a list. */
  called: z.string().max(80).default(''),
  /** The key that it signs with, and the proof that it has it; none where the browser gives none. */
  proof: keySignatureSchema.extend({ challenge: z.string().max(100) }).optional(),
});

/** What a device signs to prove its key when somebody signs in on it. 64 hex digits. */
export const proofDigest = (challenge: string, device: string): string =>
  digestOf({ challenge, device });

/** Saying who one is. A secret is only looked at where it is kept: any text may be tried. */
export const signInSchema = deviceSchema.extend({
  short: z.string().trim().toLowerCase().max(40),
  secret: z.string().min(1).max(200),
});
export type SignIn = z.input<typeof signInSchema>;

/** The first person of a house, its owner, by the code that the server has printed. */
export const firstOwnerSchema = deviceSchema.extend({
  code: z.string().trim().min(1).max(60),
  name: personSchema.shape.name,
  short: shortNameSchema,
  secret: secretSchema,
});
export type FirstOwner = z.input<typeof firstOwnerSchema>;

const port = z.number().int().min(1).max(65_535);

/** Who somebody is to this server, and what kind of house it is. */
export const sessionSchema = z.object({
  /** Nobody where nobody has signed in. */
  person: personSchema.optional(),
  /** Name of the key that he signed in with; none from a browser that gives none. */
  key: z.string().optional(),
  /** To be signed by the device that somebody signs in on; good once, for a few minutes. */
  challenge: z.string().optional(),
  /** Whether it has an owner yet. */
  has_owner: z.boolean(),
  /** In a demo, whom one may sign in as, and by which PIN. */
  demo: z.array(z.object({ person: personSchema, secret: z.string() })).optional(),
  /** A Larkhollow can be looked at beside it. */
  has_larkhollow: z.boolean().optional(),
  /** In a Larkhollow beside a house: the port of the house that one came from. */
  home_port: port.optional(),
});

/** Where a Larkhollow beside a house is: on the same machine, at another port. */
export const larkhollowSchema = z.object({ port });
export type Session = z.infer<typeof sessionSchema>;

/** Where somebody is signed in. */
export const placeOfSessionSchema = z.object({
  id: z.string(),
  person_id: z.string(),
  device: z.string(),
  called: z.string(),
  since_ms: z.number(),
  seen_ms: z.number(),
  /** The one that asks. */
  own: z.boolean(),
});
export type PlaceOfSession = z.infer<typeof placeOfSessionSchema>;

/** A new person with his first secret, or a change to one; a secret only where it is to be another. */
export const personChangeSchema = z.object({
  person: personSchema,
  secret: secretSchema.optional(),
});
export type PersonChange = z.infer<typeof personChangeSchema>;
