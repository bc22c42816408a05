import { cutawayFaults, cutawayKinds, looksOf, viewCutaway, type CutawayHands } from '@holvek/core';
import { lookWords, printForce, sayDoing, sayLook } from './words';

const hands: CutawayHands = { knob: 6, supply: 1, draw: 0, fault: null };

describe('words of a cutaway', () => {
  test.each(cutawayKinds)('%s: every look has its title and what there is to see', (kind) => {
    expect(looksOf(kind).map(({ id }) => id)).toEqual(Object.keys(lookWords[kind]));
    for (const { id } of looksOf(kind)) expect(sayLook(kind, id, hands)).toMatch(/[.]$/u);
    for (const fault of cutawayFaults[kind])
      expect(sayLook(kind, undefined, { ...hands, fault })).toMatch(/[.]$/u);
    expect(sayLook(kind, undefined, hands)).toBeUndefined();
  });

  test('what wins is said with what it wins by', () => {
    const view = viewCutaway('direct', [0.7, 0, 0], hands);
    expect(sayDoing('direct', view)).toBe(
      'What opens wins by 1\u202f480\u00a0N: the plug opens until the other side pushes back.',
    );
    expect(sayDoing('pilot', view)).toMatch(/^The pilot lets more out/u);
    expect(sayDoing('direct', viewCutaway('direct', [0, 0, 305], hands))).toBe(
      'Shut: the outlet holds it down.',
    );
  });

  test('a force is read in tens of newtons', () => {
    expect(printForce(1757)).toBe('1\u202f760\u00a0N');
  });
});
