import {
  checkSystem,
  defaultHouseRules,
  printFigure,
  printQuantity,
  settingPlan,
  solveLadder,
  systemFrom,
  unwrap,
  type Rule,
} from '@holvek/core';
import {
  issueWord,
  ladderTrouble,
  planWord,
  precedenceWord,
  readingsWord,
  ruleSum,
  wayOut,
} from './ladder-words';
import type { Units } from '@/units/use-units';

const units: Units = {
  pressure: 'bar',
  flow: 'L/s',
  figure: (pa, step) => printFigure(pa, 'bar', step),
  withUnit: (pa, step) => printQuantity(pa, 'bar', step),
  flowWithUnit: (q) => printQuantity(q, 'L/s'),
};
const unit = systemFrom('hydraulic', defaultHouseRules, { id: 'u', name: 'u', site_id: 's' });
const rule = (id: string) => unit.rules.find((each) => each.id === id)!;
const gun: Rule = {
  id: 'gun',
  kind: 'serves',
  rung: 'load',
  sum: { need_pa: 4e5, loss_pa: 1e5, rise_m: 12, lowest_rating_pa: 16e5, drop_m: 30 },
  density_kgm3: 998.2,
  why: '',
  from: 'own',
};
const plan = settingPlan(unit, unwrap(solveLadder(unit)), { parkedLowPa: 8e5 });

const plain = (text: string) => text.replaceAll('\u00A0', ' ');

describe('a ladder in words', () => {
  test('every kind of rule reads as a sum', () => {
    expect(ruleSum(rule('load'), unit.rungs, units)).toBe('Heaviest load is 170 bar');
    expect(ruleSum(rule('comp'), unit.rungs, units)).toBe(
      'Compensator 15 to 60 bar over Heaviest load',
    );
    expect(ruleSum(rule('under_weakest'), unit.rungs, units)).toBe(
      'Weakest part above Main relief, accumulation counted',
    );
    expect(
      ruleSum(
        { id: 'x', kind: 'at_most', rung: 'pump', pa: 3e7, why: '', from: 'own' },
        unit.rungs,
        units,
      ),
    ).toBe('Pump at most 300 bar');
    expect(plain(ruleSum(gun, unit.rungs, units))).toBe(
      'Heaviest load at least 5 bar and 12 m up; its lowest point bears 16 bar, 30 m down',
    );
    const least: Rule = { ...gun, sum: { need_pa: 4e5 } };
    expect(plain(ruleSum(least, unit.rungs, units))).toBe('Heaviest load at least 4 bar');
  });
  test('what resolves a clash depends on the kind of rule', () => {
    expect(wayOut(rule('comp'), 12e5, units)).toBe('widen this band by 12 bar');
    expect(wayOut(gun, 12e5, units)).toContain('ask for 12 bar less there');
    expect(wayOut(rule('load'), 12e5, units)).toBe('change this figure by 12 bar');
    expect(wayOut(rule('under_weakest'), 5e4, units)).toBe('make this margin 0.5 bar smaller');
  });
  test('the plan tells what to do and what the gauge shows', () => {
    expect(plan.steps.map((step) => planWord(step, unit, units))).toEqual([
      'Park Main relief low',
      'Park Cross-port A low',
      'Park Cross-port B low',
      'Park Compensator fully up',
      'Main relief up to 205 bar',
      'Shift to A',
      'Cross-port A up to 200 bar',
      'Shift to B',
      'Cross-port B up to 200 bar',
      'Centre the directional valve',
      'Compensator down to 185 bar',
    ]);
    expect(readingsWord(plan.steps[4]!, unit, units)).toBe('Pump gauge 205, ruled by Main relief');
  });
  test('the order has its reasons', () => {
    const say = precedenceWord(
      plan.order.reasons[0]!,
      (id) => unit.rungs.find((rung) => rung.id === id)!.name,
    );
    expect(say).toMatch(/^Main relief before Cross-port A: it is the higher one/);
  });
  test('what is wrong with a system is said by name', () => {
    const twice = { ...unit, rungs: [...unit.rungs, { ...unit.rungs[0]!, id: 'again' }] };
    expect(checkSystem(twice).map(issueWord)).toEqual(['Two rungs are called Heaviest load.']);
    expect(ladderTrouble({ code: 'ladder.no_floor', rungs: ['Zone 3'] })).toMatch(
      /^No rule holds these up: Zone 3/,
    );
  });
});
