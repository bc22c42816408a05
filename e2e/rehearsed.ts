import {
  asRecord,
  procedureOf,
  rehearse,
  sealEntries,
  startDraft,
  twinOf,
  type Gauge,
  type RunEventDraft,
  type Sheet,
  type Valve,
} from '@holvek/core';
import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { quickRules } from './technician';

const HOUR_MS = 3_600_000;
/** While a run is rehearsed nothing else is heard here: a line that the server has let go of meanwhile is opened anew. */
const KEPT_LINE = { maxRetries: 1 };

type Begun = {
  readonly purpose?: 'practice' | 'record';
  /** The first of its family where none is named. */
  readonly school?: string | undefined;
};

/**
 * Opens a run that a rehearsal has brought to one of its steps, as work that another phone has left:
 * what comes before is proved in the core, and need not be pressed through again.
 */
export async function beginAt(
  page: Page,
  valveId: string,
  stopBefore: string,
  { purpose = 'practice', school }: Begun = {},
): Promise<void> {
  const runId = await rehearseTo(page.request, valveId, stopBefore, { purpose, school });
  await page.goto(`/runs/${runId}`);
  await expect(page.locator('[data-step]')).toHaveAttribute('data-step', stopBefore);
}

async function rehearseTo(
  request: APIRequestContext,
  valveId: string,
  stopBefore: string,
  { purpose, school }: Begun,
): Promise<string> {
  const get = async (path: string) =>
    (await request.get(`/api/${path}`, KEPT_LINE)).json() as unknown;
  const valve = (await get(`valves/${valveId}`)) as Valve;
  const sheets = (await get(`valves/${valveId}/sheets`)) as Sheet[];
  const started = startDraft(valve, {
    school: school ?? procedureOf(valve.plate.family).schools[0]!.id,
    gauges: gaugesToday((await get('gauges')) as Gauge[], sheets.at(-1)!),
    rules: quickRules,
    sheets,
    twin: valve.twin!,
  });
  const runId = `${valveId}-${stopBefore}-${Date.now().toString(36)}`;
  let count = 0;
  const { events } = rehearse({
    started,
    runId,
    twin: twinFrom(started),
    author: 'Edda Lorenz',
    startAtMs: Date.now() - HOUR_MS,
    newId: () => `${runId}-${String(count++).padStart(4, '0')}`,
    stopBefore,
  });
  const entries = purpose === 'record' ? asRecord(events) : sealEntries(events);
  const answer = await request.post(`/api/runs/${runId}/events`, {
    data: { events: entries },
    ...KEPT_LINE,
  });
  expect(answer.ok(), await answer.text()).toBe(true);
  return runId;
}

/** The gauges of the last visit as the register has them now. */
const gaugesToday = (known: readonly Gauge[], { body }: Sheet) =>
  Object.fromEntries(
    Object.entries(body.gauges).map(([role, { id }]) => [
      role,
      known.find((gauge) => gauge.id === id)!,
    ]),
  );

const twinFrom = (started: Extract<RunEventDraft, { type: 'started' }>) =>
  twinOf({ ...started, id: '', run_id: '', author: '', at_ms: 0, lamport: 1 })!;
