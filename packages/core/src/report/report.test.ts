import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { kPa, type SignalRange } from '../quantity';
import { unwrap } from '../result';
import { reduceRun, runEventSchema } from '../run';
import { freezeSheet, type SheetBody } from '../sheet';
import type { PlateValue } from '../step';
import type { Block, Chart, Row } from './block';
import { leftWords, outcomeTone, outcomeWord } from './outcome';
import { pathOf } from './path';
import { percent, printersIn } from './printers';
import { report } from './report';
import { scaleOver, spreadOf } from './scales';

const stored = z
  .array(z.object({ name: z.string(), events: z.array(runEventSchema) }))
  .parse(JSON.parse(readFileSync(join(__dirname, '../testing/stored-runs.json'), 'utf8')));
const bodies = stored.map(
  ({ name, events }) => [name, unwrap(freezeSheet(unwrap(reduceRun(events)), null))] as const,
);
const print = printersIn('kPa');
const words = {
  print,
  signalSay: ({ kind }: SignalRange, si: number) => `${Number(si.toPrecision(4))} ${kind}`,
  timeSay: (ms: number) => new Date(ms).toISOString().slice(11, 16),
};
const reportOf = (body: SheetBody) => report(body, words);
const bodyOf = (family: string): SheetBody =>
  bodies.find(([, { plate }]) => plate.family === family)![1];
const blockOf = <K extends Block['kind']>(body: SheetBody, kind: K, title: RegExp) => {
  const found = reportOf(body).blocks.find((each) => each.kind === kind && title.test(each.title));
  if (!found) throw new Error(`no ${kind} called ${title}`);
  return found as Extract<Block, { kind: K }>;
};
const rowOf = (body: SheetBody, title: RegExp, label: string): Row =>
  blockOf(body, 'rows', title).rows.find((row) => row.label === label)!;
const chartsOf = (body: SheetBody): readonly Chart[] =>
  reportOf(body).blocks.flatMap((block) => (block.kind === 'chart' ? [block.chart] : []));

describe('the report of every family', () => {
  test.each(bodies)('%s: head, figures, and no part without a title or empty', (_, body) => {
    const { headline, figures, words: said, blocks } = reportOf(body);
    expect(headline).toMatchObject({
      title: body.valve_tag,
      isPractice: body.rehearsal,
      verdict: outcomeWord(body),
    });
    expect(headline.under).toContain(body.valve_name);
    expect(figures.length > 0).toBe(body.settings.length > 0 || body.tables !== undefined);
    expect(said === undefined).toBe(figures.length > 0);
    for (const block of blocks) {
      expect(block.title).not.toBe('');
      if (block.kind === 'words') expect(block.lines).not.toHaveLength(0);
      if (block.kind === 'rows') expect(block.rows).not.toHaveLength(0);
      if (block.kind === 'table')
        for (const { cells } of block.rows) expect(cells).toHaveLength(block.head.length);
    }
    expect(JSON.stringify(blocks)).not.toMatch(/NaN|undefined|Infinity/u);
  });

  test.each(bodies)('%s: pictures stay inside their frame and say what they show', (_, body) => {
    for (const { says, aspect, xTicks, yTicks, bands, curves, dots } of chartsOf(body)) {
      expect(says.length).toBeGreaterThan(10);
      expect(aspect).toBeGreaterThan(0.1);
      const all = [
        ...[...xTicks, ...yTicks].map(({ at }) => at),
        ...bands.flatMap(({ from, to }) => [from, to]),
        ...curves.flatMap(({ points }) => points.flat()),
        ...dots.flatMap(({ x, y }) => [x, y]),
      ];
      for (const at of all) expect(at >= 0 && at <= 1).toBe(true);
      expect(bands.every(({ from, to }) => to >= from)).toBe(true);
    }
  });

  test.each(bodies)('%s: every open end, caution and note stands in the record', (_, body) => {
    const lines = reportOf(body).blocks.flatMap((block) =>
      block.kind === 'words' ? block.lines.map(({ text }) => text) : [],
    );
    for (const { say } of body.open_ends) expect(lines).toContain(`${say}: put back`);
    for (const { hazard } of body.cautions)
      expect(lines.some((line) => line.startsWith(hazard.replaceAll('_', ' ')))).toBe(true);
    for (const note of body.notes) expect(lines).toContain(note);
  });
});

