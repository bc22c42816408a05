import { demoValves } from '../../packages/server/src/seed/valves';
import { seededRandom } from '@holvek/core';
import { createApp } from '../../packages/server/src/app';
import { openStore } from '../../packages/server/src/db/open';
import { COOKIE } from '../../packages/server/src/people/gate';
import { openSession } from '../../packages/server/src/people/sessions';
import { keepPerson } from '../../packages/server/src/routes/people';
import { seedPeople } from '../../packages/server/src/seed/people';
import { benchGauges, recordRun } from './sample';

type Schema = {
  readonly $ref?: string;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
};
type Operation = {
  readonly requestBody?: {
    readonly content: Readonly<Record<string, { readonly schema: Schema }>>;
  };
};
type Document = {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components?: { readonly schemas?: Readonly<Record<string, Schema>> };
};

const odd = [
  ...['', '%', '%E0%A4%A', '../../x', 'constructor', '__proto__', '\u0001', '\u0000', '😀'],
  ...['null', '0', '-1', 'NaN', 'x'.repeat(5000), 'prv-03', 'larkhollow-edda', 'run-0', 'a b'],
];
/** Beside what the document names: files, and what has no body to describe. */
const others = [
  ...['get /valves.csv', 'get /evidence.json', 'get /valves/{id}/evidence.json'],
  ...['get /sheets/{id}.pdf', 'get /sheets/{id}.csv', 'get /sheets/{id}.json'],
  ...['get /schemas/{id}', 'delete /sessions/{id}', 'patch /valves/{id}', 'get /nowhere'],
];
const DEEPEST = 6;

/** Values as a document describes them, and now and then as nobody would. */
class Nonsense {
  constructor(
    private readonly random: ReturnType<typeof seededRandom>,
    private readonly document: Document,
  ) {}

  chance = (share: number): boolean => this.random.between(0, 1) < share;
  pick = <T>(list: readonly T[]): T => list[Math.floor(this.random.between(0, list.length))]!;

  of(schema: Schema | undefined, depth = 0): unknown {
    if (!schema || depth > DEEPEST || this.chance(0.1)) return this.anything();
    const named = schema.$ref?.split('/').at(-1);
    if (named !== undefined) return this.of(this.document.components?.schemas?.[named], depth + 1);
    const one = schema.anyOf ?? schema.oneOf;
    if (one) return this.of(this.pick(one), depth + 1);
    if (schema.enum) return this.pick(schema.enum);
    return 'const' in schema ? schema.const : this.typed(schema, depth);
  }

  private typed({ type, properties = {}, required = [], items }: Schema, depth: number): unknown {
    switch (type) {
      case 'object':
        return Object.fromEntries(
          Object.entries(properties)
            .filter(([key]) => required.includes(key) || this.chance(0.5))
            .map(([key, value]) => [key, this.of(value, depth + 1)]),
        );
      case 'array':
        return this.pick([[], [this.of(items, depth + 1)], [this.anything(), this.anything()]]);
      case 'string':
        return this.chance(0.5) ? this.pick(odd) : 'x-1';
      case 'boolean':
        return this.chance(0.5);
      default:
        return this.pick([0, 1, -5, 3.5, 1e12, Number.MAX_SAFE_INTEGER]);
    }
  }

  private anything(): unknown {
    return this.pick<unknown>([null, true, -1, 1e308, {}, [], this.pick(odd), { id: 'x' }, [null]]);
  }
}

/** What an operation is sent. What is no JSON is a file: of letters, it is none that can be opened. */
function bodyOf(nonsense: Nonsense, { requestBody }: Operation): string | undefined {
  const schema = requestBody?.content['application/json']?.schema;
  return JSON.stringify(schema || !requestBody ? nonsense.of(schema) : nonsense.pick(odd));
}

/**
 * Requests made from the API's own document, signed in and not, with what nobody would send among them:
 * how often the server called something its own fault.
 *
 * @param requests  how many
 */
export async function fuzzBench(requests: number) {
  const store = await openStore(':memory:');
  const faults: unknown[] = [];
  const app = createApp(store, { fontFolder: '', log: (error) => faults.push(error) });
  await seedPeople(store);
  const cookie = await store.write(async (tables) => {
    const author = { id: 'b', name: 'Bench', short: 'bench', role: 'owner', licences: [] } as const;
    await keepPerson(tables, { ...author, licences: [] });
    return `${COOKIE}=${await openSession(tables, 'b', { device: 'bench', called: '' })}`;
  });
  const send = (method: string, path: string, body?: string, headers: object = {}) =>
    app.request(`/api${path}`, {
      method: method.toUpperCase(),
      headers: { 'content-type': 'application/json', ...headers },
      ...(body === undefined ? {} : { body }),
    });
  for (const { valve } of demoValves)
    await send('put', `/valves/${valve.id}`, JSON.stringify(valve), { cookie });
  for (const gauge of benchGauges)
    await send('put', `/gauges/${gauge.id}`, JSON.stringify(gauge), { cookie });
  const events = recordRun('run-0');
  await send('post', '/runs/run-0/events', JSON.stringify({ events }), { cookie });

  const document = (await (await send('get', '/openapi.json')).json()) as Document;
  const nonsense = new Nonsense(seededRandom(83), document);
  const targets = [
    ...Object.entries(document.paths).flatMap(([path, operations]) =>
      Object.entries(operations).map(([method, operation]) => ({ method, path, operation })),
    ),
    ...others.map((each) => {
      const [method = '', path = ''] = each.split(' ');
      return { method, path, operation: {} as Operation };
    }),
    // A guess a request would cost a tenth of a second of scrypt.
  ].filter(({ method, path }) => method === 'get' || !/^\/(session|first-owner)/u.test(path));
  const answers = new Map<string, number>();
  for (let i = 0; i < requests; i++) {
    const { method, path, operation } = nonsense.pick(targets);
    const where = path.replace(/\{\w+\}/gu, () => encodeURIComponent(nonsense.pick(odd)) || 'x');
    const body = nonsense.chance(0.1) ? '{"cut' : bodyOf(nonsense, operation);
    const headers = {
      ...(nonsense.chance(0.9)
        ? { cookie }
        : { cookie: nonsense.pick(['', 'x=%', `${COOKIE}=1`]) }),
      ...(nonsense.chance(0.2) ? { 'if-match': nonsense.pick(['"x"', '*', '%']) } : {}),
      ...(nonsense.chance(0.2) ? { 'x-changed-by': nonsense.pick(['%', '%E0', 'Tomas']) } : {}),
      ...(nonsense.chance(0.05) ? { 'content-type': 'text/plain' } : {}),
    };
    const hasBody = ['put', 'post', 'patch'].includes(method);
    const { status } = await send(method, where, hasBody ? body : undefined, headers);
    const kind = `${Math.floor(status / 100)}xx`;
    answers.set(kind, (answers.get(kind) ?? 0) + 1);
  }
  await store.close();
  for (const fault of faults.slice(0, 5)) console.error(fault);
  return [...answers].sort().map(([answer, times]) => ({ answer, times, of: requests }));
}
