import ts from 'typescript';
import { readFileSync, writeFileSync } from 'node:fs';
import { execSync } from 'node:child_process';
for (const f of execSync("grep -rl 'afterReading(' packages/core/src scripts/bench").toString().trim().split('\n')) {
  const text = readFileSync(f, 'utf8');
  const sf = ts.createSourceFile(f, text, ts.ScriptTarget.Latest, true);
  const edits = [];
  const visit = (n) => {
    if (ts.isCallExpression(n) && n.expression.getText(sf) === 'afterReading' && n.arguments.length >= 3) {
      const [ , , sd, floor, ceiling] = n.arguments;
      const parts = [];
      const put = (k, e) => { if (e && e.getText(sf) !== 'undefined') parts.push(e.getText(sf) === k ? k : `${k}: ${e.getText(sf)}`); };
      put('sd', sd); put('floor', floor); put('ceiling', ceiling);
      edits.push([sd.getStart(sf), n.arguments.at(-1).getEnd(), `{ ${parts.join(', ')} }`]);
    }
    ts.forEachChild(n, visit);
  };
  visit(sf);
  let out = text;
  for (const [a, b, t] of edits.sort((x, y) => y[0] - x[0])) out = out.slice(0, a) + t + out.slice(b);
  if (out !== text) writeFileSync(f, out);
}
