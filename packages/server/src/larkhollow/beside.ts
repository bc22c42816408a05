import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { bundleOf } from '../own-process';

type Environment = Readonly<Record<string, string | undefined>>;

export type BesideOptions = {
  /** The database of the house: Larkhollow stands in a folder beside it. */
  readonly file: string;
  readonly host: string;
  /** Of the house; Larkhollow has the next that is free. */
  readonly port: number;
  readonly env: Environment;
  /** What is started; this very server where it is not said. */
  readonly program?: string;
};

/** ms. Making its history takes a quarter of a minute; a slow machine has more. */
const LONGEST_START = 120_000;
/** Ports that are tried, one after another. */
const PORTS = 20;
/** Words of a server that listens. */
const READY = /ready at/u;

/** What belongs to the house alone, and is not for its demo. */
const OF_THE_HOUSE = ['FIRST_CODE', 'METRICS_TOKEN', 'BACKUPS'] as const;

/**
 * Larkhollow, to be looked at beside a house of one's own: a server of its own over a database of its own, at another
 * port. To a browser that is another place altogether: nothing that is kept on a phone for one is seen by the other.
 */
export class LarkhollowBeside {
  private child: ChildProcess | undefined;
  private opening: Promise<number> | undefined;

  constructor(private readonly options: BesideOptions) {}

  /** Its port, once it answers; started where it does not run. @throws with what it said, where it came to nothing */
  open(): Promise<number> {
    this.opening ??= this.start().catch((error: unknown) => {
      this.opening = undefined;
      throw error;
    });
    return this.opening;
  }

  close(): void {
    this.child?.kill('SIGTERM');
  }

  private async start(): Promise<number> {
    const { file, host, port: own, env, program = bundleOf('server') } = this.options;
    const data = join(dirname(file), 'larkhollow', 'holvek.sqlite');
    mkdirSync(dirname(data), { recursive: true, mode: 0o700 });
    sameAuthority(file, data);
    const port = await freePort(own + 1, host);
    const child = spawn(process.execPath, [program], {
      env: {
        ...without(env, OF_THE_HOUSE),
        DATA: data,
        PORT: `${port}`,
        SEED: 'demo',
        BACKUPS: 'off',
        LARKHOLLOW: 'off',
        HOME_PORT: `${own}`,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    child.once('exit', () => {
      this.opening = undefined;
    });
    await ready(child);
    return port;
  }
}

const without = (env: Environment, names: readonly string[]): Environment =>
  Object.fromEntries(Object.entries(env).filter(([name]) => !names.includes(name)));

/** Whoever trusts the house trusts its Larkhollow. */
function sameAuthority(file: string, data: string): void {
  const from = join(dirname(file), 'keys', 'authority.json');
  const to = join(dirname(data), 'keys', 'authority.json');
  if (!existsSync(from) || existsSync(to)) return;
  mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
  copyFileSync(from, to);
}

/** The first port from here on where nothing listens. @throws where all are taken */
async function freePort(first: number, host: string): Promise<number> {
  for (let port = first; port < first + PORTS; port++) if (await isFree(port, host)) return port;
  throw new Error(`no port is free from ${first} on`);
}

const isFree = (port: number, host: string): Promise<boolean> =>
  new Promise((told) => {
    const probe = createServer();
    probe.once('error', () => told(false));
    probe.listen(port, host, () => probe.close(() => told(true)));
  });

const ready = (child: ChildProcess): Promise<void> =>
  new Promise((done, failed) => {
    let trouble = '';
    const late = setTimeout(() => {
      child.kill('SIGTERM');
      failed(new Error('Larkhollow did not answer'));
    }, LONGEST_START);
    const end = () => clearTimeout(late);
    child.stdout?.on('data', (said: Buffer) => {
      if (!READY.test(said.toString())) return;
      end();
      done();
    });
    child.stderr?.on('data', (said: Buffer) => {
      trouble = (trouble + said.toString()).slice(-400);
    });
    child.once('exit', () => {
      end();
      failed(new Error(trouble.trim() || 'Larkhollow ended before it was ready'));
    });
  });
