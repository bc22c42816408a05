import { absolutePa } from '../quantity';
import type { Valve } from '../exchange';
import { familyNames, factGroups } from '../family';
import { familySamples, type SampleName } from '../testing/family-samples';
import { roundedValve as rounded } from '../testing/rounded';
import { plate, target } from '../testing/samples';
import { completed, draftLike, draftOf, newDraft, readDraft, type ValveDraft } from './valve-draft';

const writing = { unit: 'kPa', barometer: absolutePa(101_325) };
const reading = { id: 'v-1', writing, others: [] };
const samples: readonly (readonly [string, Valve])[] = [
  ['reducing', { id: 'v-1', tag: 'PRV-1', name: 'North hall', place: 'Pit 2', plate, target }],
  ...(Object.keys(familySamples) as SampleName[]).map((name) => {
    const sample = familySamples[name] as (typeof familySamples)['hydraulic'];
    const valve = {
      id: 'v-1',
      tag: 'PRV-1',
      name: 'North hall',
      place: 'Pit 2',
      plate: sample.plate,
      target: sample.target,
      ...('other_targets' in sample ? { other_targets: sample.other_targets } : {}),
    };
    return [name, valve] as unknown as readonly [string, Valve];
  }),
];
const sample = (name: string): Valve => samples.find(([each]) => each === name)![1];
const typed = (draft: ValveDraft, texts: Record<string, string>): ValveDraft => ({
  ...draft,
  texts: { ...draft.texts, ...texts },
});
const errorAt = (draft: ValveDraft, path: string) =>
  readDraft(draft, reading).issues.find((issue) => issue.path === path)?.error;

describe('a valve as it is written down', () => {
  test.each(samples)('%s: what is read off it can be typed in again, in any unit', (_, valve) => {
    for (const unit of ['kPa', 'bar', 'psi']) {
      const own = { ...writing, unit };
      const { valve: read, issues } = readDraft(draftOf(valve, own), { ...reading, writing: own });
      expect(issues).toEqual([]);
      expect(rounded(read)).toEqual(rounded(valve));
    }
  });

  test.each(samples)('%s: a change touches nothing but what was changed', (_, valve) => {
    const own = { ...writing, unit: 'psi' };
    const draft = typed(draftOf(valve, own), { name: 'South hall' });
    const { valve: read } = readDraft(draft, { ...reading, writing: own, before: valve });
    expect(read).toEqual({ ...valve, name: 'South hall' });
  });

  test('a unit of its own is kept, may be another, and may be given up', () => {
    const draft = draftOf({ ...sample('gas'), unit: 'mbar' }, writing);
    const unitAs = (unit: string) => readDraft(typed(draft, { unit }), reading).valve?.unit;
    expect([unitAs('mbar'), unitAs('inH2O'), unitAs('')]).toEqual(['mbar', 'inH2O', undefined]);
  });

  test.each(familyNames)('a new %s asks for all that it lacks, field by field', (family) => {
    const draft = newDraft(family);
    const { valve, issues } = readDraft(draft, reading);
    expect(valve).toBeUndefined();
    expect(issues.every(({ error }) => error.code === 'register.missing')).toBe(true);
    expect(issues.map(({ path }) => path)).toEqual(
      expect.arrayContaining(['tag', 'plate.size_dn', 'target.set_point_pa', 'target.why']),
    );
    const optional = factGroups(draft.shape).find(({ id }) => id === 'more')!.facts;
    for (const { path } of optional) expect(issues.map((i) => i.path)).not.toContain(path);
  });

  test('every fact of a family has a label of its own within its group', () => {
    for (const family of familyNames)
      for (const { facts, adjuster } of factGroups(newDraft(family).shape)) {
        const labels = facts.map(({ label }) => label);
        if (adjuster === undefined) expect(new Set(labels).size).toBe(labels.length);
      }
  });
});