describe('hands and gauges that changed', () => {
  const [, body] = bodies[0]!;
  const gauge = { ...Object.values(body.gauges)[0]!, id: 'g-20', tag: 'G-20' };
  const told = reportOf({
    ...body,
    other_gauges: [gauge],
    handed_over: [
      {
        from: 'Ines',
        to: 'Tomas',
        at_ms: 5,
        open_ends: ['Inlet shut', 'Nut loose'],
        words: 'Cold',
      },
      { from: 'Tomas', to: 'Edda', at_ms: 6, open_ends: [] },
    ],
  }).blocks;

  test('stand on the sheet: who gave it to whom with what open, and what was taken off', () => {
    const lines = told.flatMap((block) =>
      block.kind === 'words' ? block.lines.map(({ text }) => text) : [],
    );
    expect(lines).toEqual(
      expect.arrayContaining([
        expect.stringMatching(
          /^Ines handed over to Tomas, .*; open then: Inlet shut, Nut loose\. “Cold”$/u,
        ),
        expect.stringMatching(/^Tomas handed over to Edda, .*; nothing open\.$/u),
      ]),
    );
    const titles = told.flatMap((block) => (block.kind === 'rows' ? [block.title] : []));
    expect(titles).toContain('G-20, taken off during the work');
  });
});

describe('a plate that was found to say otherwise', () => {
  const linesOf = (sheet: SheetBody) =>
    reportOf(sheet).blocks.flatMap((block) =>
      block.kind === 'words' ? block.lines.map(({ text }) => text) : [],
    );
  const correctedTo = (family: string, path: string, was: PlateValue, is: PlateValue) =>
    linesOf({
      ...bodyOf(family),
      plate_corrected: [{ facts: [{ path, was, is }], why: 'Read off.', by: 'Ines', at_ms: 5 }],
    }).find((line) => line.startsWith('Plate corrected by Ines'));

  test.each<[string, string, string, PlateValue, PlateValue, RegExp]>([
    [
      'a pressure',
      'reducing',
      'outlet_rating_pa',
      1.6e6,
      1e6,
      /Outlet rated to: 1 000 kPa \(was 1 600 kPa\)\. Read off\.$/u,
    ],
    ['a size', 'reducing', 'size_dn', 80, 100, /Size: 100 DN \(was 80 DN\)/u],
    [
      'what was not said',
      'reducing',
      'droop_allowed_pa',
      null,
      2e4,
      /Fall to working flow allowed: 20 kPa \(was not said\)/u,
    ],
    ['a choice', 'gas', 'loading', 'pilot', 'spring', /loaded|spring/iu],
    ['yes or no', 'gas', 'slam_shut', true, false, /: no \(was yes\)/u],
    [
      'a list',
      'reducing',
      'accessories',
      [],
      ['Speed control'],
      /Accessories: Speed control \(was none\)/u,
    ],
    [
      'a chart',
      'reducing',
      'springs',
      [],
      [{ colour: 'blue', from_pa: 1e5, to_pa: 5e5, rate_pa_per_turn: 2e4 }],
      /springs: blue 100 to 500 kPa, 20 kPa a turn \(was none\)/u,
    ],
    [
      'a range',
      'positioner',
      'input',
      { kind: 'current', low: 0.004, high: 0.02 },
      { kind: 'current', low: 0, high: 0.02 },
      /Signal in: 0.* to 20.* mA \(was 4.* to 20.* mA\)/u,
    ],
    [
      'what no label is known of',
      'reducing',
      'fitted_spring',
      'red',
      'blue',
      /fitted spring: blue \(was red\)/u,
    ],
  ])('%s is told with both figures', (_, family, path, was, is, told) => {
    expect(correctedTo(family, path, was, is)!.replaceAll(/\s/gu, ' ')).toMatch(told);
  });
});

