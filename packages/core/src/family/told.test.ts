import { familySamples } from '../testing/family-samples';
import { plate as reducing } from '../testing/samples';
import { families, type Family, type Plate } from './list';
import { toldFor } from './told';

const sample = (name: keyof typeof familySamples) => familySamples[name].plate as Plate;

describe('who has to know', () => {
  test('is asked of each valve, the permit first, and says for which', () => {
    const told = toldFor([
      { tag: 'GR-05', plate: sample('gas') },
      { tag: 'PRV-07', plate: reducing },
      { tag: 'POS-21', plate: sample('positioner') },
    ]);
    expect(told).toEqual([
      { who: 'permit', tags: ['GR-05', 'PRV-07', 'POS-21'] },
      { who: 'control_room', tags: ['POS-21'] },
      { who: 'gas_users', tags: ['GR-05'] },
      { who: 'users', tags: ['PRV-07'] },
    ]);
  });

  test('where fire water hangs on it, the fire post comes before all but the permit', () => {
    const told = (duty?: 'fire' | 'process') =>
      toldFor([{ tag: 'PRV-07', plate: reducing, duty }]).map(({ who }) => who);
    expect(told('fire')).toEqual(['permit', 'fire_post', 'users']);
    expect(told('process')).not.toContain('fire_post');
    const approved = { ...reducing, approval: { scheme: 'Estate rule', accessories: [] } } as Plate;
    expect(toldFor([{ tag: 'PRV-08', plate: approved }]).map(({ who }) => who)).toContain(
      'fire_post',
    );
  });

  test('nobody for no valves, and somebody beside the permit for every family', () => {
    expect(toldFor([])).toEqual([]);
    for (const family of Object.keys(families) as Family[])
      expect(families[family].tells.length).toBeGreaterThan(0);
  });
});
