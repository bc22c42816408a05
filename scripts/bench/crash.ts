import {
  absolutePa,
  checkWith,
  evidenceFileSchema,
  seededRandom,
  verifyEvidence,
  writeValvesCsv,
  type Ingested,
  type RunEvent,
} from '@holvek/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FIRST_CODE, KilledServer, sleep } from './killed-server';
import { benchGauges, benchValve, recordRun } from './sample';

const PORT = 8197;
const url = (path: string) => `http://127.0.0.1:${PORT}/api${path}`;
let cookie = '';
/** A request by whoever signed in last. */
const ask = (path: string, init: RequestInit = {}): Promise<Response> =>
  fetch(url(path), { ...init, headers: { 'content-type': 'application/json', cookie } });

/** As the owner that the demo has, or as the first one of a house that has nobody; he is called as the runs’ author. */
async function signIn(): Promise<void> {
  const device = 'bench';
  const demo = { short: 'edda', secret: '240758', device };
  const first = { code: FIRST_CODE, name: 'Bench', short: 'bench', secret: '593712', device };
  const post = (path: string, body: object) =>
    ask(path, { method: 'POST', body: JSON.stringify(body) });
  const { has_owner: hasOwner } = (await (await ask('/session')).json()) as { has_owner: boolean };
  const answer = await (hasOwner ? post('/session', demo) : post('/first-owner', first));
  cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
}

/** A server that is killed and started again, and what it has promised to keep. */
class Victim extends KilledServer {
  readonly stored = new Map<string, Set<string>>();
  readonly sheets = new Set<string>();

  /** Sends entries; what is answered as stored is promised. A server that dies meanwhile promises nothing. */
  async post(runId: string, events: readonly RunEvent[]): Promise<void> {
    const body = JSON.stringify({ events });
    const answer = await ask(`/runs/${runId}/events`, { method: 'POST', body }).catch(
      () => undefined,
    );
    if (!answer) return;
    const text = await answer.text().catch(() => '');
    if (!answer.ok) throw new Error(`refused: ${text}`);
    if (text === '') return;
    const { stored, sheetId } = JSON.parse(text) as Ingested;
    const promised = this.stored.get(runId) ?? new Set();
    for (const id of stored) promised.add(id);
    this.stored.set(runId, promised);
    if (sheetId) this.sheets.add(sheetId);
  }

  /** How much of what was promised is not there. */
  async lost(): Promise<number> {
    let missing = 0;
    for (const [runId, promised] of this.stored) {
      const { events } = (await (await ask(`/runs/${runId}`)).json()) as {
        events: RunEvent[];
      };
      const here = new Set(events.map(({ id }) => id));
      missing += [...promised].filter((id) => !here.has(id)).length;
    }
    for (const id of this.sheets) if (!(await ask(`/sheets/${id}`)).ok) missing += 1;
    return missing;
  }

  /** Faults that the whole record shows when it is checked. */
  async faults(): Promise<number> {
    const file = evidenceFileSchema.parse(await (await ask('/evidence.json')).json());
    const { faults } = await verifyEvidence(file, { check: checkWith(globalThis.crypto.subtle) });
    return faults.length;
  }
}

/**
 * Kills the server at chance moments: while it starts for the first time, migrates and seeds,
 * while runs come in and are signed, and while a register is read in. After each it must start again by itself, hold all that it has
 * promised, and in the end its whole record must verify.
 *
 * @param kills  of each kind
 */
export async function crashBench(kills: {
  readonly starting: number;
  readonly working: number;
  readonly importing: number;
}) {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-crash-'));
  const rows = [
    await whileStarting(join(folder, 'starting'), kills.starting),
    await whileWorking(join(folder, 'working'), kills.working),
    await whileImporting(join(folder, 'importing'), kills.importing),
  ];
  rmSync(folder, { recursive: true });
  return rows;
}

/** A few starts of one database are cut off, until one is let through. */
const CUTS_OF_ONE = 6;

async function whileStarting(folder: string, kills: number) {
  const random = seededRandom(71);
  let neverStarted = 0;
  let faults = 0;
  let rounds = 0;
  for (let killed = 0; killed < kills; rounds++) {
    const victim = new Victim(PORT, join(folder, `${rounds}/holvek.sqlite`), true);
    for (let cut = 0; cut < CUTS_OF_ONE && killed < kills; cut++, killed++) {
      victim.start();
      await sleep(random.between(50, 4000));
      await victim.kill();
    }
    victim.start();
    if (await victim.isUp()) {
      await signIn();
      faults += await victim.faults();
    } else neverStarted += 1;
    await victim.kill();
  }
  return { killed: 'while it starts and seeds', kills, neverStarted, lost: 0, faults };
}

async function whileWorking(folder: string, kills: number) {
  const random = seededRandom(73);
  const victim = new Victim(PORT, join(folder, 'holvek.sqlite'));
  let neverStarted = 0;
  let lost = 0;
  victim.start();
  await victim.isUp();
  await signIn();
  await register();
  let run = 0;
  for (let killed = 0; killed < kills; killed++) {
    const dies = sleep(random.between(5, 400)).then(() => victim.kill());
    for (let i = 0; i < 4; i++) {
      const id = `run-${run}`;
      const events = recordRun(id);
      run += 1;
      for (let at = 0; at < events.length; at += 20)
        await victim.post(id, events.slice(at, at + 20));
    }
    await dies;
    victim.start();
    if (!(await victim.isUp())) neverStarted += 1;
    // The phone sends again what it was not told of, as its outbox does.
    for (let again = Math.max(0, run - 4); again < run; again++)
      await victim.post(`run-${again}`, recordRun(`run-${again}`));
    lost += await victim.lost();
    victim.stored.clear();
    victim.sheets.clear();
  }
  const faults = await victim.faults();
  await victim.kill();
  return { killed: 'while runs come in and are signed', kills, neverStarted, lost, faults };
}

/** Valves of one file, so many that reading it in takes a while. */
const IMPORTED = 400;

/** A file of valves is in the register whole, or not at all. */
async function whileImporting(folder: string, kills: number) {
  const random = seededRandom(79);
  let neverStarted = 0;
  let halves = 0;
  const victim = new Victim(PORT, join(folder, 'holvek.sqlite'));
  victim.start();
  await victim.isUp();
  await signIn();
  for (let killed = 0; killed < kills; killed++) {
    const before = await countOfValves();
    const rows = Array.from({ length: IMPORTED }, (_, i) => ({
      ...benchValve,
      id: `import-${killed}-${i}`,
      tag: `I-${killed}-${i}`,
    }));
    const dies = sleep(random.between(20, 500)).then(() => victim.kill());
    const body = JSON.stringify({
      csv: writeValvesCsv(rows, { unit: 'kPa', barometer: absolutePa(101_325) }),
    });
    await ask('/valves/import', { method: 'POST', body }).catch(() => undefined);
    await dies;
    victim.start();
    if (!(await victim.isUp())) neverStarted += 1;
    const added = (await countOfValves()) - before;
    if (added !== 0 && added !== IMPORTED) halves += 1;
  }
  const faults = await victim.faults();
  await victim.kill();
  return { killed: 'while a file of valves is read in', kills, neverStarted, lost: halves, faults };
}

const countOfValves = async (): Promise<number> =>
  ((await (await ask('/valves')).json()) as unknown[]).length;

async function register(): Promise<void> {
  const put = (path: string, body: object) =>
    ask(path, { method: 'PUT', body: JSON.stringify(body) });
  await put(`/valves/${benchValve.id}`, benchValve);
  for (const gauge of benchGauges) await put(`/gauges/${gauge.id}`, gauge);
}