describe('pictures that were taken in the work', () => {
  test('are said with what the gauge was read at, or with what they show; none, and there is no such part', () => {
    const [, body] = bodies[0]!;
    const taken = { picture: 'c'.repeat(64), by: 'Ines', at_ms: 5 };
    const pictures = [
      { ...taken, shows: 'gauge' as const, reading: 0 },
      { ...taken, shows: 'left' as const },
    ];
    const block = blockOf({ ...body, pictures }, 'pictures', /Pictures/u);
    const [{ role, reading }] = body.readings as [SheetBody['readings'][number]];
    expect(block.pictures).toEqual([
      {
        name: taken.picture,
        say: `${body.gauges[role]!.tag} read at ${print.pressure(reading.si)}, 00:00, Ines`,
      },
      { name: taken.picture, say: 'As it was left, 00:00, Ines' },
    ]);
    expect(reportOf(body).blocks.some(({ kind }) => kind === 'pictures')).toBe(false);
  });
});

describe('what a setting says', () => {
  const body = bodyOf('reducing');
  const [setting] = body.settings;

  test('found, left and wanted stand large, in the unit of the place', () => {
    expect(reportOf(body).figures.map(({ label }) => label)).toEqual([
      'as left, kPa',
      'as found, kPa',
      'target, kPa',
    ]);
    expect(reportOf(body).figures[0]!.value).toBe(print.figure(setting!.as_left_pa, kPa(2)));
    const unread = { ...body, settings: [{ ...setting!, as_found_pa: null }] };
    expect(reportOf(unread).figures[1]!.value).toBe('not read');
    expect(leftWords(body, print)).toBe(`left at ${print.pressure(setting!.as_left_pa, kPa(2))}`);
  });

  test('a verdict has its word and its colour wherever it stands', () => {
    const verdicts = [
      ['pass', 'pass, guarded', 'good'],
      ['pass_without_margin', 'pass, no margin', 'work'],
      ['fail_without_margin', 'fail, no margin', 'stop'],
      ['fail', 'fail', 'stop'],
    ] as const;
    for (const [verdict, word, tone] of verdicts) {
      const judged = { ...body, verdict, settings: [{ ...setting!, verdict }] };
      expect(reportOf(judged).headline).toMatchObject({ verdict: word, tone });
      expect(rowOf(judged, /^Adjuster/, 'Verdict')).toEqual({
        label: 'Verdict',
        value: word,
        tone,
      });
    }
  });

  test('a setting by count is marked as such, a rate that nobody learned is said', () => {
    const counted = {
      ...body,
      settings: [{ ...setting!, method: 'by_count' as const, rate_pa_per_turn: null }],
    };
    expect(rowOf(counted, /^Adjuster/, 'Method')).toMatchObject({ tone: 'work' });
    expect(rowOf(body, /^Adjuster/, 'Method').tone).toBeUndefined();
    expect(rowOf(counted, /^Adjuster/, 'A turn gives').value).toBe('not learned');
  });

  test('turns are said with their way', () => {
    const turned = (turns_net: number) =>
      rowOf({ ...body, settings: [{ ...setting!, turns_net }] }, /^Adjuster/, 'Net turns').value;
    expect(turned(1.5)).toMatch(/ clockwise$/);
    expect(turned(-1.5)).toMatch(/ anticlockwise$/);
    expect(turned(0)).not.toMatch(/clockwise/);
  });

  test('several settings stand in a table, each coloured by its own verdict', () => {
    const second = { ...setting!, adjuster: 'b', name: 'Second', verdict: 'fail' as const };
    const both = { ...body, settings: [setting!, second] };
    const table = blockOf(both, 'table', /^Settings$/);
    expect(table.rows.map(({ tone }) => tone)).toEqual(['good', 'stop']);
    expect(reportOf(both).figures[0]!.label).toBe(`${setting!.name.toLowerCase()} as left, kPa`);
    expect(reportOf(body).blocks.some(({ title }) => title === 'Settings')).toBe(false);
  });

  test('the picture shows the lane, and the limit beyond it', () => {
    const { bands, dots, xTicks } = blockOf(body, 'chart', /^How it went/).chart;
    const [lane, forbidden] = bands;
    expect(lane).toMatchObject({ tone: 'good', say: 'lane' });
    expect(forbidden).toMatchObject({ tone: 'stop', to: 1 });
    expect(forbidden!.from).toBeGreaterThan(lane!.to);
    expect(dots).toHaveLength(setting!.dots.length);
    expect(dots.at(-1)).toMatchObject({ tone: 'good' });
    expect(dots.at(-1)!.x).toBeGreaterThan(lane!.from);
    expect(dots.at(-1)!.x).toBeLessThan(lane!.to);
    expect(xTicks.length).toBeGreaterThan(1);
  });
});

