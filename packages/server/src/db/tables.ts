import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

type ByAddress = Stored<{ id: string; body: string; ended_ms: number | null }>;

/** A stored document: its id, what is searched for, and the parsed value as JSON. */
type Stored<T extends object> = Model<T, T> & T;
export type Tables = {
  readonly sites: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly valves: ModelStatic<Stored<{ id: string; tag: string; body: string }>>;
  readonly gauges: ModelStatic<Stored<{ id: string; tag: string; body: string }>>;
  readonly rounds: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly seasons: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly systems: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly repairs: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly photos: ModelStatic<Stored<{ id: string; body: string }>>;
  /** Words that were left on valves. */
  readonly notices: ModelStatic<Stored<{ id: string; body: string }>>;
  readonly settings: ModelStatic<Stored<{ id: string; body: string }>>;
  /** Who may come in; `tag` is the short name. */
  readonly people: ModelStatic<Stored<{ id: string; tag: string; body: string }>>;
  readonly secrets: ModelStatic<Stored<{ person_id: string; body: string }>>;
  readonly sessions: ModelStatic<
    Stored<{
      id: string;
      person_id: string;
      device: string;
      called: string;
      /** Name of the key that its device signs with. */
      key: string | null;
      since_ms: number;
      seen_ms: number;
      ended_ms: number | null;
      /** 1 where it was taken from its phone: what that phone still holds is not its author’s. */
      revoked: number;
    }>
  >;
  /** Calendars, and sheets of clients, that are read by an address: of its token only the digest is kept. */
  readonly feeds: ModelStatic<ByAddress>;
  readonly client_links: ModelStatic<ByAddress>;
  /** What lists ask of a valve: derived from its sheets. */
  readonly summaries: ModelStatic<Stored<{ valve_id: string; body: string }>>;
  /** What a valve has to teach others of its kind: derived from its sheets. */
  readonly lessons: ModelStatic<Stored<{ valve_id: string; body: string }>>;
  readonly runs: ModelStatic<
    Stored<{
      id: string;
      valve_id: string | null;
      status: string;
      refusal: string | null;
      last_at_ms: number;
    }>
  >;
  readonly events: ModelStatic<
    Stored<{
      id: string;
      run_id: string;
      type: string;
      lamport: number;
      at_ms: number;
      body: string;
    }>
  >;
  readonly sheets: ModelStatic<
    Stored<{
      id: string;
      seq: number;
      valve_id: string;
      run_id: string;
      hash: string;
      signed_at_ms: number;
      body: string;
    }>
  >;
  /** Entries that were refused, with the reason: kept aside, part of no run. */
  readonly refused: ModelStatic<
    Stored<{
      hash: string;
      run_id: string;
      id: string;
      code: string;
      at_ms: number;
      body: string;
    }>
  >;
  /** Every version of every document of the register. */
  readonly history: ModelStatic<
    Stored<{
      seq?: number;
      kind: string;
      id: string;
      at_ms: number;
      who: string | null;
      body: string;
    }>
  >;
  /** What a second pair of eyes said of sheets. */
  readonly countersigns: ModelStatic<Stored<{ seq?: number; sheet: string; body: string }>>;
  /** Public keys that have signed here. */
  readonly keys: ModelStatic<Stored<{ name: string; since_ms: number; body: string }>>;
  /** What was filed, in the order of filing, signed line by line. */
  readonly log: ModelStatic<
    Stored<{
      seq: number;
      valve_id: string;
      sheet: string;
      at_ms: number;
      previous: string | null;
      hash: string;
      key: string;
      signature: string;
    }>
  >;
  /** Practice, kept apart: in no chain. */
  readonly practice: ModelStatic<
    Stored<{
      id: string;
      valve_id: string;
      run_id: string;
      hash: string;
      signed_at_ms: number;
      body: string;
    }>
  >;
};

// Sequelize writes into the objects it is given: each column needs its own.
const id = () => ({ type: DataTypes.STRING(64), primaryKey: true });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false });
const options = { timestamps: false, freezeTableName: true } as const;

