import ts from 'typescript';
import { dirname, relative, resolve } from 'node:path';
const [, , config, ...flags] = process.argv;
const dry = flags.includes('--dry');
const CTOR = {
  GaugePressure: 'gaugePa', AbsolutePressure: 'absolutePa', PressureDifference: 'differencePa', Flow: 'cubicMetresPerSecond',
  Turns: 'inTurns', Rate: 'paPerTurn', Current: 'amperes', Voltage: 'volts', Length: 'metres', Temperature: 'kelvin', Seconds: 'inSeconds',
};
const corePath = resolve('packages/core/src');
const parsed = ts.getParsedCommandLineOfConfigFile(config, {}, { ...ts.sys, onUnRecoverableConfigFileDiagnostic: console.error });
const program = ts.createProgram(parsed.fileNames, { ...parsed.options, noEmit: true, incremental: false, composite: false, tsBuildInfoFile: undefined });
const checker = program.getTypeChecker();
const manual = [];
let total = 0, wrapped = 0;
function kindOf(type) {
  if (!type) return undefined;
  const parts = type.isUnion() ? type.types : [type];
  for (const p of parts) {
    const prop = checker.getPropertiesOfType(p).find((q) => String(q.escapedName).startsWith('__@kind'));
    if (prop) {
      const t = checker.getTypeOfSymbol(prop);
      const lits = t.isUnion() ? t.types : [t];
      const lit = lits.find((l) => l.isStringLiteral());
      if (lit) return lit.value;
    }
  }
  return undefined;
}
const isPlainNumber = (type) => {
  const parts = type.isUnion() ? type.types : [type];
  return parts.every((p) => p.flags & (ts.TypeFlags.NumberLike));
};
const hasKind = (type) => kindOf(type) !== undefined && !(type.isUnion() && type.types.some((p) => p.flags & ts.TypeFlags.NumberLike && !kindOf(p)));
function nodeAt(sf, start, end) {
  let found;
  const visit = (n) => {
    if (n.getStart(sf) <= start && n.getEnd() >= end) { found = n; ts.forEachChild(n, visit); }
  };
  visit(sf);
  return found;
}
function edits(node, kind, out) {
  if (ts.isParenthesizedExpression(node)) return edits(node.expression, kind, out);
  if (ts.isConditionalExpression(node)) { const a = edits(node.whenTrue, kind, out); const b = edits(node.whenFalse, kind, out); return a || b; }
  const type = checker.getTypeAtLocation(node);
  if (type.flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Null)) return false;
  if (hasKind(type)) return false;
  if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken && !isPlainNumber(checker.getTypeAtLocation(node.left))) {
    const lt = checker.getNonNullableType(checker.getTypeAtLocation(node.left));
    if (kindOf(lt)) return edits(node.right, kind, out);
  }
  if (!isPlainNumber(type)) return false;
  out.push({ node, ctor: CTOR[kind] });
  return true;
}
const perFile = new Map();
for (const sf of program.getSourceFiles()) {
  if (sf.isDeclarationFile || sf.fileName.includes('node_modules')) continue;
  for (const d of program.getSemanticDiagnostics(sf)) {
    total++;
    const start = d.start, end = d.start + d.length;
    let node = nodeAt(sf, start, end);
    const note = () => manual.push(`${relative('.', sf.fileName)}:${sf.getLineAndCharacterOfPosition(start).line + 1} ${ts.flattenDiagnosticMessageText(d.messageText, ' | ').slice(0, 200)}`);
    if (!node) { note(); continue; }
    let target = node;
    const out = [];
    const p = node.parent;
    if (p && ts.isPropertyAssignment(p) && p.name === node) target = p.initializer;
    else if (p && ts.isShorthandPropertyAssignment(p) && p.name === node) {
      const ct = checker.getContextualType(p.parent);
      const prop = ct && checker.getPropertyOfType(checker.getNonNullableType(ct), node.text);
      const kind = prop && kindOf(checker.getTypeOfSymbol(prop));
      if (kind && isPlainNumber(checker.getTypeAtLocation(node))) { out.push({ node: p, text: `${node.text}: ${CTOR[kind]}(${node.text})`, ctor: CTOR[kind] }); target = undefined; }
    } else if (p && ts.isVariableDeclaration(p) && p.name === node) target = p.initializer;
    else if (ts.isReturnStatement(node)) target = node.expression;
    else if (p && ts.isBinaryExpression(p) && p.left === node && p.operatorToken.kind === ts.SyntaxKind.EqualsToken) target = p.right;
    if (target && out.length === 0) {
      while (target.parent && ts.isExpression(target) && target.parent.getStart(sf) === target.getStart(sf) && target.parent.getEnd() === end && ts.isExpression(target.parent)) target = target.parent;
      let ct = ts.isExpression(target) ? checker.getContextualType(target) : undefined;
      let kind = kindOf(ct);
      if (!kind && p && ts.isVariableDeclaration(p)) kind = kindOf(checker.getTypeAtLocation(p.name));
      if (!kind && p && ts.isBinaryExpression(p)) kind = kindOf(checker.getTypeAtLocation(p.left));
      if (!kind) { const m = /Type 'number' is not assignable to type '(\w+)'/.exec(ts.flattenDiagnosticMessageText(d.messageText, ' ')) ?? /not assignable to (?:type|parameter of type) '(\w+)'/.exec(ts.flattenDiagnosticMessageText(d.messageText, ' ')); if (m && CTOR[m[1]]) kind = m[1]; }
      if (!kind || !ts.isExpression(target) || !edits(target, kind, out)) { note(); continue; }
    }
    if (out.length === 0) { note(); continue; }
    if (!perFile.has(sf)) perFile.set(sf, []);
    perFile.get(sf).push(...out);
  }
}
for (const [sf, list] of perFile) {
  let text = sf.text;
  const seen = new Set();
  const ctors = new Set();
  const sorted = list.map((e) => ({ ...e, s: e.node.getStart(sf), e: e.node.getEnd() })).sort((a, b) => b.s - a.s);
  let last = Infinity;
  for (const e of sorted) {
    if (seen.has(e.s) || e.e > last) continue;
    seen.add(e.s); last = e.s; wrapped++;
    ctors.add(e.ctor);
    text = text.slice(0, e.s) + (e.text ?? `${e.ctor}(${text.slice(e.s, e.e)})`) + text.slice(e.e);
  }
  // imports
  const inCore = resolve(sf.fileName).startsWith(corePath);
  let from;
  if (!inCore) from = '@holvek/core';
  else {
    const dir = dirname(resolve(sf.fileName));
    from = dir === corePath + '/quantity' ? './kinds' : relative(dir, corePath + '/quantity');
    if (!from.startsWith('.')) from = './' + from;
  }
  const names = [...ctors].filter((c) => !new RegExp(`import [^;]*\\b${c}\\b[^;]*from`).test(text) && !new RegExp(`export const ${c}\\b`).test(text));
  if (names.length > 0) {
    const re = new RegExp(`import \\{([^}]*)\\} from '${from.replace(/[.\/]/g, '\\$&')}';`);
    const m = re.exec(text);
    if (m) text = text.replace(re, `import { ${m[1].trim().replace(/,$/, '')}, ${names.join(', ')} } from '${from}';`);
    else text = `import { ${names.join(', ')} } from '${from}';\n` + text;
  }
  if (!dry) ts.sys.writeFile(sf.fileName, text);
}
console.log({ total, wrapped, files: perFile.size, manual: manual.length });
console.log(manual.join('\n'));
