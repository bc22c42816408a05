import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { root, tell } from './lib.mjs';

/**
 * `npm run mutate [-- folder …] [-- --most N]`: changes the code one small piece at a time and asks the
 * tests beside it whether they notice. A mutant that survives is a bound, a guard or a verdict that
 * could be loosened unseen. Score and survivors by folder; the code is put back after each.
 */
const folders = {
  coach: 'packages/core/src/coach',
  prove: 'packages/core/src/prove',
  tune: 'packages/core/src/tune',
  gauge: 'packages/core/src/gauge',
  ladder: 'packages/core/src/ladder',
  run: 'packages/core/src/run',
  sheet: 'packages/core/src/sheet',
  quantity: 'packages/core/src/quantity',
  evidence: 'packages/core/src/evidence',
  ingest: 'packages/server/src/ingest',
  people: 'packages/server/src/people',
  server: 'packages/server/src/db',
  store: 'packages/app/src/data',
};
/** Where the tests that judge a folder stand, besides its own. */
const judgedBy = {
  run: 'core/src/(run|sheet)',
  sheet: 'core/src/(sheet|run/proofs|report)',
  ingest: 'server/src/routes/(runs|people|repairs|instruments)',
  people: 'server/src/(routes/people|people/)',
  server: 'server/src/(db|routes)',
};

const args = process.argv.slice(2);
const most = args.includes('--most') ? Number(args[args.indexOf('--most') + 1]) : 40;
const wanted = args.filter((arg) => arg in folders);
const chosen = wanted.length > 0 ? wanted : Object.keys(folders);

const flips = new Map([
  [ts.SyntaxKind.LessThanToken, '>='],
  [ts.SyntaxKind.GreaterThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '>'],
  [ts.SyntaxKind.GreaterThanEqualsToken, '<'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
]);

/** Every small change that a file allows: where, and what stands there instead. */
function mutantsOf(path) {
  const text = readFileSync(path, 'utf8');
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.ES2023, true);
  const found = [];
  const add = (node, instead) => found.push({ path, from: node.getStart(), to: node.end, instead });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node) && flips.has(node.operatorToken.kind))
      add(node.operatorToken, flips.get(node.operatorToken.kind));
    if (ts.isNumericLiteral(node) && Number(node.text) !== 0)
      add(node, String(Number(node.text.replaceAll('_', '')) * 1.1));
    if (ts.isIfStatement(node)) add(node.expression, 'false');
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    if (ts.isCallExpression(node) && node.expression.getText() === 'Math.min')
      add(node.expression, 'Math.max');
    if (ts.isCallExpression(node) && node.expression.getText() === 'Math.max')
      add(node.expression, 'Math.min');
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

const sources = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /\.ts$/u.test(entry.name) && !/\.test\.ts$|^index\.ts$/u.test(entry.name) ? [path] : [];
  });

/** Every n-th of them, so that a sample is spread over all files. */
const spread = (all) => {
  const step = Math.max(1, all.length / most);
  return all.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step));
};

function survives({ path, from, to, instead }, pattern) {
  const whole = readFileSync(path, 'utf8');
  writeFileSync(path, whole.slice(0, from) + instead + whole.slice(to));
  try {
    const options = { cwd: root, stdio: 'ignore', timeout: 120_000 };
    const jest = join(root, 'node_modules/jest/bin/jest.js');
    const project = ['server', 'app'].find((name) => path.includes(`packages/${name}`)) ?? 'core';
    const args = [jest, '--bail', '--selectProjects', project, '--testPathPattern', pattern];
    const found = spawnSync(process.execPath, args, options);
    return found.status === 0;
  } finally {
    writeFileSync(path, whole);
  }
}

for (const name of chosen) {
  const all = sources(join(root, folders[name])).flatMap(mutantsOf);
  const sample = spread(all);
  const pattern = judgedBy[name] ?? folders[name].replace('packages/', '');
  const left = sample.filter((mutant) => survives(mutant, pattern));
  const score = (100 * (sample.length - left.length)) / sample.length;
  tell(
    `${name}: ${score.toFixed(0)} % of ${sample.length} (of ${all.length} possible) are noticed`,
  );
  for (const { path, from, to, instead } of left) {
    const text = readFileSync(path, 'utf8');
    const line = text.slice(0, from).split('\n').length;
    const was = text.slice(from, to).replaceAll(/\s+/gu, ' ').slice(0, 60);
    console.log(`    ${relative(root, path)}:${line}  ${was}  →  ${instead}`);
  }
}
