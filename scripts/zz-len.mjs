import ts from 'typescript';
import { readFileSync } from 'node:fs';
import { execSync } from 'node:child_process';
const files = execSync('git ls-files packages scripts e2e').toString().split('\n').filter((f) => /\.(tsx?|mjs)$/.test(f));
const all = [];
for (const f of files) {
  if (/\.test\.|\.spec\.|testing\//.test(f)) continue;
  const sf = ts.createSourceFile(f, readFileSync(f, 'utf8'), ts.ScriptTarget.Latest, true, f.endsWith('x') ? ts.ScriptKind.TSX : undefined);
  const visit = (n) => {
    if (ts.isFunctionLike(n) && n.body) {
      const a = sf.getLineAndCharacterOfPosition(n.getStart(sf)).line, b = sf.getLineAndCharacterOfPosition(n.getEnd()).line;
      const len = b - a + 1;
      all.push(len);
      if (len > 80) console.log(len, f, n.name?.getText(sf) ?? n.parent?.name?.getText?.(sf) ?? '?');
    }
    ts.forEachChild(n, visit);
  };
  visit(sf);
}
all.sort((a, b) => a - b);
console.log('n', all.length, 'median', all[all.length >> 1], 'p90', all[Math.floor(all.length * 0.9)], 'max', all.at(-1));
