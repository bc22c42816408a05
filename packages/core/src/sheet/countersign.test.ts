import {
  countersignDigest,
  countersignOf,
  countersignSchema,
  countersignTrouble,
  defaultCountersignRules,
  wantsCountersign,
  type Countersign,
  type CountersignRules,
} from './countersign';
import { plate } from '../testing/samples';

/** A reducing valve that was approved for a fire main. */
const approved = {
  hash: 'a'.repeat(64),
  body: {
    rehearsal: false,
    technician: 'Tomas Brandt',
    plate: { ...plate, approval: { scheme: 'fire', accessories: [] } },
  },
};
const rules: CountersignRules = { duties: ['gas', 'fire'], signer_may: false };
const key = { kty: 'EC', crv: 'P-256', x: 'x', y: 'y' } as const;
const said = (over: Partial<Countersign> = {}): Countersign => ({
  sheet: approved.hash,
  by: 'Ines Varga',
  verdict: 'agreed',
  words: '',
  at_ms: 1000,
  signed: { key, signature: 's' },
  ...over,
});
describe('whether a second signature is wanted', () => {
  test('by the duty of the valve, as its owner says or as its plate does', () => {
    expect(wantsCountersign(approved, undefined, rules)).toBe(true);
    expect(wantsCountersign(approved, 'process', rules)).toBe(false);
    expect(wantsCountersign(approved, 'gas', rules)).toBe(true);
    expect(wantsCountersign(approved, undefined, defaultCountersignRules)).toBe(false);
  });

  test('never under practice', () => {
    const practice = { ...approved, body: { ...approved.body, rehearsal: true } };
    expect(wantsCountersign(practice, 'gas', rules)).toBe(false);
  });
});

describe('how a sheet stands with it', () => {
  const wanted = { duty: undefined, rules };

  test('wanted, then as it was said last; of another sheet nothing counts', () => {
    expect(countersignOf(approved, [], wanted)).toEqual({ kind: 'wanted' });
    expect(countersignOf(approved, [said({ sheet: 'b'.repeat(64) })], wanted).kind).toBe('wanted');
    const back = said({ verdict: 'sent_back', words: 'no lock' });
    expect(countersignOf(approved, [back], wanted)).toEqual({ kind: 'sent_back', last: back });
    expect(countersignOf(approved, [back, said()], wanted).kind).toBe('agreed');
    const none = { duty: undefined, rules: defaultCountersignRules };
    expect(countersignOf(approved, [back], none).kind).toBe('sent_back');
    expect(countersignOf(approved, [], none).kind).toBe('not_wanted');
  });

  test.each<
    [
      string,
      Partial<Countersign>,
      Parameters<typeof countersignTrouble>[2]['kind'],
      Partial<CountersignRules>,
      string | undefined,
    ]
  >([
    ['another hand', {}, 'wanted', {}, undefined],
    ['another hand, after it was sent back', {}, 'sent_back', {}, undefined],
    ['one that nobody wants', {}, 'not_wanted', {}, 'countersign.not_wanted'],
    ['one that is agreed', {}, 'agreed', {}, 'countersign.done'],
    ['the signer himself', { by: 'Tomas Brandt' }, 'wanted', {}, 'countersign.own'],
    [
      'the signer, where the rule allows',
      { by: 'Tomas Brandt' },
      'wanted',
      { signer_may: true },
      undefined,
    ],
    [
      'the signer, who finds fault',
      { by: 'Tomas Brandt', verdict: 'sent_back' },
      'wanted',
      {},
      undefined,
    ],
  ])('%s', (_, over, kind, more, trouble) => {
    const state = kind === 'agreed' || kind === 'sent_back' ? { kind, last: said() } : { kind };
    expect(countersignTrouble(approved, said(over), state, { ...rules, ...more })).toBe(trouble);
  });
});

describe('what is signed', () => {
  test('is every word of it', () => {
    const digest = countersignDigest(said());
    for (const over of [
      { sheet: 'b'.repeat(64) },
      { by: 'Edda Lorenz' },
      { verdict: 'sent_back' as const },
      { words: 'x' },
      { at_ms: 1001 },
    ])
      expect(countersignDigest(said(over))).not.toBe(digest);
  });

  test('sent back without a word is refused', () => {
    const parse = (over: Partial<Countersign>) => countersignSchema.safeParse(said(over)).success;
    expect([
      parse({}),
      parse({ verdict: 'sent_back' }),
      parse({ verdict: 'sent_back', words: 'no lock' }),
      parse({ verdict: 'sent_back', words: 'no' }),
      parse({ verdict: 'sent_back', words: 'why' }),
      parse({ words: 'x'.repeat(2000) }),
      parse({ words: 'x'.repeat(2001) }),
    ]).toEqual([true, false, true, false, true, true, false]);
  });
});
