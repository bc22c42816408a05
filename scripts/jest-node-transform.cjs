const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { transformSync, version } = require('esbuild');

/**
 * Jest runs each file in a context of its own, where a look at a global (`Math`, `Infinity`) costs as much as a
 * call. Bound once a file, the arithmetic of the core runs as fast as it does outside.
 */
const names =
  'Math Number String Boolean Array Object Map Set WeakMap JSON Symbol Error Promise Infinity NaN ' +
  'Uint8Array Uint32Array BigInt DataView';
const bound = `"use strict";var ${names
  .split(' ')
  .map((name) => `${name}=globalThis.${name}`)
  .join()};`;

/**
 * What a module of ours gives out never changes: once it has run, it stands there as it is. Behind a getter each,
 * a call from one file into another costs several. What a circle has not made yet keeps its getter.
 */
const asItIs = `
for (const name of Object.keys(module.exports)) {
  try {
    const value = module.exports[name];
    const given = { value, enumerable: true, configurable: true, writable: true };
    if (value !== undefined) Object.defineProperty(module.exports, name, given);
  } catch {}
}`;

/** What the compiler's helpers give out, so that it can be given out anew. */
const mayBeFixed = (code) =>
  code
    .replace('{ get: all[name],', '{ configurable: true, get: all[name],')
    .replace('{ get: () => from[key],', '{ configurable: true, get: () => from[key],');

const own = readFileSync(__filename);

/** As much for hashes, whose every word goes through two of their files. */
const isCalledOften = (path) => /\.[cm]?tsx?$/u.test(path) || /@noble.hashes/u.test(path);

/** TypeScript and modules to what Node runs, in a twentieth of the time that a compiler in JavaScript takes. */
module.exports = {
  bound,
  asItIs,
  mayBeFixed,
  getCacheKey: (text, path) =>
    createHash('sha256').update(own).update(version).update(path).update(text).digest('hex'),
  process(text, path) {
    const isOurs = /\.[cm]?tsx?$/u.test(path);
    const isFixed = isCalledOften(path);
    const { code } = transformSync(text, {
      loader: isOurs ? (path.endsWith('x') ? 'tsx' : 'ts') : 'js',
      jsx: 'automatic',
      format: 'cjs',
      target: 'node20',
      sourcefile: path,
      sourcemap: 'inline',
      supported: { 'dynamic-import': false },
      ...(isFixed ? { footer: asItIs } : {}),
    });
    return { code: bound + (isFixed ? mayBeFixed(code) : code) };
  },
};
