import type { QueryInterface } from 'sequelize';

export type Migration = {
  readonly name: string;
  readonly up: (context: { readonly context: QueryInterface }) => Promise<void>;
};

const run = (context: QueryInterface, statements: readonly string[]) =>
  statements.reduce(
    (before, sql) => before.then(() => context.sequelize.query(sql)).then(() => undefined),
    Promise.resolve(),
  );

/** Rows of these tables are evidence: the database itself refuses to change or drop them. */
const appendOnly = (table: string) =>
  ['UPDATE', 'DELETE'].map(
    (verb) => `CREATE TRIGGER ${table}_no_${verb.toLowerCase()} BEFORE ${verb} ON ${table}
      BEGIN SELECT RAISE(ABORT, '${table} is append-only'); END`,
  );

/** REPLACE deletes without asking the triggers on DELETE: a key that exists is refused before it. */
const noReplacing = (table: string, key: string) =>
  `CREATE TRIGGER ${table}_no_replace BEFORE INSERT ON ${table}
    WHEN EXISTS (SELECT 1 FROM ${table} WHERE ${key} = NEW.${key})
    BEGIN SELECT RAISE(ABORT, '${table} is append-only'); END`;

export const migrations: readonly Migration[] = [
  {
    name: '0001-first-tables',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE sites (id TEXT PRIMARY KEY, body TEXT NOT NULL)`,
        `CREATE TABLE settings (id TEXT PRIMARY KEY, body TEXT NOT NULL)`,
        `CREATE TABLE valves (id TEXT PRIMARY KEY, tag TEXT NOT NULL UNIQUE, body TEXT NOT NULL)`,
        `CREATE TABLE gauges (id TEXT PRIMARY KEY, tag TEXT NOT NULL UNIQUE, body TEXT NOT NULL)`,
        `CREATE TABLE rounds (id TEXT PRIMARY KEY, body TEXT NOT NULL)`,
        `CREATE TABLE runs (id TEXT PRIMARY KEY, valve_id TEXT REFERENCES valves(id),
           status TEXT NOT NULL, refusal TEXT, last_at_ms INTEGER NOT NULL)`,
        `CREATE TABLE events (id TEXT PRIMARY KEY, run_id TEXT NOT NULL REFERENCES runs(id),
           type TEXT NOT NULL, lamport INTEGER NOT NULL, at_ms INTEGER NOT NULL, body TEXT NOT NULL)`,
        `CREATE INDEX events_of_run ON events (run_id, lamport)`,
        `CREATE TABLE sheets (id TEXT PRIMARY KEY, seq INTEGER NOT NULL, valve_id TEXT NOT NULL REFERENCES valves(id),
           run_id TEXT NOT NULL REFERENCES runs(id), hash TEXT NOT NULL UNIQUE,
           signed_at_ms INTEGER NOT NULL, body TEXT NOT NULL, UNIQUE (valve_id, seq))`,
        ...appendOnly('events'),
        ...appendOnly('sheets'),
      ]),
  },
  {
    name: '0002-systems',
    up: ({ context }) =>
      run(context, [`CREATE TABLE systems (id TEXT PRIMARY KEY, body TEXT NOT NULL)`]),
  },
  {
    // Practice is no evidence of a valve: it stands in no chain.
    name: '0003-practice',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE practice_sheets (id TEXT PRIMARY KEY, valve_id TEXT NOT NULL REFERENCES valves(id),
           run_id TEXT NOT NULL UNIQUE REFERENCES runs(id), hash TEXT NOT NULL,
           signed_at_ms INTEGER NOT NULL, body TEXT NOT NULL)`,
        ...appendOnly('practice_sheets'),
      ]),
  },
  {
    name: '0004-no-replacing',
    up: ({ context }) =>
      run(
        context,
        (['events', 'sheets', 'practice_sheets'] as const).map((table) => noReplacing(table, 'id')),
      ),
  },
  {
    // What was refused is kept aside: a signature over it is answered with its name.
    name: '0005-refused-entries',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE refused_entries (hash TEXT NOT NULL, run_id TEXT NOT NULL, id TEXT NOT NULL,
           code TEXT NOT NULL, at_ms INTEGER NOT NULL, body TEXT NOT NULL, PRIMARY KEY (run_id, hash))`,
        ...appendOnly('refused_entries'),
      ]),
  },
  {
    // What the register held, and when: a run is checked against it, and a change can be looked up.
    name: '0006-history',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE history (seq INTEGER PRIMARY KEY AUTOINCREMENT, kind TEXT NOT NULL, id TEXT NOT NULL,
           at_ms INTEGER NOT NULL, who TEXT, body TEXT NOT NULL)`,
        `CREATE INDEX history_of ON history (kind, id, seq)`,
        ...(['sites', 'valves', 'gauges', 'rounds', 'systems', 'settings'] as const).map(
          (kind) =>
            `INSERT INTO history (kind, id, at_ms, body) SELECT '${kind}', id, 0, body FROM ${kind}`,
        ),
        ...appendOnly('history'),
        noReplacing('history', 'seq'),
      ]),
  },
  {
    // One log over all valves: what was filed, in the order of filing, each line over the one before.
    name: '0007-log',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE log (seq INTEGER PRIMARY KEY, valve_id TEXT NOT NULL, sheet TEXT NOT NULL UNIQUE,
           at_ms INTEGER NOT NULL, previous TEXT, hash TEXT NOT NULL UNIQUE, key TEXT NOT NULL, signature TEXT NOT NULL)`,
        // Every key that has signed: a line stays checkable when the house has a new one.
        `CREATE TABLE keys (name TEXT PRIMARY KEY, since_ms INTEGER NOT NULL, body TEXT NOT NULL)`,
        ...appendOnly('log'),
        ...appendOnly('keys'),
        noReplacing('log', 'seq'),
        noReplacing('keys', 'name'),
      ]),
  },
  {
    // What lists ask of a valve, one row each: made from its sheets, and made again when one is missing.
    name: '0008-summaries',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE summaries (valve_id TEXT PRIMARY KEY REFERENCES valves(id), body TEXT NOT NULL)`,
      ]),
  },
  {
    name: '0009-repairs',
    up: ({ context }) =>
      run(context, [`CREATE TABLE repairs (id TEXT PRIMARY KEY, body TEXT NOT NULL)`]),
  },
  {
    // Of a secret only what it is stretched to is kept, of a session only the digest of its token.
    name: '0010-people',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE people (id TEXT PRIMARY KEY, tag TEXT NOT NULL UNIQUE, body TEXT NOT NULL)`,
        `CREATE TABLE secrets (person_id TEXT PRIMARY KEY REFERENCES people(id), body TEXT NOT NULL)`,
        `CREATE TABLE sessions (id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people(id),
           device TEXT NOT NULL, called TEXT NOT NULL, key TEXT, since_ms INTEGER NOT NULL,
           seen_ms INTEGER NOT NULL, ended_ms INTEGER, revoked INTEGER NOT NULL DEFAULT 0)`,
        `CREATE INDEX sessions_of ON sessions (person_id, device)`,
      ]),
  },
  {
    // What each valve teaches of its kind, from its sheets; made again where it is missing.
    name: '0011-lessons',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE lessons (valve_id TEXT PRIMARY KEY REFERENCES valves(id), body TEXT NOT NULL)`,
      ]),
  },
  {
    name: '0012-seasons',
    up: ({ context }) =>
      run(context, [`CREATE TABLE seasons (id TEXT PRIMARY KEY, body TEXT NOT NULL)`]),
  },
  {
    // What is said of pictures; the pictures are files beside the database.
    name: '0013-photos',
    up: ({ context }) =>
      run(context, [`CREATE TABLE photos (id TEXT PRIMARY KEY, body TEXT NOT NULL)`]),
  },
  {
    // What a second pair of eyes said of a sheet, in the order in which it came.
    name: '0014-countersigns',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE countersigns (seq INTEGER PRIMARY KEY AUTOINCREMENT, sheet TEXT NOT NULL, body TEXT NOT NULL)`,
        `CREATE INDEX countersigns_of ON countersigns (sheet, seq)`,
        ...appendOnly('countersigns'),
        noReplacing('countersigns', 'seq'),
      ]),
  },
  {
    // Calendars with an address of their own; one that is ended stays, so that its address stays dead.
    name: '0015-feeds',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE feeds (id TEXT PRIMARY KEY, body TEXT NOT NULL, ended_ms INTEGER)`,
      ]),
  },
  {
    name: '0016-notices',
    up: ({ context }) =>
      run(context, [`CREATE TABLE notices (id TEXT PRIMARY KEY, body TEXT NOT NULL)`]),
  },
  {
    // As calendars: one that is ended stays, so that its address stays dead.
    name: '0017-client-links',
    up: ({ context }) =>
      run(context, [
        `CREATE TABLE client_links (id TEXT PRIMARY KEY, body TEXT NOT NULL, ended_ms INTEGER)`,
      ]),
  },
];
