import { pbkdf2Sync, webcrypto } from 'node:crypto';
import {
  houseActions,
  may,
  oneMoreWrong,
  personSchema,
  PIN_ROUNDS,
  pinDigest,
  roles,
  secretSchema,
  waitAfter,
  whoMay,
  type HouseAction,
  type Role,
} from '.';

/** Pair by pair, as it is meant: what each role may beyond the one before. */
const more: { readonly [R in Role]: readonly HouseAction[] } = {
  viewer: ['look', 'practise'],
  technician: [
    'work',
    'sign',
    'revise',
    'note_repair',
    'photograph',
    'leave_notice',
    'hand_out',
    'plan_round',
    'add_to_register',
    'change_plate',
    'keep_gauges',
  ],
  supervisor: [
    'countersign',
    'plan_season',
    'change_target',
    'import',
    'retire',
    'change_ladder',
    'change_place',
  ],
  owner: ['change_rules', 'invite', 'keep_house'],
};

describe('who may what', () => {
  const mayBy = (role: Role): readonly HouseAction[] =>
    roles.slice(0, roles.indexOf(role) + 1).flatMap((each) => more[each]);

  test.each(roles.flatMap((role) => houseActions.map((action) => [role, action] as const)))(
    '%s: %s',
    (role, action) => {
      expect(may(role, action)).toBe(mayBy(role).includes(action));
    },
  );

  test('whom to ask is the first who may', () => {
    for (const action of houseActions) expect(more[whoMay(action)]).toContain(action);
  });
});

describe('a person', () => {
  const ines = { id: 'p-1', name: 'Ines Varga', short: 'ines', role: 'technician' };

  test('has no licence that was not entered', () => {
    expect(personSchema.parse(ines).licences).toEqual([]);
  });

  test.each([
    ['a short name with a capital', { short: 'Ines' }],
    ['a short name of one letter', { short: 'i' }],
    ['a short name of thirteen', { short: 'i'.repeat(13) }],
    ['a short name that begins with a figure', { short: '1nes' }],
    ['a name with a line in it', { name: 'Ines\nVarga' }],
    ['a name of one letter', { name: ' I ' }],
    ['a role of another house', { role: 'admin' }],
    ['a licence without a day', { licences: [{ kind: 'gas', number: '7', valid_until: 'soon' }] }],
  ])('is refused with %s', (_, over) => {
    expect(personSchema.safeParse({ ...ines, ...over }).success).toBe(false);
  });

  test.each([
    ['593712', true],
    ['a pump in the yard', true],
    ['59371', false],
    ['777777', false],
    ['123456', false],
    ['345678', false],
    ['x'.repeat(201), false],
  ])('keeps %s as a secret: %s', (secret, isTaken) => {
    expect(secretSchema.safeParse(secret).success).toBe(isTaken);
  });
});

describe('what a phone keeps of a PIN', () => {
  test('is PBKDF2 over its salt: the same for the same, another for any other', async () => {
    const cost = { salt: 'salt', rounds: 1000 };
    const digest = (secret: string, more = {}) =>
      pinDigest(webcrypto.subtle, secret, { ...cost, ...more });
    const known = await digest('593712');
    expect(known).toBe(pbkdf2Sync('593712', 'salt', 1000, 32, 'sha256').toString('hex'));
    expect(await digest('５93712')).toBe(known);
    expect(await digest('593713')).not.toBe(known);
    expect(await digest('593712', { salt: 'other' })).not.toBe(known);
    expect(await digest('593712', { rounds: 1001 })).not.toBe(known);
    expect(PIN_ROUNDS).toBeGreaterThanOrEqual(600_000);
  });

  test('after the fifth wrong try one waits, twice as long each time, a quarter of an hour at most', () => {
    const waits = [4, 5, 6, 7, 9, 10, 30].map((wrong) => waitAfter({ wrong, lastMs: 0 }, 0));
    expect(waits).toEqual([0, 30, 60, 120, 480, 900, 900]);
    expect(oneMoreWrong({ wrong: 7, lastMs: 0 }, 3_600_000)).toEqual({
      wrong: 8,
      lastMs: 3_600_000,
    });
    expect(oneMoreWrong({ wrong: 7, lastMs: 0 }, 3_600_001)).toEqual({
      wrong: 1,
      lastMs: 3_600_001,
    });
  });
});