describe('what is proved', () => {
  test('a creeping seat is red, one that levels is not', () => {
    const body = bodyOf('reducing');
    const noFlow = body.no_flow!;
    const creeping = { ...body, no_flow: { ...noFlow, shape: 'creeps' as const, passes: false } };
    expect(rowOf(creeping, /^Proved$/, 'No-flow record')).toEqual({
      label: 'No-flow record',
      value: 'creeps: the seat leaks',
      tone: 'stop',
    });
    expect(rowOf(body, /^Proved$/, 'No-flow record')).toMatchObject({ tone: 'good' });
    expect(rowOf(body, /^Proved$/, 'Rise allowed').value).toBe(
      print.pressure(noFlow.allowed_pa, kPa(2)),
    );
  });

  test('a blowdown over what the house allows is red and says the bound', () => {
    const body = bodyOf('relief_pilot');
    const most = body.house_rules.blowdown_most;
    const wide = (blowdown: number | null) =>
      rowOf(
        { ...body, cracking: { ...body.cracking!, blowdown } },
        /^Cracking and reseat$/,
        'Blowdown',
      );
    expect(wide(most + 0.001)).toMatchObject({ tone: 'stop' });
    expect(wide(most + 0.001).value).toContain(`over ${percent(most, 0)}`);
    expect(wide(most).tone).toBeUndefined();
    expect(wide(null)).toEqual({ label: 'Blowdown', value: 'not marked' });
  });

  test('points beyond the tolerance are red, on the table and in the picture', () => {
    const body = bodyOf('positioner');
    const { as_left: left, tolerance } = body.tables!;
    const points = left.points.map((point, i) => ({
      ...point,
      share: point.at + (i === 0 ? tolerance * 1.01 : tolerance * 0.99),
    }));
    const moved = { ...body, tables: { ...body.tables!, as_left: { ...left, points } } };
    const tones = blockOf(moved, 'table', /^Points as left$/).rows.map(({ tone }) => tone);
    expect(tones).toEqual(['stop', ...points.slice(1).map(() => undefined)]);
    const { dots } = blockOf(moved, 'chart', /^Error over/).chart;
    expect(dots.map(({ tone }) => tone === 'stop')).toEqual(points.map((_, i) => i === 0));
  });

  test('lights that failed are counted and drawn as such', () => {
    const body = bodyOf('burner_pilot');
    const { lights } = body.edges!;
    const failed = lights.filter(({ lit }) => !lit).length;
    expect(failed).toBeGreaterThan(0);
    expect(rowOf(body, /^Edges/, 'Tried').value).toBe(`${lights.length}, ${failed} failed`);
    const { dots } = blockOf(body, 'chart', /^Lights/).chart;
    expect(dots.filter(({ tone }) => tone === 'stop')).toHaveLength(failed);
  });

  test('a switch says what lies between making and breaking', () => {
    const body = bodyOf('pressure_switch');
    const { cells } = blockOf(body, 'table', /^Cycles$/).rows[0]!;
    const [first] = body.switch_cycles!;
    const step = body.gauges.inlet!.resolution_pa;
    expect(cells[3]).toBe(print.figure(first!.cut_out_pa - first!.cut_in_pa, step));
  });
});

