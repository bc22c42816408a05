import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import * as core from './index';
import { err, ok } from './result';

/**
 * Every example in a docstring is run: `@example call(…) // → value`. Figures are held to a thousandth
 * of what is written, and of an object only the fields that the example names.
 */
type Example = { readonly place: string; readonly call: string; readonly gives: string };

/** Up to the next tag, an empty line or the end of the comment. */
const EXAMPLE = /@example ([^@]+?)\/\/ → ([^@]+?)(?=\s*\*\/|\n \*\n|\n \* @)/gu;
const oneLine = (text: string): string => text.replaceAll(/\n \*\s+/gu, ' ').trim();

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesUnder(path);
    return /(?<!\.test)\.ts$/u.test(entry.name) ? [path] : [];
  });

const examples = filesUnder(__dirname).flatMap((path): Example[] =>
  [...readFileSync(path, 'utf8').matchAll(EXAMPLE)].map(([, call, gives]) => ({
    place: relative(__dirname, path),
    call: oneLine(call!),
    gives: oneLine(gives!),
  })),
);

const names = Object.keys({ ...core, ok, err });
const values = Object.values({ ...core, ok, err });
const run = (expression: string): unknown =>
  new Function(...names, `"use strict"; return (${expression});`)(...values);

/** The given value with every figure that agrees to a thousandth replaced by the one that is wanted. */
function agreeing(given: unknown, wanted: unknown): unknown {
  if (typeof given === 'number' && typeof wanted === 'number')
    return Math.abs(given - wanted) <= 1e-3 * Math.abs(wanted) ? wanted : given;
  if (typeof given !== 'object' || given === null) return given;
  if (typeof wanted !== 'object' || wanted === null) return given;
  const pairs = Object.entries(wanted).map(([key, value]) => [
    key,
    agreeing((given as Record<string, unknown>)[key], value),
  ]);
  return Array.isArray(given) ? pairs.map(([, value]) => value) : Object.fromEntries(pairs);
}

test('there are examples', () => {
  expect(examples.length).toBeGreaterThan(17);
});

test.each(examples)('$place: $call', ({ call, gives }) => {
  const wanted = run(gives);
  expect(agreeing(run(call), wanted)).toEqual(wanted);
});
