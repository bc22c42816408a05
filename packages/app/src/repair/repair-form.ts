import { repairSchema, type Repair } from '@holvek/core';
import { parseISO } from 'date-fns/parseISO';
import { set } from 'date-fns/set';
import { z } from 'zod';
import { localDay } from '@/ui/local-day';

const day = (what: string) => z.iso.date(`${what} such as 2026-11-24`);

/**
 * What is written on the form of a repair.
 *
 * @param now  ms since 1970: nothing was done after it
 */
export const repairFormSchema = (now: number) =>
  z
    .object({
      by: z.string().trim().min(2, 'Who has done it?').max(80),
      done_on: day('A day'),
      found: z.string().trim().min(3, 'Say what was found').max(2000),
      parts: repairSchema.shape.parts,
      note: z.string().trim().max(2000),
      parts_due_on: z.union([z.literal(''), day('A day')]),
    })
    .refine(({ done_on: done }) => done <= localDay(now), {
      path: ['done_on'],
      message: 'That day is still to come',
    })
    .refine(({ done_on: done, parts_due_on: due }) => due === '' || due > done, {
      path: ['parts_due_on'],
      message: 'Parts are due after the repair, not before it',
    });
export type RepairTexts = z.infer<ReturnType<typeof repairFormSchema>>;

export const emptyRepair = (now: number, by: string): RepairTexts => ({
  by,
  done_on: localDay(now),
  found: '',
  parts: [],
  note: '',
  parts_due_on: '',
});

type Made = { readonly id: string; readonly valveId: string; readonly now: number };

/**
 * A repair as it was written. One of today was done now, so that what is set afterwards comes after it; one
 * of another day counts from its noon.
 */
export function toRepair(
  { by, done_on: doneOn, found, parts, note, parts_due_on: due }: RepairTexts,
  { id, valveId, now }: Made,
): Repair {
  const noon = set(parseISO(doneOn), { hours: 12 }).getTime();
  return {
    id,
    valve_id: valveId,
    at_ms: doneOn === localDay(now) ? now : noon,
    by,
    found,
    parts,
    ...(note === '' ? {} : { note }),
    ...(due === '' ? {} : { parts_due_on: due }),
  };
}
