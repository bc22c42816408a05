import { z } from '@hono/zod-openapi';
import {
  firstOwnerSchema,
  may,
  peopleRulesSchema,
  personChangeSchema,
  personSchema,
  placeOfSessionSchema,
  secretSchema,
  sessionSchema,
  signInSchema,
  type Person,
  type Session,
} from '@holvek/core';
import { createHash, randomUUID, timingSafeEqual } from 'node:crypto';
import type { Context } from 'hono';
import { deleteCookie, setCookie } from 'hono/cookie';
import { keepDocument } from '../db/keep';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { addressOf } from '../http/address';
import { Problem, notFound } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import type { Challenges } from '../people/challenges';
import { provedPlace } from '../people/device-proof';
import { hasOwner } from '../people/first-code';
import { cookieName, mustBeAllowed, signedIn, whoIsHere } from '../people/gate';
import { PEOPLE_RULES, peopleRulesOf } from '../people/rules';
import { isSecret, keptSecret } from '../people/secret';
import { endSessions, openSession, peopleOf, type Doorkeeper } from '../people/sessions';
import { Tries } from '../people/tries';

const HALF_A_YEAR_S = 180 * 86_400;
const DEMO = 'demo_people';
const demoSchema = z.array(z.object({ person_id: z.string(), secret: z.string() }));

type Options = {
  readonly doorkeeper: Doorkeeper;
  /** What the first owner has to know; nobody can become it where there is none. */
  readonly firstCode?: string;
  readonly tried: Tried;
  readonly challenges: Challenges;
  /** What the house says of its demo, or a demo of its house. */
  readonly told?: Pick<Session, 'has_larkhollow' | 'home_port'>;
};

type Tried = (name: string, isRight: () => Promise<boolean> | boolean) => Promise<void>;

/** Looks at secrets of any kind; a wrong one makes the wait for the next longer. */
export function tryingWith(tries: Tries): Tried {
  return async (name, isRight) => {
    const wait = tries.waitOf(name);
    if (wait > 0) throw new Problem(429, 'person.try_later', { seconds: wait });
    // Counted before it is looked at: a hundred at once are a hundred tries.
    tries.wrong(name);
    if (!(await isRight())) throw new Problem(401, 'person.wrong_secret');
    tries.right(name);
  };
}

/** Signing in and out, and how a house gets its first owner. */
export function sessionRoutes(store: Store, options: Options) {
  const { doorkeeper, tried, challenges, firstCode } = options;
  const told = async (person?: Person, key?: string | null): Promise<Session> => ({
    ...(person ? { person } : {}),
    ...(key ? { key } : {}),
    challenge: challenges.make(),
    ...(await houseOf(store)),
    ...options.told,
  });
  const router = newRouter();
  router.delete('/session', async (c) => {
    const own = whoIsHere(c)?.session;
    if (own !== undefined) await store.write((tables) => endSessions(tables, { id: own }));
    doorkeeper.forget();
    deleteCookie(c, cookieName(c), { path: '/' });
    return c.json(await told(), 200);
  });
  return router
    .openapi(getRoute('/session', 'Who I am to this house', sessionSchema), async (c) =>
      c.json(await told(whoIsHere(c)?.person, whoIsHere(c)?.key), 200),
    )
    .openapi(
      sendRoute('post', '/session', 'Sign in', { body: signInSchema, response: sessionSchema }),
      async (c) => {
        const { short, secret, ...place } = c.req.valid('json');
        const person = (await peopleOf(store.tables)).find((each) => each.short === short);
        const kept = person && (await store.tables.secrets.findByPk(person.id, { raw: true }));
        const mayCome = person !== undefined && person.left_on === undefined;
        await tried(`person ${short}`, () => isSecret(secret, mayCome ? kept?.body : undefined));
        const proved = await provedPlace(store.tables, place, challenges);
        giveToken(c, await store.write((tables) => openSession(tables, person!.id, proved)));
        return c.json(await told(person), 200);
      },
    )
    .openapi(
      sendRoute('post', '/first-owner', 'Become the first owner, by the code that was printed', {
        body: firstOwnerSchema,
        response: sessionSchema,
      }),
      async (c) => {
        const { code, name, short, secret, ...place } = c.req.valid('json');
        if (firstCode === undefined) throw new Problem(409, 'house.has_owner');
        await tried(`first owner from ${addressOf(c)}`, () => isSameText(code, firstCode));
        const body = await keptSecret(secret);
        const proved = await provedPlace(store.tables, place, challenges);
        const { person, token } = await store.write(async (tables) => {
          if (await hasOwner(tables)) throw new Problem(409, 'house.has_owner');
          const owner = await firstOwner(tables, { name, short });
          await tables.secrets.upsert({ person_id: owner.id, body });
          return { person: owner, token: await openSession(tables, owner.id, proved) };
        });
        giveToken(c, token);
        return c.json(await told(person), 200);
      },
    );
}