type Define = (name: string, columns: Record<string, unknown>) => never;

type Register =
  | 'sites'
  | 'valves'
  | 'gauges'
  | 'rounds'
  | 'seasons'
  | 'systems'
  | 'repairs'
  | 'photos'
  | 'notices';

/** Documents that are read and replaced whole. */
const defineRegister = (define: Define): Pick<Tables, Register> => ({
  sites: define('sites', { id: id(), body: text() }),
  valves: define('valves', { id: id(), tag: text(), body: text() }),
  gauges: define('gauges', { id: id(), tag: text(), body: text() }),
  rounds: define('rounds', { id: id(), body: text() }),
  seasons: define('seasons', { id: id(), body: text() }),
  systems: define('systems', { id: id(), body: text() }),
  repairs: define('repairs', { id: id(), body: text() }),
  photos: define('photos', { id: id(), body: text() }),
  notices: define('notices', { id: id(), body: text() }),
});

/** Who may come in, what they prove it by, and where they have. */
const definePeople = (define: Define): Pick<Tables, 'people' | 'secrets' | 'sessions'> => ({
  people: define('people', { id: id(), tag: text(), body: text() }),
  secrets: define('secrets', { person_id: id(), body: text() }),
  sessions: define('sessions', {
    id: id(),
    person_id: text(),
    device: text(),
    called: text(),
    key: { type: DataTypes.TEXT },
    since_ms: integer(),
    seen_ms: integer(),
    ended_ms: { type: DataTypes.INTEGER },
    revoked: integer(),
  }),
});

const byAddress = () => ({ id: id(), body: text(), ended_ms: { type: DataTypes.INTEGER } });

/** What is read by an address of its own. */
const defineAddresses = (define: Define): Pick<Tables, 'feeds' | 'client_links'> => ({
  feeds: define('feeds', byAddress()),
  client_links: define('client_links', byAddress()),
});

/** The models over the tables that the migrations made. */
export function defineTables(sequelize: Sequelize): Tables {
  const define: Define = (name, columns) =>
    sequelize.define(name, columns as never, { ...options, tableName: name }) as never;
  return {
    ...defineRegister(define),
    ...definePeople(define),
    ...defineAddresses(define),
    settings: define('settings', { id: id(), body: text() }),
    summaries: define('summaries', { valve_id: id(), body: text() }),
    lessons: define('lessons', { valve_id: id(), body: text() }),
    runs: define('runs', {
      id: id(),
      valve_id: { type: DataTypes.STRING(64) },
      status: text(),
      refusal: { type: DataTypes.TEXT },
      last_at_ms: integer(),
    }),
    events: define('events', {
      id: id(),
      run_id: text(),
      type: text(),
      lamport: integer(),
      at_ms: integer(),
      body: text(),
    }),
    sheets: define('sheets', {
      id: id(),
      seq: integer(),
      valve_id: text(),
      run_id: text(),
      hash: text(),
      signed_at_ms: integer(),
      body: text(),
    }),
    refused: define('refused_entries', {
      hash: id(),
      run_id: { ...text(), primaryKey: true },
      id: text(),
      code: text(),
      at_ms: integer(),
      body: text(),
    }),
    history: define('history', {
      seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      kind: text(),
      id: text(),
      at_ms: integer(),
      who: { type: DataTypes.TEXT },
      body: text(),
    }),
    countersigns: define('countersigns', {
      seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      sheet: text(),
      body: text(),
    }),
    keys: define('keys', {
      name: id(),
      since_ms: integer(),
      body: text(),
    }),
    log: define('log', {
      seq: { ...integer(), primaryKey: true },
      valve_id: text(),
      sheet: text(),
      at_ms: integer(),
      previous: { type: DataTypes.TEXT },
      hash: text(),
      key: text(),
      signature: text(),
    }),
    practice: define('practice_sheets', {
      id: id(),
      valve_id: text(),
      run_id: text(),
      hash: text(),
      signed_at_ms: integer(),
      body: text(),
    }),
  };
}
