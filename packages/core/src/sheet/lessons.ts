import { z } from 'zod';
import type { FleetKind, Lesson } from '../coach';
import { springName } from '../step';
import { adjusterPlate, fittedSpring } from '../valve';
import type { Sheet } from './sheet';
import { standingRecords } from './visit';

/** Visits that are counted of each valve: a spring that has aged says less of another. */
const MOST_TAUGHT = 3;
/** No rate is known better than this from turns and readings. */
const LEAST_SD = 0.03;
/** Where a sheet does not say how sure its rate is. */
const USUAL_SD = 0.1;

export const lessonSchema = z.object({
  family: z.string().max(40),
  adjuster: z.string().max(40),
  spring: z.string().max(200),
  size_dn: z.number(),
  log_ratio: z.number(),
  sd: z.number().positive(),
}) satisfies z.ZodType<Lesson>;

/**
 * What a valve's records have to teach others of its kind: one lesson for each adjuster, of the spring
 * that was in last. Practice teaches nothing.
 *
 * @param sheets  of one valve, in any order
 */
export function lessonsOf(sheets: readonly Sheet[]): readonly Lesson[] {
  const records = standingRecords(sheets);
  const adjusters = new Set(
    records.flatMap(({ body }) => body.settings.map(({ adjuster }) => adjuster)),
  );
  return [...adjusters].flatMap((adjuster) => {
    const all = records.flatMap((sheet) => lessonOf(sheet, adjuster));
    const last = all.at(-1);
    if (!last) return [];
    const same = all.filter(({ spring }) => spring === last.spring).slice(-MOST_TAUGHT);
    const mean = same.reduce((sum, { log_ratio }) => sum + log_ratio, 0) / same.length;
    return [{ ...last, log_ratio: mean }];
  });
}

/** What one record says of one adjuster, where it was turned enough to tell. */
function lessonOf({ body }: Sheet, adjuster: string): readonly Lesson[] {
  const setting = body.settings.find((each) => each.adjuster === adjuster);
  if (!setting || setting.rate_pa_per_turn === null || setting.clockwise === 'unknown') return [];
  const plate = adjusterPlate(body.plate, adjuster);
  const rate = Math.abs(setting.rate_pa_per_turn);
  if (rate === 0) return [];
  const sd = setting.rate_sd_pa_per_turn ?? USUAL_SD * rate;
  return [
    {
      family: body.plate.family,
      adjuster,
      spring: springName(plate),
      size_dn: body.plate.size_dn,
      log_ratio: Math.log(rate / (fittedSpring(plate)?.rate_pa_per_turn ?? 1)),
      sd: Math.max(LEAST_SD, sd / rate),
    },
  ];
}

/** A kind of valve and what is expected of the next one, as it is sent. */
export const fleetKindSchema = z.object({
  ...lessonSchema.omit({ log_ratio: true, size_dn: true }).shape,
  size_dn: z.number().nullable(),
  valves: z.number().int().positive(),
  mean: z.number(),
}) satisfies z.ZodType<FleetKind>;
