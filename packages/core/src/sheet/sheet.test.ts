import { canonicalJson } from '../digest';
import { unwrap } from '../result';
import { reduceRun } from '../run';
import { rehearsed } from '../testing/samples';
import { hashOf } from './chain';
import { correctionDigest, correctionOf, isOnlyCorrection, reviseSheet } from './revision';
import { freezeSheet } from './freeze';
import { sheetBodySchema, type Sheet } from './sheet';

const { run } = rehearsed({ seed: 3 });
const body = unwrap(freezeSheet(run, null));
const sheetOf = (content: typeof body): Sheet => ({
  id: hashOf(content).slice(0, 24),
  hash: hashOf(content),
  body: content,
});
const first = sheetOf(body);

describe('freezeSheet', () => {
  test('takes the as-left reading after the nut, with its verdict and proofs', () => {
    expect(Math.abs(body.settings[0]!.as_left_pa - 520_000)).toBeLessThanOrEqual(15_000);
    expect(body.verdict).toMatch(/^pass/);
    expect(body.no_flow).toMatchObject({ shape: 'levels', passes: true });
    expect(body.droop_pa).not.toBeNull();
    expect(body.settings[0]!.as_found_pa).toBeGreaterThan(500_000);
    expect(body.cautions.length).toBeGreaterThanOrEqual(5);
    expect(body.open_ends.every(({ state }) => state === 'closed')).toBe(true);
  });

  test('the same events freeze to the same bytes', () => {
    const again = rehearsed({ seed: 3 });
    expect(canonicalJson(unwrap(freezeSheet(again.run, null)))).toBe(canonicalJson(body));
  });

  test('passes its own schema', () => {
    expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body)))).toEqual(body);
  });

  test('names hands that gave it on and gauges that were taken off, and neither where there were none', () => {
    expect(body).not.toHaveProperty('handed_over');
    expect(body).not.toHaveProperty('other_gauges');
    const { outlet } = run.gauges;
    const spare = { ...outlet!, id: 'g-20', tag: 'G-20' };
    const given = { from: 'Ines', to: 'Tomas', atMs: 5, openEnds: ['Inlet shut'], words: 'Cold' };
    const told = unwrap(
      freezeSheet({ ...run, handovers: [given], formerGauges: [spare, outlet!, spare] }, null),
    );
    expect(told.other_gauges).toEqual([spare]);
    expect(told.handed_over).toEqual([
      { from: 'Ines', to: 'Tomas', at_ms: 5, open_ends: ['Inlet shut'], words: 'Cold' },
    ]);
    expect(sheetBodySchema.parse(told)).toEqual(told);
  });

  test('tells what of its plate was corrected, and nothing where it said what the register had', () => {
    expect(body).not.toHaveProperty('plate_corrected');
    const facts = [{ path: 'size_dn', was: 80, is: 100 }];
    const correction = { facts, why: 'Cast on the body', by: 'Ines', atMs: 5 };
    const told = unwrap(freezeSheet({ ...run, plateCorrections: [correction] }, null));
    expect(told.plate_corrected).toEqual([
      { facts, why: 'Cast on the body', by: 'Ines', at_ms: 5 },
    ]);
    expect(sheetBodySchema.parse(told)).toEqual(told);
  });

  test('names the pictures that were taken, each with the reading that it shows', () => {
    expect(body).not.toHaveProperty('pictures');
    const third = run.readings[2]!;
    const taken = {
      picture: 'b'.repeat(64),
      shows: 'gauge' as const,
      stepId: third.stepId,
      by: 'Ines',
      atMs: 7,
    };
    const pictures = [third.eventId, 'withdrawn', undefined].map((reading) => ({
      ...taken,
      reading,
    }));
    const told = unwrap(freezeSheet({ ...run, pictures }, null));
    const frozen = { picture: taken.picture, shows: 'gauge', by: 'Ines', at_ms: 7 };
    expect(told.pictures).toEqual([{ ...frozen, reading: 2 }, frozen, frozen]);
    expect(sheetBodySchema.parse(told)).toEqual(told);
  });

  test('a run that is not signed, or not ready, is not frozen', () => {
    expect(
      freezeSheet(unwrap(reduceRun(rehearsed({ stopBefore: 'no_flow' }).events)), null).ok,
    ).toBe(false);
    expect(freezeSheet({ ...run, signed: undefined }, null)).toEqual({
      ok: false,
      error: { code: 'sheet.not_signed' },
    });
  });

  test('a leaking seat stands on the sheet as creep', () => {
    const leaking = unwrap(freezeSheet(rehearsed({ seed: 4, faults: ['leaking_seat'] }).run, null));
    expect(leaking.no_flow).toMatchObject({ shape: 'creeps', passes: false });
  });

  test('a reversed screw is remembered as it showed itself', () => {
    const reversed = unwrap(
      freezeSheet(rehearsed({ seed: 5, faults: ['reversed_screw'] }).run, null),
    );
    expect(reversed.settings[0]!.clockwise).toBe('lowers');
    expect(reversed.settings[0]!.rate_pa_per_turn).toBeLessThan(0);
  });

  test('a screw that has shown which way it works is remembered so, whatever the plate says', () => {
    const { run: turned } = rehearsed({ seed: 3 });
    const silent = { ...turned, directions: {}, started: { ...turned.started, priors: {} } };
    expect(unwrap(freezeSheet(silent, null)).settings[0]!.clockwise).toBe('raises');
  });

  test('a run whose judging gauge is gone lacks nothing of it', () => {
    const { gauges } = rehearsed({ seed: 3 }).run;
    const old = { ...gauges['outlet']!, calibration_due_on: '2020-01-01' };
    const found = (own: typeof gauges) =>
      unwrap(freezeSheet({ ...rehearsed({ seed: 3 }).run, gauges: own }, null)).gauge_findings;
    expect(found({ ...gauges, outlet: old })).toContain('gauge.out_of_date');
    expect(found(gauges)).not.toContain('gauge.out_of_date');
  });

  test('sheets of both versions are read, of a third none', () => {
    const reads = [1, 2, 3, 1.1].map(
      (version) => sheetBodySchema.safeParse({ ...body, version }).success,
    );
    expect(reads).toEqual([true, true, false, false]);
  });
});

