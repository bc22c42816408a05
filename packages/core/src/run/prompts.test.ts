import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { unwrap } from '../result';
import { currentStep, promptOf, type Prompt } from '../step';
import { rounded } from '../testing/rounded';
import { runEventSchema } from './event';
import { extendRun, reduceRun } from './reduce';
import type { Run } from './run';
import { isPassed } from './view';

/**
 * Runs as they were stored, walked again entry by entry: at each entry, what the person was asked.
 * A screen, a rehearsing hand and the browser tests all obey that word.
 */
const stored = z
  .array(z.object({ name: z.string(), events: z.array(runEventSchema) }))
  .parse(JSON.parse(readFileSync(join(__dirname, '../testing/stored-runs.json'), 'utf8')));

type Asked = { readonly kind: string; readonly prompt: Prompt; readonly then: string };

/** What was asked before each entry, and the entry that followed. */
function askedAlong(events: (typeof stored)[number]['events']): readonly Asked[] {
  let run: Run = unwrap(reduceRun(events.slice(0, 1)));
  let now: number | undefined;
  const asked: Asked[] = [];
  for (const event of events.slice(1)) {
    const step = currentStep(run.steps, (id) => isPassed(run, id));
    if (step)
      asked.push({ kind: step.kind, prompt: promptOf(run, step, { now }), then: event.type });
    if (event.type === 'reading') now = event.reading.si;
    run = extendRun(run, event) ?? unwrap(reduceRun(events.slice(0, events.indexOf(event) + 1)));
  }
  return asked;
}

/** Neighbours that are asked alike are one line with their count. */
function lines(asked: readonly Asked[]): readonly string[] {
  const found: { say: string; count: number }[] = [];
  for (const { kind, prompt, then } of asked) {
    const say = `${kind}: ${rounded(prompt)} → ${then}`;
    const last = found.at(-1);
    if (last?.say === say) last.count += 1;
    else found.push({ say, count: 1 });
  }
  return found.map(({ say, count }) => (count > 1 ? `${say} ×${count}` : say));
}

describe.each(stored.map(({ name, events }) => [name, askedAlong(events)] as const))(
  'what %s was asked',
  (_, asked) => {
    test('is the same word as ever, entry by entry', () => {
      expect(lines(asked)).toMatchSnapshot();
    });

    test('is never a turn without a size, nor a wait without an end', () => {
      for (const { prompt } of asked) {
        if (prompt.ask === 'turn') expect(Math.abs(prompt.turns)).toBeGreaterThanOrEqual(1 / 64);
        if (prompt.ask === 'purge') expect(prompt.seconds).toBeGreaterThan(0);
      }
    });

    test('ends with the signature', () => {
      expect(asked.at(-1)).toMatchObject({ kind: 'sign', then: 'signed' });
    });

    test('a step that is confirmed was not still asking for a turn', () => {
      const early = asked.filter(
        ({ then, prompt, kind }) => then === 'step_done' && prompt.ask === 'turn' && kind === 'set',
      );
      expect(early).toEqual([]);
    });
  },
);