/** The owner of a record that was taken in, by his short name; somebody new where there is nobody of it. */
async function firstOwner(
  tables: Tables,
  { name, short }: Pick<Person, 'name' | 'short'>,
): Promise<Person> {
  const known = (await peopleOf(tables)).find((person) => person.short === short);
  if (known?.role === 'owner' && known.left_on === undefined) return known;
  if (known) throw new Problem(409, 'person.short_taken', { short });
  const person: Person = { id: randomUUID(), name, short, role: 'owner', licences: [] };
  await keepPerson(tables, person, person.name);
  return person;
}

/** Who belongs to the house, and where each is signed in. */
export function peopleRoutes(store: Store, { doorkeeper, tried }: Options) {
  const router = newRouter();
  router.delete('/sessions/:id', async (c) => {
    const id = c.req.param('id');
    const row = await store.tables.sessions.findByPk(id, { raw: true });
    if (!row) throw notFound('session', id);
    if (row.person_id !== signedIn(c).person.id) mustBeAllowed(c, 'invite');
    await store.write((tables) => endSessions(tables, { id }, { isRevoked: true }));
    doorkeeper.forget();
    return c.json({ ended: true }, 200);
  });
  return router
    .openapi(getRoute('/people', 'Everybody of the house', z.array(personSchema)), async (c) =>
      c.json([...(await peopleOf(store.tables))], 200),
    )
    .openapi(
      sendRoute('put', '/people/{id}', 'Add or change a person; a new one needs a secret', {
        body: personChangeSchema,
        response: personSchema,
      }),
      async (c) => {
        const { person, secret } = c.req.valid('json');
        if (person.id !== c.req.param('id')) throw new Problem(400, 'request.ids_differ');
        const asker = signedIn(c).person;
        const body = secret === undefined ? undefined : await keptSecret(secret);
        await store.write((tables) => putPerson(tables, { person, body, asker }));
        doorkeeper.forget();
        return c.json(person, 200);
      },
    )
    .openapi(
      sendRoute('put', '/session/secret', 'Change my own secret; my other phones are signed out', {
        body: z.object({ old: z.string().max(200), secret: secretSchema }),
        response: z.object({ changed: z.literal(true) }),
      }),
      async (c) => {
        const { old, secret } = c.req.valid('json');
        const { person, session } = signedIn(c);
        const kept = await store.tables.secrets.findByPk(person.id, { raw: true });
        await tried(`person ${person.short}`, () => isSecret(old, kept?.body));
        const body = await keptSecret(secret);
        await store.write(async (tables) => {
          await tables.secrets.upsert({ person_id: person.id, body });
          await endSessions(tables, { person_id: person.id }, { except: session });
        });
        doorkeeper.forget();
        return c.json({ changed: true } as const, 200);
      },
    )
    .openapi(
      getRoute('/people-rules', 'What is asked of those who make records', peopleRulesSchema),
      async (c) => c.json(await peopleRulesOf(store.tables), 200),
    )
    .openapi(
      sendRoute('put', '/people-rules', 'Change what is asked of those who make records', {
        body: peopleRulesSchema,
        response: peopleRulesSchema,
      }),
      async (c) => {
        const rules = c.req.valid('json');
        const { name } = signedIn(c).person;
        const document = { id: PEOPLE_RULES, body: JSON.stringify(rules) };
        await store.write((tables) => keepDocument(tables, 'settings', document, name));
        return c.json(rules, 200);
      },
    )
    .openapi(
      getRoute('/sessions', 'Where I am signed in, or, for an owner, where all are', places),
      async (c) => {
        const { person, session } = signedIn(c);
        const whose = may(person.role, 'invite') ? undefined : person.id;
        return c.json(await doorkeeper.places(whose, session), 200);
      },
    );
}
const places = z.array(placeOfSessionSchema);

