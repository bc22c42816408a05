import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';

export const sleep = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

/** What the first owner of an empty house types. */
export const FIRST_CODE = 'CRASH-BENCH';

/** The built server over a database of its own: killed without a word, and started again. */
export class KilledServer {
  private child: ChildProcess | undefined;
  readonly url: string;

  constructor(
    private readonly port: number,
    private readonly data: string,
    private readonly seed = false,
  ) {
    if (!existsSync('dist/server.mjs')) throw new Error('build first: npm run demo, or npm test');
    this.url = `http://127.0.0.1:${port}`;
  }

  start(): void {
    this.child = spawn(process.execPath, ['dist/server.mjs'], {
      stdio: 'ignore',
      env: {
        ...process.env,
        PORT: String(this.port),
        FIRST_CODE,
        BACKUPS: 'off',
        RATE_LIMIT: '1000000',
        DATA: this.data,
        ...(this.seed ? { SEED: 'demo' } : {}),
      },
    });
  }

  /** Waits until it answers; whether it did. */
  async isUp(): Promise<boolean> {
    for (let i = 0; i < 600; i++) {
      if (this.child?.exitCode !== null) return false;
      const answer = await fetch(`${this.url}/api/health`).catch(() => undefined);
      if (answer?.ok) return true;
      await sleep(50);
    }
    return false;
  }

  async kill(): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((done) => child.once('close', done));
    child.kill('SIGKILL');
    await gone;
  }
}