describe('what is not in order', () => {
  const body = bodyOf('reducing');

  test('an end that was left open is red, with its reason', () => {
    const ends = [
      { ...body.open_ends[0]!, state: 'left' as const, reason: 'Part missing' },
      { ...body.open_ends[1]!, state: 'closed' as const },
    ];
    const { lines } = blockOf({ ...body, open_ends: ends }, 'words', /^Moved/);
    expect(lines[0]).toEqual({
      text: `${ends[0]!.say}: LEFT OPEN, Part missing`,
      tone: 'stop',
    });
    expect(lines[1]!.tone).toBeUndefined();
  });

  test('out of service says why, in red, and has no verdict', () => {
    const out = {
      ...body,
      settings: [],
      outcome: 'out_of_service' as const,
      out_of_service_because: 'Seal broken',
      verdict: null,
    };
    expect(outcomeWord(out)).toBe('out of service');
    expect(outcomeTone(out)).toBe('stop');
    expect(reportOf(out).words).toEqual({ text: 'Seal broken', tone: 'stop' });
    expect(leftWords(out, print)).toBe('Seal broken');
    expect(outcomeTone({ ...out, outcome: 'sequence_done' })).toBe('good');
    expect(outcomeWord({ ...out, outcome: 'sequence_done' })).toBe('done');
  });

  test('a gauge that is out of date is told only where it judged', () => {
    const late = { ...body, gauge_findings: ['gauge.out_of_date' as const] };
    const judged = blockOf(late as SheetBody, 'rows', /by which it was judged/);
    expect(judged.rows.find(({ label }) => label === 'Calibrated')).toMatchObject({
      tone: 'stop',
      value: expect.stringContaining('OUT OF DATE'),
    });
    const other = reportOf(late as SheetBody).blocks.filter(
      ({ title, kind }) => kind === 'rows' && /^Inlet gauge/iu.test(title),
    );
    expect(JSON.stringify(other)).not.toContain('OUT OF DATE');
  });

  test('a correction names the sheet that it corrects', () => {
    const corrected = { ...body, corrects: { hash: 'ab'.repeat(32), why: 'Wrong gauge named' } };
    expect(blockOf(corrected, 'words', /^Notes$/).lines[0]).toEqual({
      text: 'Corrects abababababab: Wrong gauge named',
      tone: 'work',
    });
  });
});

describe('scales and paths', () => {
  test('a scale is straight, ends at its ends, and may be turned round', () => {
    const up = scaleOver([100, 300]);
    expect([100, 150, 300].map(up.at)).toEqual([0, 0.25, 1]);
    expect(up.at(500)).toBe(1);
    expect(scaleOver([0, 1], [1, 0]).at(0.25)).toBe(0.75);
    expect(up.ticks(2, String).map(({ say }) => say)).toEqual(['100', '200', '300']);
  });

  test('a spread has room on both sides, for a single value too', () => {
    expect(spreadOf([0, 100])).toEqual([-8, 108]);
    expect(spreadOf([0, 100], 0.5)).toEqual([-50, 150]);
    const [low, high] = spreadOf([5, 5]);
    expect(high).toBeGreaterThan(low);
  });

  test('a curve is a path in its box', () => {
    const points = [
      [0, 0],
      [0.5, 1],
    ] as const;
    expect(pathOf({ points }, { width: 200, height: 50 })).toBe('M0,0L100,50');
    expect(pathOf({ points: [] }, { width: 1, height: 1 })).toBe('');
  });

  test('a share of nothing has no sign', () => {
    expect(percent(-0.0123)).toBe('−1.2 %');
    expect(percent(-0.0001)).toBe('0.0 %');
    expect(percent(0.12345, 2)).toBe('12.35 %');
  });
});

