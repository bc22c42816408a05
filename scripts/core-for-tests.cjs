const { mkdirSync, writeFileSync } = require('node:fs');
const { dirname, join } = require('node:path');
const { buildSync } = require('esbuild');
const { asItIs, bound, mayBeFixed } = require('./jest-node-transform.cjs');

/**
 * The core in one file, for the tests of those who use it: read module by module it is most of what a small test costs.
 * Its own tests, and those of what has changed, read it from its sources.
 *
 * @returns its path
 */
module.exports = function coreForTests() {
  const core = dirname(require.resolve('../packages/core/package.json'));
  const path = join(core, 'node_modules/.cache/core-for-tests.cjs');
  const { outputFiles } = buildSync({
    entryPoints: [join(core, 'src/index.ts')],
    bundle: true,
    packages: 'external',
    format: 'cjs',
    platform: 'node',
    target: 'node20',
    write: false,
    footer: { js: asItIs },
  });
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, bound + mayBeFixed(outputFiles[0].text));
  return path;
};
