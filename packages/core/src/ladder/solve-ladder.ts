import { err, ok, type Result } from '../result';
import { checkSystem, type SystemIssue } from './check-system';
import { compileRules, lockupOf, ORIGIN, type Edge } from './compile-rules';
import { leastSolution, type Clash, type LeastSolution } from './least-solution';
import type { Rule, System } from './system';

export type RungTarget = {
  readonly rung: string;
  /** Pa gauge, the least that every rule allows. */
  readonly pa: number;
  /** The rule that decides it: it would be lower without. */
  readonly decidedBy: Rule | undefined;
};
export type RuleSlack = { readonly rule: Rule; readonly slack: number };
export type Ladder = {
  readonly targets: readonly RungTarget[];
  readonly slacks: readonly RuleSlack[];
};

export type LadderError =
  | { readonly code: 'ladder.unsound'; readonly issues: readonly SystemIssue[] }
  /** The rules that cannot hold together, round the cycle, and by how much they clash (Pa). */
  | { readonly code: 'ladder.clash'; readonly rules: readonly Rule[]; readonly excess: number }
  /** Rungs without any rule that holds them up. */
  | { readonly code: 'ladder.no_floor'; readonly rungs: readonly string[] };

/** Rounds of taking lockup at the last solution; each only raises, so the least one is found. */
const LOCKUP_ROUNDS = 40;

/**
 * The least pressure of every rung that all rules allow, the rule that decides each, and the slack
 * of every rule.
 *
 * @returns targets in the order of the rungs, Pa gauge; slacks in the order of the rules, Pa, ≥ 0
 * @errors  ladder.unsound · ladder.clash (minimal: without any one of them the rest agree) · ladder.no_floor
 */
export function solveLadder(system: Pick<System, 'rungs' | 'rules'>): Result<Ladder, LadderError> {
  const issues = checkSystem(system);
  if (issues.length > 0) return err({ code: 'ladder.unsound', issues });
  const { rungs, rules } = system;
  let guess: readonly number[] = [];
  let edges: readonly Edge[] = [];
  let before: LeastSolution | undefined;
  for (let round = 0; round < LOCKUP_ROUNDS; round++) {
    edges = compileRules(rungs, rules, guess);
    const solved = leastSolution(rungs.length + 1, edges);
    if (!solved.ok)
      return err(
        before ? clashAtLevel(system, solved.error, before) : clashOf(solved.error, rules),
      );
    const { values, deciding } = solved.value;
    before = solved.value;
    const stands = rungs.every(
      (rung, i) => Math.abs(lockupOf(rung, values[i + 1]!) - lockupOf(rung, guess[i + 1] ?? 0)) < 1,
    );
    guess = values;
    if (!stands) continue;
    const floating = rungs.filter((_, i) => !Number.isFinite(values[i + 1]!));
    if (floating.length > 0) {
      const hidden = leastSolution(rungs.length + 1, [...edges, ...seabed(values)]);
      return err(
        hidden.ok
          ? { code: 'ladder.no_floor', rungs: floating.map(({ name }) => name) }
          : clashOf(hidden.error, rules),
      );
    }
    return ok({
      targets: rungs.map(({ id }, i) => {
        const edge = deciding[i + 1];
        return { rung: id, pa: values[i + 1]!, decidedBy: edge && rules[edge.rule] };
      }),
      slacks: slacksOf(rules, edges, values),
    });
  }
  // Lockup that feeds on itself rises for ever: the rules that feed it are what is left of them all.
  return err({ code: 'ladder.clash', rules: fewestThatClash(rungs, rules), excess: 0 });
}

/** So far down that no rule reaches it: what floats stands on it, and clashes among itself are seen. */
const SEABED = -1e12;
const seabed = (values: readonly number[]): readonly Edge[] =>
  values.flatMap((value, to) =>
    Number.isFinite(value) ? [] : [{ from: ORIGIN, to, weight: SEABED, rule: -1 }],
  );

const clashOf = ({ edges, excess }: Clash, rules: readonly Rule[]): LadderError => ({
  code: 'ladder.clash',
  rules: [...new Set(edges.map(({ rule }) => rules[rule]!))],
  excess,
});

/**
 * A clash that comes only of lockup at a level that other rules ask for: they belong to it too. The
 * chains that decide the rungs of the cycle are added, then whatever is not needed is left out.
 */
function clashAtLevel(
  { rungs, rules }: Pick<System, 'rungs' | 'rules'>,
  clash: Clash,
  before: LeastSolution,
): LadderError {
  const named = new Set(clash.edges.map(({ rule }) => rule));
  const pending = clash.edges.flatMap(({ from, to }) => [from, to]);
  const seen = new Set<number>();
  for (let node = pending.pop(); node !== undefined; node = pending.pop()) {
    const edge = seen.has(node) ? undefined : before.deciding[node];
    seen.add(node);
    if (!edge) continue;
    named.add(edge.rule);
    pending.push(edge.from);
  }
  const candidates = rules.filter((_, i) => named.has(i));
  return {
    code: 'ladder.clash',
    rules: fewestThatClash(rungs, clashes(rungs, candidates) ? candidates : rules),
    excess: clash.excess,
  };
}

/** Rules left when every one that is not needed for the clash has been dropped, one by one. */
function fewestThatClash(rungs: System['rungs'], rules: readonly Rule[]): readonly Rule[] {
  let left = rules;
  for (const rule of rules) {
    const rest = left.filter((each) => each !== rule);
    if (clashes(rungs, rest)) left = rest;
  }
  return left;
}

/** Whether rules cannot hold together, whatever the rungs that they leave free come to. */
function clashes(rungs: System['rungs'], rules: readonly Rule[]): boolean {
  let guess: readonly number[] = [];
  for (let round = 0; round < LOCKUP_ROUNDS; round++) {
    const solved = leastSolution(rungs.length + 1, compileRules(rungs, rules, guess));
    if (!solved.ok) return true;
    const next = solved.value.values;
    if (
      next.every(
        (value, i) =>
          Math.abs(value - (guess[i] ?? Number.NEGATIVE_INFINITY)) < 1 || value === guess[i],
      )
    )
      return false;
    guess = next;
  }
  return true;
}

function slacksOf(
  rules: readonly Rule[],
  edges: readonly Edge[],
  values: readonly number[],
): readonly RuleSlack[] {
  const least = new Array<number>(rules.length).fill(Number.POSITIVE_INFINITY);
  for (const { from, to, weight, rule } of edges) {
    const slack =
      (to === ORIGIN ? 0 : values[to]!) - (from === ORIGIN ? 0 : values[from]!) - weight;
    least[rule] = Math.min(least[rule]!, slack);
  }
  return rules.map((rule, i) => ({ rule, slack: Math.max(0, least[i]!) }));
}
