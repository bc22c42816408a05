import { z } from 'zod';

const id = z.string().min(1).max(64);
const day = z.iso.date();
const why = z.string().trim().min(1).max(200);
const minutes = z.number().int().min(0).max(1440);
const valves = z.array(id).min(1).max(400);

/** Something that a plan never breaks, with the owner's words for it. */
export const seasonRuleSchema = z.discriminatedUnion('kind', [
  /** Only on these days: guns off, lift closed, boiler shut. */
  z.object({ kind: z.literal('only_between'), id, why, valve_ids: valves, from: day, to: day }),
  /** Not on these days. */
  z.object({ kind: z.literal('not_between'), id, why, valve_ids: valves, from: day, to: day }),
  /** One visit, by one person, in this order: one isolation serves them all. */
  z.object({ kind: z.literal('together'), id, why, valve_ids: valves }),
  /** The first is set before the second, the same day or earlier. */
  z.object({ kind: z.literal('before'), id, why, first: id, then: id }),
]);
export type SeasonRule = z.infer<typeof seasonRuleSchema>;

export const crewMemberSchema = z.object({
  person_id: id,
  /** Minutes of work, Monday to Sunday. */
  week: z.array(minutes).length(7),
  /** Minutes after midnight at which a day begins; `USUAL_START` where nobody has said. */
  starts: minutes.optional(),
  /** Days on which this hand is not here. */
  away: z.array(z.object({ from: day, to: day })).max(60),
});
export type CrewMember = z.infer<typeof crewMemberSchema>;

/** One visit of a plan; its place in the list is its place in the day. */
export const plannedSchema = z.object({
  valve_id: id,
  day,
  person_id: id,
  /** Held where it is when the season is planned anew. */
  locked: z.boolean().optional(),
});
export type Planned = z.infer<typeof plannedSchema>;

/** A season: whose days there are, what binds them, and who goes where. */
export const seasonSchema = z.object({
  id,
  name: z.string().trim().min(1).max(120),
  site_id: id,
  /** Its first day, a Monday. */
  from: day,
  weeks: z.number().int().min(1).max(52),
  crew: z.array(crewMemberSchema).max(20),
  /** Days on which nobody works. */
  closed: z.array(z.object({ from: day, to: day, why })).max(60),
  rules: z.array(seasonRuleSchema).max(400),
  /** Minutes of every visit beyond its run: being let in, telling who must know, tidying up. */
  around: minutes,
  travel: z.object({
    /** Minutes from one area to another where the table says nothing, and from where the day begins. */
    usual: minutes,
    table: z
      .array(z.object({ from: z.string().max(120), to: z.string().max(120), minutes }))
      .max(2000),
  }),
  plan: z.array(plannedSchema).max(20_000),
});
export type Season = z.infer<typeof seasonSchema>;

const DAY_MS = 86_400_000;

/** The day so many days after another, by the calendar: clocks that change do not matter. */
export const dayAfter = (from: string, days: number): string =>
  new Date(Date.parse(from) + days * DAY_MS).toISOString().slice(0, 10);

/** Whole days from one to another; negative when it is before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** 0 Monday … 6 Sunday. */
export const weekdayOf = (iso: string): number => (new Date(iso).getUTCDay() + 6) % 7;

export const isWithin = (
  iso: string,
  { from, to }: { readonly from: string; readonly to: string },
): boolean => iso >= from && iso <= to;

/** The owner's rules that speak of a valve. */
export const rulesFor = (rules: readonly SeasonRule[], valveId: string): readonly SeasonRule[] =>
  rules.filter((rule) =>
    rule.kind === 'before'
      ? rule.first === valveId || rule.then === valveId
      : rule.valve_ids.includes(valveId),
  );

type DayRule = Extract<SeasonRule, { kind: 'only_between' | 'not_between' }>;

/** The owner's rules about days that speak of any of these valves. */
export const dayRulesFor = (
  { rules }: Pick<Season, 'rules'>,
  valves: readonly string[],
): readonly DayRule[] =>
  rules.flatMap((rule) =>
    (rule.kind === 'only_between' || rule.kind === 'not_between') &&
    rule.valve_ids.some((id) => valves.includes(id))
      ? [rule]
      : [],
  );

export const allowsDay = (rule: DayRule, day: string): boolean =>
  isWithin(day, rule) === (rule.kind === 'only_between');

/** The area of a place: "Terrace, chamber 1" lies in "Terrace". */
export const areaOf = (place: string): string => place.split(',')[0]?.trim() ?? '';
