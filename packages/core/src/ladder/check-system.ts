import { rungsOf, type Rung, type System } from './system';

/** What is wrong with a system before any sum is made. */
export type SystemIssue =
  | { readonly code: 'ladder.no_source' }
  | { readonly code: 'ladder.name_twice'; readonly name: string }
  | { readonly code: 'ladder.id_twice'; readonly id: string }
  | { readonly code: 'ladder.feeder_unknown'; readonly rung: string; readonly feeder: string }
  | { readonly code: 'ladder.feeding_loop'; readonly rungs: readonly string[] }
  | { readonly code: 'ladder.rung_unknown'; readonly rule: string; readonly rung: string }
  | { readonly code: 'ladder.rule_of_itself'; readonly rule: string }
  | { readonly code: 'ladder.between_upside_down'; readonly rule: string };

/** Everything that is wrong with a system as data; empty when it can be solved. */
export function checkSystem({
  rungs,
  rules,
}: Pick<System, 'rungs' | 'rules'>): readonly SystemIssue[] {
  const issues: SystemIssue[] = [];
  const byId = new Map(rungs.map((rung) => [rung.id, rung]));
  const seenIds = new Set<string>();
  const seenNames = new Set<string>();
  for (const { id, name, fed_by: feeder } of rungs) {
    if (seenIds.has(id)) issues.push({ code: 'ladder.id_twice', id });
    if (seenNames.has(name.trim().toLowerCase())) issues.push({ code: 'ladder.name_twice', name });
    seenIds.add(id);
    seenNames.add(name.trim().toLowerCase());
    if (feeder !== undefined && !byId.has(feeder))
      issues.push({ code: 'ladder.feeder_unknown', rung: name, feeder });
  }
  if (!rungs.some(({ fed_by: feeder, kind }) => feeder === undefined && kind !== 'rating'))
    issues.push({ code: 'ladder.no_source' });
  const loop = feedingLoop(rungs, byId);
  if (loop) issues.push({ code: 'ladder.feeding_loop', rungs: loop });
  for (const rule of rules) {
    const named = rungsOf(rule);
    for (const rung of named)
      if (!byId.has(rung)) issues.push({ code: 'ladder.rung_unknown', rule: rule.id, rung });
    if (named.length === 2 && named[0] === named[1])
      issues.push({ code: 'ladder.rule_of_itself', rule: rule.id });
    if (rule.kind === 'between' && rule.least_pa > rule.most_pa)
      issues.push({ code: 'ladder.between_upside_down', rule: rule.id });
  }
  return issues;
}

/** Names of rungs that feed one another in a circle; undefined when there is none. */
function feedingLoop(
  rungs: readonly Rung[],
  byId: ReadonlyMap<string, Rung>,
): string[] | undefined {
  const settled = new Set<string>();
  for (const start of rungs) {
    const path: Rung[] = [];
    let at: Rung | undefined = start;
    while (at && !settled.has(at.id)) {
      const first = path.findIndex(({ id }) => id === at!.id);
      if (first >= 0) return path.slice(first).map(({ name }) => name);
      path.push(at);
      at = at.fed_by === undefined ? undefined : byId.get(at.fed_by);
    }
    for (const { id } of path) settled.add(id);
  }
  return undefined;
}
