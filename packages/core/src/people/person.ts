import { z } from 'zod';

/** What a person is to the house, from the one who may least to the one who may all. */
export const roles = ['viewer', 'technician', 'supervisor', 'owner'] as const;
export type Role = (typeof roles)[number];

/** Licences that local law may ask of a hand, and how they are called. */
export const licenceKinds = {
  gas: 'Gas fitting',
  burner: 'Burner service',
  electrical: 'Electrical work',
  refrigerant: 'Refrigerants',
  pressure_safety: 'Safety valves',
} as const;
export type LicenceKind = keyof typeof licenceKinds;
const kinds = Object.keys(licenceKinds) as [LicenceKind, ...LicenceKind[]];
export const licenceKindSchema = z.enum(kinds);

export const licenceSchema = z.object({
  kind: licenceKindSchema,
  number: z.string().trim().min(1).max(60),
  /** Last day on which it holds. */
  valid_until: z.iso.date(),
});
export type Licence = z.infer<typeof licenceSchema>;

/** What one types to say who one is: short, without capitals, the same on every keyboard. */
export const shortNameSchema = z
  .string()
  .regex(/^[a-z][a-z0-9]{1,11}$/u, '2 to 12 small letters or figures, a letter first');

/** Someone of the house. His secret is kept elsewhere and never leaves the server. */
export const personSchema = z.object({
  id: z.string().min(1).max(64),
  /** As it stands on entries and sheets; no two of a house are called the same. */
  name: z
    .string()
    .trim()
    .min(2)
    .max(80)
    .regex(/^\P{Cc}+$/u),
  short: shortNameSchema,
  role: z.enum(roles),
  licences: z.array(licenceSchema).max(20).default([]),
  /** Has left: signs in no more; what he signed stays his. */
  left_on: z.iso.date().optional(),
});
export type Person = z.infer<typeof personSchema>;

/** A PIN of six figures or more, or a password. */
export const secretSchema = z
  .string()
  .min(6)
  .max(200)
  .refine((text) => !/^(.)\1*$/u.test(text), 'one sign again and again')
  .refine((text) => !'01234567890'.includes(text), 'figures in their order');