describe('a revision', () => {
  const second = sheetOf({ ...body, previous_hash: first.hash, run_id: 'run-2' });
  const third = sheetOf(
    reviseSheet(
      second,
      { notes: ['Gauge was G-14'], why: 'Wrong gauge named', by: 'Tomas', at_ms: 1 },
      second.hash,
    ),
  );

  test('names what it corrects and why, and keeps the readings', () => {
    expect(third.body).toMatchObject({
      revision: 2,
      corrects: { hash: second.hash, why: 'Wrong gauge named', by: 'Tomas', at_ms: 1 },
      technician: second.body.technician,
    });
    expect(third.body.readings).toEqual(second.body.readings);
  });

  test('says nothing but notes; whatever else is changed shows', () => {
    const { body: revised } = third;
    expect(isOnlyCorrection(revised, second)).toBe(true);
    expect(isOnlyCorrection(revised, first)).toBe(false);
    expect(isOnlyCorrection(second.body, second)).toBe(false);
    for (const over of [
      { corrects: { ...revised.corrects!, hash: first.hash } },
      { corrects: undefined },
      { technician: 'Somebody' },
      { revision: 3 },
      { verdict: 'fail' as const },
      { readings: revised.readings.slice(1) },
    ])
      expect(isOnlyCorrection({ ...revised, ...over }, second)).toBe(false);
  });

  test('is signed over which sheet, what, why, who and when: each of them counts', () => {
    const said = correctionOf(third.body)!;
    expect(said).toEqual({
      notes: ['Gauge was G-14'],
      why: 'Wrong gauge named',
      by: 'Tomas',
      at_ms: 1,
    });
    expect(correctionOf(second.body)).toBeUndefined();
    const others = [
      correctionDigest(first.hash, said),
      ...[{ notes: [] }, { why: 'x' }, { by: 'Ines' }, { at_ms: 2 }].map((over) =>
        correctionDigest(second.hash, { ...said, ...over }),
      ),
    ];
    expect(new Set([correctionDigest(second.hash, said), ...others]).size).toBe(6);
  });
});
