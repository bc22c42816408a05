import { z } from 'zod';

const entry = z.string().min(1).max(120).optional();

/** For whom work is done, and by whose leave; what is absent was not told. */
export const jobSchema = z.object({
  /** What it is called, such as “autumn visit”. */
  name: entry,
  order: entry,
  permit: entry,
  client: entry,
  /** Who is asked there: a name, a telephone. */
  contact: entry,
});
export type Job = z.infer<typeof jobSchema>;

/** What is asked of a job, in the order in which it is read. */
export const jobFields = ['name', 'order', 'permit', 'client', 'contact'] as const;
export const jobWords: Readonly<Record<keyof Job, string>> = {
  name: 'Job',
  order: 'Order number',
  permit: 'Permit number',
  client: 'Client',
  contact: 'Contact there',
};

/** A job of what was typed: trimmed, without what is empty; undefined where nothing was told. */
export function jobOf(texts: Readonly<Partial<Record<keyof Job, string>>>): Job | undefined {
  const told = jobFields.flatMap((field) => {
    const text = texts[field]?.trim() ?? '';
    return text === '' ? [] : [[field, text] as const];
  });
  return told.length === 0 ? undefined : Object.fromEntries(told);
}

/** A job in one line. */
export const jobLine = (job: Job): string =>
  jobFields
    .flatMap((field) => {
      const text = job[field];
      if (text === undefined) return [];
      return field === 'order' || field === 'permit' ? `${field} ${text}` : text;
    })
    .join(' · ');
