import { adjustersOf, checkPlate, isWorkedOut, workedOut, type PlateIssue } from '../family';
import type { Ladder, Rule, RungTarget, SettingOrder, System } from '../ladder';
import type { ValveVisit } from '../sheet';
import { MAIN, targetOf, type LockupRules, type Target } from '../valve';
import type { Valve } from './valve-record';

export type TakenOver = {
  /** Valves whose targets change, as they would stand. */
  readonly valves: readonly Valve[];
  /** Valves that cannot hold their new target, and what is wrong. */
  readonly refused: readonly { readonly valve: Valve; readonly issue: PlateIssue }[];
  /** Valves of the system in setting order, each once. */
  readonly order: readonly string[];
};

type Register = { readonly valves: readonly Valve[]; readonly rules: LockupRules };

/**
 * A ladder's pressures taken over into the register: every rung that a valve holds gives its adjuster
 * its target, the reason that decides it, and the sum that it was worked out by where one decides; a
 * limit comes down to what the lowest point bears. A valve that cannot hold it keeps its old target.
 *
 * @param register  its valves, and what lockup may add in this house
 */
export function takeOver(
  { rungs, rules }: Pick<System, 'rungs' | 'rules'>,
  { targets }: Ladder,
  { rungs: order }: SettingOrder,
  { valves, rules: house }: Register,
): TakenOver {
  const byId = new Map(valves.map((valve) => [valve.id, valve]));
  const changed = new Map<string, Valve>();
  rungs.forEach((rung, i) => {
    const valve =
      rung.valve_id === undefined
        ? undefined
        : (changed.get(rung.valve_id) ?? byId.get(rung.valve_id));
    const old = valve && targetOf(valve, rung.adjuster ?? MAIN);
    if (!valve || !old) return;
    const adjuster = rung.adjuster ?? MAIN;
    const served = rules.find((rule) => rule.kind === 'serves' && rule.rung === rung.id);
    const next = targetBy([valve, adjuster], targets[i]!, served, house);
    changed.set(valve.id, withTarget(valve, adjuster, next));
  });
  const judged = [...changed.values()].map((valve) => ({
    valve,
    issue: checkPlate(valve.plate, valve, house).find(({ stops }) => stops),
  }));
  const held = new Map(rungs.map(({ id, valve_id }) => [id, valve_id]));
  return {
    valves: judged.flatMap(({ valve, issue }) => (issue ? [] : [valve])),
    refused: judged.flatMap(({ valve, issue }) =>
      issue ? [{ valve: byId.get(valve.id)!, issue }] : [],
    ),
    order: [...new Set(order.flatMap((rung) => held.get(rung) ?? []))].filter((id) => byId.has(id)),
  };
}

/** What an adjuster must hold by a ladder; a sum that other rules have gone over explains nothing any more. */
function targetBy(
  [valve, adjuster]: readonly [Valve, string],
  { pa, decidedBy }: RungTarget,
  served: Rule | undefined,
  rules: LockupRules,
): Target {
  const { sum, ...old } = targetOf(valve, adjuster)!;
  const next = { ...old, set_point_pa: pa, why: decidedBy?.why || old.why };
  const spec = adjustersOf(valve.plate).find(({ id }) => id === adjuster);
  const own = served?.kind === 'serves' ? served.sum : sum;
  if (!own || !spec || !isWorkedOut(valve.plate, spec)) return next;
  const comes = workedOut(valve.plate, { ...next, sum: own }, spec, rules)!;
  const limit = Math.min(next.limit_pa, comes.limit ?? next.limit_pa);
  const explains = Math.abs(comes.setPoint - pa) <= next.tolerance_pa;
  return { ...next, limit_pa: limit, ...(explains ? { sum: own } : {}) };
}

const withTarget = (valve: Valve, adjuster: string, target: Target): Valve =>
  adjuster === MAIN
    ? { ...valve, target }
    : { ...valve, other_targets: { ...valve.other_targets, [adjuster]: target } };

/**
 * A system with what the last sheets found: every rung that a valve holds takes the as-found figure of
 * the valve's latest sheet that has one. Rungs without such a sheet keep what they have.
 *
 * @param sheets  of all valves, in any order
 */
export function withFound(system: System, sheets: readonly ValveVisit[]): System {
  const latest = [...sheets].sort((a, b) => b.body.signed_at_ms - a.body.signed_at_ms);
  const foundOf = (valveId: string, adjuster: string): number | undefined => {
    for (const { body } of latest) {
      const setting =
        body.valve_id === valveId
          ? body.settings.find((each) => each.adjuster === adjuster)
          : undefined;
      if (setting && setting.as_found_pa !== null) return setting.as_found_pa;
    }
    return undefined;
  };
  return {
    ...system,
    rungs: system.rungs.map((rung) => {
      const found =
        rung.valve_id === undefined ? undefined : foundOf(rung.valve_id, rung.adjuster ?? MAIN);
      return found === undefined ? rung : { ...rung, found_pa: found };
    }),
  };
}
