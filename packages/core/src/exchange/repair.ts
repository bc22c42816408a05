import { z } from 'zod';
import type { RepairAnswered } from '../run';
import type { ValveVisit } from '../sheet';

/** What can be changed in a repair, and how it is called. */
export const repairParts = {
  diaphragm: 'Diaphragm',
  seat: 'Seat',
  disc: 'Disc or plug',
  spring: 'Spring',
  stem: 'Stem',
  seals: 'Seals and packing',
  pilot: 'Pilot',
  strainer: 'Strainer',
  kit: 'Repair kit, whole',
  other: 'Something else',
} as const;
export type RepairPart = keyof typeof repairParts;
const partNames = Object.keys(repairParts) as [RepairPart, ...RepairPart[]];

/** A valve was stripped: what was found, what was changed, and when its parts are due again. */
export const repairSchema = z.object({
  id: z.string().min(1).max(64),
  valve_id: z.string().min(1).max(64),
  /** When it was done, ms since 1970. */
  at_ms: z.number().int().nonnegative(),
  by: z.string().trim().min(2).max(80),
  found: z.string().trim().min(3).max(2000),
  /** Parts that are new now; none where it was only cleaned. */
  parts: z.array(z.enum(partNames)).max(partNames.length),
  note: z.string().max(2000).optional(),
  /** Day by which the parts are to be changed again. */
  parts_due_on: z.iso.date().optional(),
});
export type Repair = z.infer<typeof repairSchema>;

/** Repairs of a valve, oldest first. */
export const repairsOf = (repairs: readonly Repair[], valveId: string): readonly Repair[] =>
  repairs.filter(({ valve_id: id }) => id === valveId).sort((a, b) => a.at_ms - b.at_ms);

type Visit = { readonly body: Pick<ValveVisit['body'], 'signed_at_ms' | 'rehearsal'> };

/**
 * The last repair that no record has come after: what was set and proved before it no longer counts.
 *
 * @param repairs  of one valve
 * @param visits   its records
 */
export function unprovedRepair(
  repairs: readonly Repair[],
  visits: readonly Visit[],
): Repair | undefined {
  const last = [...repairs].sort((a, b) => a.at_ms - b.at_ms).at(-1);
  const isProved = visits.some(
    ({ body }) => !body.rehearsal && last !== undefined && body.signed_at_ms > last.at_ms,
  );
  return isProved ? undefined : last;
}

/** What a run names of the repair that it answers. */
export const repairAnswered = ({ id, at_ms }: Repair): RepairAnswered => ({ id, at_ms });

/** The day by which parts of a valve are due again, by its latest repair that names one. */
export const partsDueOn = (repairs: readonly Repair[]): string | undefined =>
  [...repairs].sort((a, b) => a.at_ms - b.at_ms).findLast(({ parts_due_on: day }) => day)
    ?.parts_due_on;

/** In a line: "Diaphragm, seat changed" or what else was done. */
export function repairWords({ parts }: Pick<Repair, 'parts'>): string {
  const [first, ...others] = parts.map((part) => repairParts[part]);
  if (first === undefined) return 'Stripped and cleaned, nothing changed';
  return `${[first, ...others.map((name) => name.toLowerCase())].join(', ')} changed`;
}
