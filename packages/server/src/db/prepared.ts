import type { Sequelize } from 'sequelize';
import type { Database, Statement } from 'sqlite3';

export type Value = string | number | null;

/**
 * Statements that are prepared once on a connection and run many times: for the few that every entry
 * from a phone passes through, where Sequelize's own way of a query costs more than the query.
 */
export class Prepared {
  private readonly statements = new Map<string, Statement>();

  constructor(private readonly database: Database) {}

  /** Rows that a statement gives. */
  all<R>(sql: string, ...values: readonly Value[]): Promise<R[]> {
    return new Promise((done, failed) => {
      this.statement(sql).all<R>([...values], (error, rows) => {
        if (error) failed(error);
        else done(rows);
      });
    });
  }

  /** Runs a statement for what it does. */
  run(sql: string, ...values: readonly Value[]): Promise<void> {
    return new Promise((done, failed) => {
      this.statement(sql).run([...values], (error: Error | null) => {
        if (error) failed(error);
        else done();
      });
    });
  }

  /** Lets every statement go: a connection does not close over one. */
  async close(): Promise<void> {
    for (const statement of this.statements.values())
      await new Promise<void>((done) => {
        statement.finalize(() => done());
      });
    this.statements.clear();
  }

  private statement(sql: string): Statement {
    const known = this.statements.get(sql);
    if (known) return known;
    const made = this.database.prepare(sql);
    this.statements.set(sql, made);
    return made;
  }
}

/** Prepared statements on the one connection that a Sequelize of SQLite keeps. */
export async function preparedOn(sequelize: Sequelize): Promise<Prepared> {
  const connection = await sequelize.connectionManager.getConnection({ type: 'write' });
  return new Prepared(connection as Database);
}
