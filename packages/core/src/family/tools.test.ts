import { kPa } from '../quantity';
import { familySamples } from '../testing/family-samples';
import { plate, target } from '../testing/samples';
import { familyNames, families } from './list';
import { toolWords } from './tool-names';
import { bagOf, toolsOf } from './tools';

const names = (tools: ReturnType<typeof toolsOf>) => tools.map(({ name }) => name);

describe('what has to be in the bag', () => {
  test.each(familyNames)('%s: something to turn or to read with, and each thing once', (family) => {
    const { tools } = families[family];
    expect(tools.length).toBeGreaterThanOrEqual(5);
    expect(new Set(tools).size).toBe(tools.length);
    for (const name of tools) expect(toolWords[name]).toMatch(/^[A-Z]/u);
  });

  test('where gas can come out there is a detector and soap, where it blows off ears are kept', () => {
    for (const family of ['gas', 'burner_pilot'] as const)
      expect(families[family].tools).toEqual(expect.arrayContaining(['gas_detector', 'soap']));
    for (const family of ['relief_pilot', 'relief_spring'] as const)
      expect(families[family].tools).toContain('hearing');
    expect(families.suction.tools).toEqual(expect.arrayContaining(['gas_detector', 'gloves']));
  });

  test('the key is the one that the register names', () => {
    const about = { key_size: '19 mm square' };
    const key = toolsOf({ plate, target, about }).find(({ name }) => name === 'adjuster_key');
    expect(key).toEqual({ name: 'adjuster_key', detail: '19 mm square' });
    expect(toolsOf({ plate, target })).toContainEqual({ name: 'adjuster_key' });
  });

  test('a spring is brought where the target wants another one, and only there', () => {
    const { plate: blower, target: low } = familySamples.relief_spring;
    const springs = [
      { colour: 'red', from_pa: kPa(1), to_pa: kPa(10), rate_pa_per_turn: kPa(2) },
      { colour: 'blue', from_pa: kPa(20), to_pa: kPa(60), rate_pa_per_turn: kPa(8) },
    ];
    const wrong = { ...blower, springs, fitted_spring: 'red' };
    const asked = { ...low, set_point_pa: kPa(30), limit_pa: kPa(40) };
    expect(toolsOf({ plate: wrong, target: asked })).toContainEqual({
      name: 'spring',
      detail: 'blue',
    });
    const right = { ...wrong, fitted_spring: 'blue' };
    expect(names(toolsOf({ plate: right, target: asked }))).not.toContain('spring');
  });

  test('of a day is one bag: each thing once, with every valve that wants it', () => {
    const { plate: gas, target: low } = familySamples.gas;
    const bag = bagOf([
      { tag: 'PRV-1', plate, target },
      { tag: 'GR-5', plate: gas, target: low },
      { tag: 'PRV-2', plate, target, about: { key_size: '19 mm' } },
    ]);
    const wanting = (name: string) =>
      bag.filter(({ tool }) => tool.name === name).map(({ tags }) => tags);
    expect(wanting('notices')).toEqual([['PRV-1', 'GR-5', 'PRV-2']]);
    expect(wanting('bucket')).toEqual([['PRV-1', 'PRV-2']]);
    expect(wanting('adjuster_key')).toEqual([['PRV-1', 'GR-5'], ['PRV-2']]);
    expect(bag[0]!.tags).toHaveLength(3);
    expect(bagOf([])).toEqual([]);
  });
});
