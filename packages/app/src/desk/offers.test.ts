import type { RunEventDraft } from '@holvek/core';
import { Offers } from './offers';

const done = (step_id: string): RunEventDraft => ({ type: 'step_done', step_id });

describe('what a screen offers', () => {
  test('is taken once in the state in which it was offered', () => {
    const offers = new Offers();
    expect(offers.accept(4, done('bleed'))).toBe(true);
    expect(offers.accept(4, done('bleed'))).toBe(false);
    expect(offers.accept(5, done('bleed'))).toBe(true);
  });

  test('two entries of one tap are two, and so are two things of one kind', () => {
    const offers = new Offers();
    expect(offers.accept(4, { type: 'observed', key: 'flow', value: 2 })).toBe(true);
    expect(offers.accept(4, { type: 'observed', key: 'outlets', value: 2 })).toBe(true);
    expect(offers.accept(4, done('flow'))).toBe(true);
    const register = (key: string, value: number) =>
      ({
        type: 'register_set',
        step_id: 'range',
        register: key,
        value,
      }) as unknown as RunEventDraft;
    expect(offers.accept(4, register('40006', 1))).toBe(true);
    expect(offers.accept(4, register('40007', 1))).toBe(true);
    expect(offers.accept(4, register('40007', 2))).toBe(false);
  });

  test('what was refused may be tried again', () => {
    const offers = new Offers();
    offers.accept(4, { type: 'turned', adjuster: 'main', turns: 40 });
    offers.release(4, { type: 'turned', adjuster: 'main', turns: 40 });
    expect(offers.accept(4, { type: 'turned', adjuster: 'main', turns: 0.5 })).toBe(true);
    expect(offers.accept(4, { type: 'turned', adjuster: 'main', turns: 0.25 })).toBe(false);
  });
});