describe('what is typed', () => {
  const draft = draftOf(sample('reducing'), writing);

  test('may say its own unit, and what it counts from', () => {
    const { valve } = readDraft(
      typed(draft, { 'target.set_point_pa': '6 bar', 'target.limit_pa': '8.01325 bar abs' }),
      reading,
    );
    expect(valve!.target.set_point_pa).toBe(600_000);
    expect(valve!.target.limit_pa).toBeCloseTo(700_000, 6);
  });

  test('a size may be written as sizes are, a figure with its unit, and nothing else', () => {
    const sized = (text: string) => typed(draft, { 'plate.size_dn': text });
    expect(readDraft(sized('DN 100'), reading).valve!.plate.size_dn).toBe(100);
    expect(errorAt(sized('4 in'), 'plate.size_dn')).toMatchObject({ code: 'register.no_number' });
    expect(errorAt(sized(''), 'plate.size_dn')).toMatchObject({ code: 'register.missing' });
    expect(errorAt(sized('9000'), 'plate.size_dn')).toMatchObject({
      code: 'register.out_of_range',
    });
  });

  test('a difference above something is refused, and so is a word', () => {
    const path = 'plate.springs.0.rate_pa_per_turn';
    expect(errorAt(typed(draft, { [path]: '60 kPa abs' }), path)).toMatchObject({
      code: 'quantity.reference_not_wanted',
    });
    expect(errorAt(typed(draft, { [path]: 'stiff' }), path)).toMatchObject({
      code: 'quantity.no_number',
    });
    expect(errorAt(typed(draft, { [path]: '0' }), path)).toMatchObject({
      code: 'register.out_of_range',
    });
  });

  test('a tag that is taken says whose it is; its own is not taken', () => {
    const others = [{ id: 'v-9', tag: 'prv -1' }];
    expect(readDraft(draft, { ...reading, others }).issues).toEqual([
      { path: 'tag', error: { code: 'register.tag_taken', id: 'v-9', tag: 'prv -1' } },
    ]);
    expect(readDraft(draft, { ...reading, id: 'v-9', others }).issues).toEqual([]);
  });

  test('a plate that contradicts itself can be read, and says how', () => {
    const upside = typed(draft, {
      'plate.springs.0.from_pa': '900',
      'plate.springs.0.to_pa': '100',
    });
    const { valve, plate: told } = readDraft(upside, reading);
    expect(valve).toBeDefined();
    expect(told).toContainEqual(
      expect.objectContaining({ code: 'valve.range_upside_down', stops: true }),
    );
  });

  test('approval is there when its scheme is, accessories are a list', () => {
    const approved = typed(draft, {
      'plate.approval.scheme': 'House scheme',
      'plate.approval.accessories': 'Gauge cock, strainer ',
    });
    expect(readDraft(approved, reading).valve!.plate.approval).toEqual({
      scheme: 'House scheme',
      accessories: ['Gauge cock', 'strainer'],
    });
    const without = typed(approved, { 'plate.approval.scheme': ' ' });
    expect(readDraft(without, reading).valve!.plate.approval).toBeUndefined();
  });
});

describe('what a valve has', () => {
  test('an adjuster that a valve may lack is not asked for until it is said to be there', () => {
    const alone = newDraft('sustaining');
    expect(alone.shape.further).toEqual([]);
    expect(newDraft('hydraulic').shape.further).toEqual(['cross_a', 'cross_b', 'compensator']);
    const both = completed({ ...alone, shape: { ...alone.shape, further: ['reducing'] } });
    expect(readDraft(both, reading).issues.map(({ path }) => path)).toContain(
      'other_targets.reducing.set_point_pa',
    );
  });

  test('the spring that is in is written first, and the chart keeps its order and its stacks', () => {
    const [first, ...rest] = plate.springs;
    const stacked = { ...first!, colour: 'blue', stacked_with: ['red'] };
    const valve: Valve = {
      ...sample('reducing'),
      plate: { ...plate, springs: [stacked, first!, ...rest] },
    };
    const draft = draftOf(valve, writing);
    expect(draft.texts['plate.springs.0.colour']).toBe(plate.fitted_spring);
    const { valve: read } = readDraft(typed(draft, { name: 'x' }), { ...reading, before: valve });
    expect(read!.plate.springs).toEqual(valve.plate.springs);
    expect(read!.plate.fitted_spring).toBe(plate.fitted_spring);
  });

  test('another spring of the chart that was put in is the fitted one', () => {
    const draft = completed({
      ...draftOf(sample('reducing'), writing),
      shape: { family: 'reducing', further: [], springs: { main: 2 } },
    });
    const texts = {
      'plate.springs.0.colour': 'violet',
      'plate.springs.1.colour': 'grey',
      'plate.springs.1.from_pa': '10',
      'plate.springs.1.to_pa': '90',
      'plate.springs.1.rate_pa_per_turn': '12',
    };
    const { valve } = readDraft(typed(draft, texts), reading);
    expect(valve!.plate.fitted_spring).toBe('violet');
    expect(valve!.plate.springs.map(({ colour }) => colour)).toEqual(['violet', 'grey']);
  });

  test('another one like it takes over all but what is its own', () => {
    const valve: Valve = { ...sample('gas'), about: { serial: 'S-1', model: 'M', seal: '7' } };
    const { texts } = draftLike(valve, writing);
    expect(texts['tag']).toBe('');
    expect(texts['about.serial']).toBe('');
    expect(texts['about.seal']).toBe('');
    expect(texts['about.model']).toBe('M');
    expect(texts['plate.size_dn']).toBe(String(valve.plate.size_dn));
  });

  test('a half of a split range need not be there, and is whole when it is', () => {
    const draft = draftOf(sample('positioner'), writing);
    expect(readDraft(draft, reading).valve!.plate).not.toHaveProperty('split_with');
    const half = typed(draft, { 'plate.split_with.low': '12' });
    expect(errorAt(half, 'plate.split_with.high')).toMatchObject({ code: 'register.missing' });
    const whole = typed(half, { 'plate.split_with.high': '20' });
    expect(readDraft(whole, reading).valve!.plate).toMatchObject({
      split_with: { kind: 'current', low: 0.012, high: 0.02 },
    });
  });
});

/**
 * Figures to seven digits: what was typed in psi comes back as near as psi was written. The order of a chart is
 * that in which it was typed.
 */
