import { contactSchema, isTimeZone, type Site } from '@holvek/core';
import { z } from 'zod';
import { plainNumber } from '@/ui/plain-number';

const LOWEST_M = -430;
const HIGHEST_M = 11_000;

/** A number, or nothing where it is as the place above says. */
const perhaps = (say: string, low: number, high: number) =>
  z.string().refine((text) => {
    const value = plainNumber(text);
    return text.trim() === '' || (value >= low && value <= high);
  }, say);

/** Why a place is closed has at least so many letters. */
const LEAST_WHY = 3;

export const placeFormSchema = z
  .object({
    name: z.string().trim().min(1, 'What is it called?').max(120),
    /** The id of the place above; nothing for a site. */
    under: z.string(),
    altitude: perhaps('Metres above the sea, such as 420', LOWEST_M, HIGHEST_M),
    zone: z
      .string()
      .trim()
      .max(60)
      .refine((text) => text === '' || isTimeZone(text), 'Such as Europe/Zurich or America/Denver'),
    currency: z.string().trim().max(8, 'Eight letters at most'),
    price: perhaps('A price, such as 0.21', 0, 1000),
    contacts: z.array(
      contactSchema.extend({ name: z.string().trim().min(1, 'Who is it?').max(120) }),
    ),
    permit: z.string().trim().max(2000),
    isClosed: z.boolean(),
    why: z.string().trim().max(400),
  })
  .refine(({ under, altitude }) => under !== '' || altitude.trim() !== '', {
    path: ['altitude'],
    message: 'A site says how high it lies, such as 420',
  })
  .refine(({ isClosed, why }) => !isClosed || why.length >= LEAST_WHY, {
    path: ['why'],
    message: 'Why is it no longer used?',
  });
export type PlaceTexts = z.infer<typeof placeFormSchema>;

const figure = (value: number | undefined): string => (value === undefined ? '' : String(value));

const blank: PlaceTexts = {
  name: '',
  under: '',
  altitude: '',
  zone: '',
  currency: '',
  price: '',
  contacts: [],
  permit: '',
  isClosed: false,
  why: '',
};

/** A place as it would be typed; a new one with the clock of this phone. */
export const placeTexts = (place: Site | undefined, phoneZone: string): PlaceTexts =>
  place ? textsOf(place) : { ...blank, zone: phoneZone };

const textsOf = ({ closed, ...place }: Site): PlaceTexts => ({
  name: place.name,
  under: place.under ?? '',
  altitude: figure(place.altitude_m),
  zone: place.time_zone ?? '',
  currency: place.currency ?? '',
  price: figure(place.price_per_kwh),
  contacts: place.contacts ?? [],
  permit: place.permit ?? '',
  isClosed: closed !== undefined,
  why: closed?.why ?? '',
});

/** The place that the texts say; what is left open is not there. */
export function placeOf(texts: PlaceTexts, known: Site | undefined, now: Fresh): Site {
  const number = (text: string) => (text.trim() === '' ? undefined : plainNumber(text));
  const all = {
    id: known?.id ?? now.id,
    name: texts.name,
    under: texts.under || undefined,
    altitude_m: number(texts.altitude),
    time_zone: texts.zone || undefined,
    currency: texts.currency || undefined,
    price_per_kwh: number(texts.price),
    contacts: texts.contacts.length > 0 ? texts.contacts : undefined,
    permit: texts.permit || undefined,
    closed: texts.isClosed ? { why: texts.why, on: known?.closed?.on ?? now.day } : undefined,
  };
  return Object.fromEntries(
    Object.entries(all).filter(([, value]) => value !== undefined),
  ) as unknown as Site;
}
type Fresh = { readonly id: string; readonly day: string };
