import { gaugePa, inTurns } from '../quantity';
import { procedureOf } from '../family';
import { answerOf, checkTurn, signsOf, rankCauses } from './diagnosis';

const reducingCauses = procedureOf('reducing').causes;
const first = (evidence: Parameters<typeof rankCauses>[1]) =>
  rankCauses(reducingCauses, evidence)[0]!;

describe('how the gauge has answered', () => {
  const foretold = { mean: 460_000, low: 440_000, high: 480_000 };
  test.each([
    [455_000, 'as_foretold'],
    [401_000, 'no_change'],
    [360_000, 'wrong_way'],
    [420_000, 'too_little'],
    [520_000, 'too_much'],
  ])('from 400 to %d is %s', (after, answer) => {
    expect(answerOf(gaugePa(400_000), gaugePa(after), foretold, 1000)).toBe(answer);
  });
});

describe('why it does not answer', () => {
  test('an outlet that creeps up with a quiet vent is a main that is filling', () => {
    const cause = first({ answer: 'no_change', trend: 'creeping_up', vent: 'quiet' });
    expect(cause.cause.id).toBe('main_filling');
    expect(cause.word).toBe('very likely');
  });

  test.each([
    ['reversed', { answer: 'wrong_way' }],
    ['reversed', { answer: 'no_change', travel: 'low_end', other_way: 'rises' }],
    ['selector_off', { answer: 'no_change', selector: 'elsewhere' }],
    ['supply_low', { answer: 'no_change', supply: 'low', trend: 'still' }],
    ['nut_tight', { answer: 'no_change', nut: 'tight', trend: 'still' }],
    ['air', { trend: 'swinging', air: 'spits' }],
    ['pilot_fast', { trend: 'swinging', air: 'solid' }],
    ['off_spring', { answer: 'no_change', feel: 'solid', travel: 'high_end' }],
    ['no_flow', { answer: 'no_change', flow: 'weak' }],
    ['wide_open', { answer: 'no_change', flow: 'strong', trend: 'still' }],
  ])('%s stands first on %p', (id, evidence) => {
    expect(first(evidence).cause.id).toBe(id);
  });

  test('probabilities sum to one and fall', () => {
    const ranked = rankCauses(reducingCauses, { answer: 'no_change' });
    expect(ranked.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    ranked
      .slice(1)
      .forEach(({ probability }, i) =>
        expect(probability).toBeLessThanOrEqual(ranked[i]!.probability),
      );
  });

  test('what is not known changes nothing', () => {
    const bare = rankCauses(reducingCauses, {});
    const unknown = rankCauses(reducingCauses, { vent: undefined, answer: undefined });
    expect(unknown.map(({ cause }) => cause.id)).toEqual(bare.map(({ cause }) => cause.id));
  });

  test('every check can be answered, and each answer moves its own cause', () => {
    for (const cause of reducingCauses.filter(({ check }) => check)) {
      const { key, answers } = cause.check!;
      const chances = answers.map(
        ({ value }) =>
          rankCauses(reducingCauses, { [key]: value }).find((r) => r.cause.id === cause.id)!
            .probability,
      );
      expect(Math.max(...chances)).toBeGreaterThan(Math.min(...chances));
    }
  });
});

describe('turns that nobody means', () => {
  test.each([
    [0, 'coach.turn_of_nothing'],
    [0.001, 'coach.turn_of_nothing'],
    [Number.NaN, 'coach.turn_of_nothing'],
    [40, 'coach.turn_too_large'],
    [-40, 'coach.turn_too_large'],
  ])('%d is %s', (turns, code) => {
    expect(checkTurn(inTurns(turns), inTurns(8))?.code).toBe(code);
  });
  test('a real turn is taken', () => {
    expect(checkTurn(inTurns(-0.375), inTurns(8))).toBeUndefined();
  });
});

test('signs are told as the causes speak of them, each once', () => {
  const cause = (id: string, trend: Record<string, number>) => ({
    id,
    title: id,
    tell: '',
    doThis: '',
    prior: 1,
    likelihood: { trend },
  });
  const causes = [cause('a', { still: 0.9, else: 0.1 }), cause('b', { falling: 0.5, still: 0.5 })];
  expect(signsOf(causes, 'trend')).toEqual(['still', 'falling']);
  expect(signsOf(causes, 'vent')).toEqual([]);
});
