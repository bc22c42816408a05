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

const own = readFileSync(__filename);

/** TypeScript and modules to what Node runs, in a twentieth of the time that a compiler in JavaScript takes. */
module.exports = {
  getCacheKey: (text, path) =>
    createHash('sha256').update(own).update(version).update(path).update(text).digest('hex'),
  process(text, path) {
    const { code } = transformSync(text, {
      loader: /\.[cm]?ts$/u.test(path) ? 'ts' : 'js',
      format: 'cjs',
      target: 'node20',
      sourcefile: path,
      sourcemap: 'inline',
      supported: { 'dynamic-import': false },
    });
    return { code: bound + code };
  },
};