describe('what was proved, line by line', () => {
  const body = bodyOf('reducing');
  const rowsOf = (proofs: SheetBody['proofs']) =>
    blockOf({ ...body, ...(proofs ? { proofs } : {}) }, 'rows', /^What was proved$/).rows;

  test('a sheet from before has no such part', () => {
    expect(reportOf(body).blocks.some(({ title }) => title === 'What was proved')).toBe(false);
  });

  test('a figure stands with its bound, a reason where there is none', () => {
    const bounds = { found: 26_000, bound: 50_000, unit: 'pa' } as const;
    const rows = rowsOf([
      { proof: 'no_flow', verdict: 'pass', reason: 'within', ...bounds },
      { proof: 'no_flow', verdict: 'fail', reason: 'outside', ...bounds, found: 60_000 },
      { proof: 'no_flow', verdict: 'fail', reason: 'creeps', ...bounds },
      { proof: 'blowdown', verdict: 'not_proved', reason: 'left_out' },
      {
        proof: 'blowdown',
        verdict: 'pass_without_margin',
        reason: 'too_near',
        found: 0.149,
        bound: 0.15,
        unit: 'share',
      },
    ]);
    expect(rows.map(({ value, tone }) => [value, tone])).toEqual([
      ['pass: 26 kPa, at most 50 kPa', 'good'],
      ['fail: outside, 60 kPa, at most 50 kPa', 'stop'],
      ['fail: creeps, the seat leaks', 'stop'],
      ['not proved: left out', 'work'],
      ['pass, no margin: nearer than can be told, 14.9 %, at most 15.0 %', 'work'],
    ]);
  });

  test('several adjusters are told apart by their names', () => {
    const second = { ...body.settings[0]!, adjuster: 'b', name: 'Sustaining screw' };
    const rows = blockOf(
      {
        ...body,
        settings: [body.settings[0]!, second],
        proofs: [{ proof: 'setting', adjuster: 'b', verdict: 'pass', reason: 'within' }],
      },
      'rows',
      /^What was proved$/,
    ).rows;
    expect(rows[0]!.label).toBe('Setting, sustaining screw');
  });

  test('the head says a failed proof as such, and an end left open beside it', () => {
    const judged = (over: Partial<SheetBody>) => outcomeWord({ ...body, ...over });
    expect(judged({ outcome: 'proof_failed', verdict: 'fail' })).toBe('set, proof failed');
    const [setting] = body.settings;
    const settings = [{ ...setting!, verdict: 'fail' as const }];
    expect(judged({ outcome: 'proof_failed', verdict: 'fail', settings })).toBe('fail');
    expect(judged({ verdict: 'not_proved' })).toBe('set, not all proved');
    expect(outcomeTone({ ...body, verdict: 'not_proved' })).toBe('work');
    const open = [{ id: 'a', say: 'Cap off', state: 'left' as const }];
    expect(judged({ open_ends: open })).toBe('pass, guarded, end left open');
    expect(outcomeTone({ ...body, open_ends: open })).toBe('stop');
  });

  test.each([
    ['could_not_be_set', 'could not be set', 'stop'],
    ['left_as_found', 'left as found', 'work'],
    ['given_up', 'given up', 'stop'],
  ] as const)('%s is told in its own words', (outcome, word, tone) => {
    const ended = { why: 'hunts' as const, reason: 'Swings by 40 kPa' };
    const visit = { ...body, outcome, verdict: null, settings: [], ended };
    expect(reportOf(visit).headline).toMatchObject({ verdict: word, tone });
    expect(reportOf(visit).words?.text).toBe('It hunts: Swings by 40 kPa');
    expect(leftWords(visit, print)).toBe('Swings by 40 kPa');
  });
});

test('files that figures were taken from are named with their digest, and nothing where there are none', () => {
  const [, body] = bodies[0]!;
  const named = (files: SheetBody['files']) =>
    reportOf({ ...body, files }).blocks.filter(({ title }) => title === 'Taken from a logger');
  expect(named(undefined)).toEqual([]);
  const sha256 = '0123456789abcdef'.repeat(4);
  expect(named([{ name: 'night.csv', sha256, shows: 'watch' }])).toMatchObject([
    { lines: [{ text: 'the watch with nothing flowing: night.csv, file 0123456789ab' }] },
  ]);
});
