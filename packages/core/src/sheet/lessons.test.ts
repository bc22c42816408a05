import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { digestOf } from '../digest';
import { unwrap } from '../result';
import { reduceRun, type RunEvent } from '../run';
import { springName } from '../step';
import { freezeSheet } from './freeze';
import { lessonSchema, lessonsOf } from './lessons';
import type { Sheet } from './sheet';

type Stored = { readonly name: string; readonly events: RunEvent[] };
const stored = JSON.parse(
  readFileSync(join(__dirname, '../testing/stored-runs.json'), 'utf8'),
) as readonly Stored[];
const { events } = stored.find(({ name }) => name.startsWith('reducing')) ?? stored[0]!;
const body = { ...unwrap(freezeSheet(unwrap(reduceRun(events)), null)), rehearsal: false };
const [setting] = body.settings;
const chart = body.plate.springs.find(({ colour }) => colour === body.plate.fitted_spring)!;

/** A record whose screw gave so many times its chart's rate. */
const gave = (
  times: number,
  signed_at_ms: number,
  over: Partial<Sheet['body']> = {},
  sd: number | null = 0,
): Sheet => ({
  id: `s${signed_at_ms}`,
  hash: digestOf(`s${signed_at_ms}`),
  body: {
    ...body,
    signed_at_ms,
    settings: [
      {
        ...setting!,
        clockwise: 'raises',
        rate_pa_per_turn: times * chart.rate_pa_per_turn,
        rate_sd_pa_per_turn: sd,
      },
    ],
    ...over,
  },
});

describe('what a record teaches others of its kind', () => {
  test('how far its screw is off its chart, by spring and size', () => {
    const [lesson] = lessonsOf([gave(2, 1)]);
    expect(lesson).toEqual({
      family: 'reducing',
      adjuster: 'main',
      spring: springName(body.plate),
      size_dn: body.plate.size_dn,
      log_ratio: Math.log(2),
      sd: 0.03,
    });
    expect(lessonSchema.parse(lesson)).toEqual(lesson);
  });

  test('its last three visits count, and a screw that works the other way as much', () => {
    const sheets = [gave(9, 1), gave(1, 2), gave(-2, 3), gave(4, 4)];
    expect(lessonsOf(sheets)[0]!.log_ratio).toBeCloseTo(Math.log(2), 12);
  });

  test('of an earlier spring nothing is left', () => {
    const other = { ...body.plate, fitted_spring: body.plate.springs[1]!.colour };
    const [first, second] = [gave(3, 1), gave(1, 2, { plate: other })];
    expect(lessonsOf([first, second])).toHaveLength(1);
    expect(lessonsOf([first, second])[0]!.spring).toBe(springName(other));
  });

  test('practice, and a screw that was not turned, teach nothing', () => {
    expect(lessonsOf([gave(2, 1, { rehearsal: true })])).toEqual([]);
    const still = { ...gave(2, 1).body.settings[0]!, rate_pa_per_turn: null };
    expect(lessonsOf([gave(2, 1, { settings: [still] })])).toEqual([]);
    expect(lessonsOf([gave(0, 1)])).toEqual([]);
  });

  test('how sure it was is kept', () => {
    const rate = 2 * chart.rate_pa_per_turn;
    expect(lessonsOf([gave(2, 1, {}, 0.2 * rate)])[0]!.sd).toBeCloseTo(0.2, 12);
    expect(lessonsOf([gave(2, 1, {}, null)])[0]!.sd).toBeCloseTo(0.1, 12);
  });
});
