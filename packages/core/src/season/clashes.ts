import type { MadeProblem } from './make-problem';
import { allowsDay, dayRulesFor, type Season, type SeasonRule } from './season';

/** Rules that cannot all hold, none of them to spare; and the valves that they keep from any day. */
export type SeasonClash = {
  readonly valves: readonly string[];
  /** Empty where no rule is to blame: nobody with the licence has hours in the season at all. */
  readonly rules: readonly SeasonRule[];
};

type DayRules = ReturnType<typeof dayRulesFor>;

/**
 * What cannot hold together: for each block without a single day, a smallest set of the owner's rules that
 * leaves it none; and each circle of "one before the other".
 */
export function clashesOf(season: Season, made: MadeProblem): readonly SeasonClash[] {
  const noDay = made.problem.blocks.flatMap(({ valves, until }): SeasonClash[] => {
    const there = made.days.filter((_, day) =>
      made.people.some(
        (__, person) => made.problem.capacity[person]![day]! > 0 && day <= until[person]!,
      ),
    );
    const isOpen = (rules: DayRules) =>
      there.some((day) => rules.every((rule) => allowsDay(rule, day)));
    const rules = dayRulesFor(season, valves);
    return isOpen(rules) ? [] : [{ valves, rules: fewest(rules, isOpen) }];
  });
  return [...noDay, ...circlesOf(season)];
}

/** Rules of which none can be let go without a day coming free: each is tried in turn. */
function fewest(rules: DayRules, isOpen: (rules: DayRules) => boolean): DayRules {
  let left = rules;
  for (const rule of rules) {
    const without = left.filter((each) => each !== rule);
    if (!isOpen(without)) left = without;
  }
  return left;
}

type Before = Extract<SeasonRule, { kind: 'before' }>;

/** Each circle once, by the rule that closes it. */
function circlesOf({ rules }: Season): readonly SeasonClash[] {
  const held: Before[] = [];
  return rules.flatMap((rule): SeasonClash[] => {
    if (rule.kind !== 'before') return [];
    const way = wayFrom(held, rule.then, rule.first);
    if (!way) {
      held.push(rule);
      return [];
    }
    return [{ valves: [rule.first, rule.then], rules: [...way, rule] }];
  });
}

/** Rules that lead from one valve to another, the shortest way. */
function wayFrom(
  rules: readonly Before[],
  from: string,
  to: string,
): readonly Before[] | undefined {
  if (from === to) return [];
  const ways = new Map<string, readonly Before[]>([[from, []]]);
  const next = [from];
  for (let at = next.shift(); at !== undefined; at = next.shift())
    for (const rule of rules) {
      if (rule.first !== at || ways.has(rule.then)) continue;
      const way = [...ways.get(at)!, rule];
      if (rule.then === to) return way;
      ways.set(rule.then, way);
      next.push(rule.then);
    }
  return undefined;
}
