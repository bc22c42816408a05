import sqlite3 from 'sqlite3';

type Row = Readonly<Record<string, unknown>>;

export type Statement = {
  readonly run: (values: readonly unknown[]) => Promise<void>;
  readonly finalize: () => Promise<void>;
};

const statementOf = (statement: sqlite3.Statement): Statement => ({
  run: (values) =>
    new Promise((done, failed) => {
      statement.run([...values], (error: Error | null) => (error ? failed(error) : done()));
    }),
  finalize: () =>
    new Promise((done, failed) => {
      statement.finalize((error?: Error | null) => (error ? failed(error) : done()));
    }),
});

/** One connection to a database file, beside whoever serves it. */
export class Snapshot {
  private constructor(private readonly database: sqlite3.Database) {}

  static open(file: string): Promise<Snapshot> {
    return new Promise((done, failed) => {
      const database = new sqlite3.Database(file, sqlite3.OPEN_READWRITE, (error) =>
        error ? failed(error) : done(new Snapshot(database)),
      );
      database.configure('busyTimeout', 10_000);
    });
  }

  all(sql: string, values: readonly unknown[] = []): Promise<Row[]> {
    return new Promise((done, failed) => {
      this.database.all<Row>(sql, [...values], (error, rows) =>
        error ? failed(error) : done(rows),
      );
    });
  }

  /** Whether it has such a table. */
  has = async (table: string): Promise<boolean> =>
    (await this.all(`SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?`, [table]))
      .length > 0;

  /** How many rows a table has; 0 where it is not there yet. */
  async count(table: string): Promise<number> {
    if (!(await this.has(table))) return 0;
    const [row] = await this.all(`SELECT COUNT(*) AS n FROM ${table}`);
    return Number(row?.['n']);
  }

  /** The names of its tables. */
  async tables(): Promise<string[]> {
    const rows = await this.all(
      `SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name`,
    );
    return rows.map(({ name }) => String(name));
  }

  /** The columns of a table, in their order. */
  async columns(table: string): Promise<string[]> {
    const rows = await this.all('SELECT name FROM pragma_table_info(?) ORDER BY cid', [table]);
    return rows.map(({ name }) => String(name));
  }

  /** A statement that is run many times. */
  prepare(sql: string): Promise<Statement> {
    return new Promise((done, failed) => {
      const statement = this.database.prepare(sql, (error: Error | null) =>
        error ? failed(error) : done(statementOf(statement)),
      );
    });
  }

  /** Changes of shape that were made to it. */
  async migrations(): Promise<string[]> {
    if (!(await this.has('SequelizeMeta'))) return [];
    const rows = await this.all(`SELECT name FROM "SequelizeMeta" ORDER BY name`);
    return rows.map(({ name }) => String(name));
  }

  close = (): Promise<void> =>
    new Promise((done, failed) => {
      this.database.close((error) => (error ? failed(error) : done()));
    });
}