const giveToken = (c: Context, token: string): void =>
  setCookie(c, cookieName(c), token, {
    path: '/',
    httpOnly: true,
    sameSite: 'Strict',
    secure: c.req.url.startsWith('https:') || c.req.header('x-forwarded-proto') === 'https',
    maxAge: HALF_A_YEAR_S,
  });

/** Compared by their digests: in the same time wherever they differ. */
function isSameText(a: string, b: string): boolean {
  const digest = (text: string) => createHash('sha256').update(text.trim().toUpperCase()).digest();
  return timingSafeEqual(digest(a), digest(b));
}

async function houseOf(store: Store): Promise<Omit<Session, 'person'>> {
  const people = await peopleOf(store.tables);
  const row = await store.tables.settings.findByPk(DEMO, { raw: true });
  const has = await hasOwner(store.tables);
  if (!row) return { has_owner: has };
  const demo = demoSchema.parse(JSON.parse(row.body)).flatMap(({ person_id, secret }) => {
    const person = people.find(({ id, left_on }) => id === person_id && left_on === undefined);
    return person ? [{ person, secret }] : [];
  });
  return { has_owner: has, demo };
}

/** A person in the register, with a version in the history. */
export const keepPerson = (tables: Tables, person: Person, who?: string): Promise<void> =>
  keepDocument(
    tables,
    'people',
    { id: person.id, tag: person.short, body: JSON.stringify(person) },
    who,
  );

type PutPerson = {
  readonly person: Person;
  /** The secret as it is kept. */
  readonly body: string | undefined;
  readonly asker: Person;
};

async function putPerson(tables: Tables, { person, body, asker }: PutPerson): Promise<void> {
  const people = await peopleOf(tables);
  // Of two owners who remove each other, the second is none any more when his turn comes.
  const now = people.find(({ id }) => id === asker.id);
  if (!now || now.left_on !== undefined || !may(now.role, 'invite'))
    throw new Problem(403, 'person.may_not', { action: 'invite', needs: 'owner' });
  const others = people.filter(({ id }) => id !== person.id);
  const same = (text: string) => text.trim().toLowerCase();
  if (others.some(({ short }) => short === person.short))
    throw new Problem(409, 'person.short_taken', { short: person.short });
  if (others.some(({ name }) => same(name) === same(person.name)))
    throw new Problem(409, 'person.name_taken', { name: person.name });
  const isOwner = ({ role, left_on }: Person) => role === 'owner' && left_on === undefined;
  if (!isOwner(person) && !others.some(isOwner)) throw new Problem(409, 'person.last_owner');
  const before = people.find(({ id }) => id === person.id);
  // Entries and sheets carry the name: it stays what it was when they were signed.
  if (before && before.name !== person.name) throw new Problem(422, 'person.name_stays');
  if (!before && body === undefined) throw new Problem(422, 'person.needs_secret');
  await keepPerson(tables, person, asker.name);
  if (body !== undefined) await tables.secrets.upsert({ person_id: person.id, body });
  if (body !== undefined || person.left_on !== undefined)
    await endSessions(tables, { person_id: person.id });
}

/** Marks a database as a demo: whom one may be there, and by which PIN. */
export async function markDemo(
  tables: Tables,
  people: readonly { readonly person: Person; readonly secret: string }[],
): Promise<void> {
  const demo: z.infer<typeof demoSchema> = [];
  for (const { person, secret } of people) {
    await keepPerson(tables, person);
    await tables.secrets.upsert({ person_id: person.id, body: await keptSecret(secret) });
    demo.push({ person_id: person.id, secret });
  }
  await tables.settings.upsert({ id: DEMO, body: JSON.stringify(demo) });
}
