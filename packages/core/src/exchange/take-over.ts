import { checkPlate, type PlateIssue } from '../family';
import type { Ladder, SettingOrder, System } from '../ladder';
import type { ValveVisit } from '../sheet';
import { MAIN, targetOf, type Target } from '../valve';
import type { Valve } from './valve-record';

export type TakenOver = {
  /** Valves whose targets change, as they would stand. */
  readonly valves: readonly Valve[];
  /** Valves that cannot hold their new target, and what is wrong. */
  readonly refused: readonly { readonly valve: Valve; readonly issue: PlateIssue }[];
  /** Valves of the system in setting order, each once. */
  readonly order: readonly string[];
};

/**
 * A ladder's pressures taken over into the register: every rung that a valve holds gives its adjuster
 * its target and the reason that decides it. A valve that cannot hold it keeps its old target.
 *
 * @param valves  the register
 */
export function takeOver(
  { rungs }: Pick<System, 'rungs'>,
  { targets }: Ladder,
  { rungs: order }: SettingOrder,
  valves: readonly Valve[],
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
    const { pa, decidedBy } = targets[i]!;
    changed.set(
      valve.id,
      withTarget(valve, rung.adjuster ?? MAIN, {
        ...old,
        set_point_pa: pa,
        why: decidedBy?.why || old.why,
      }),
    );
  });
  const judged = [...changed.values()].map((valve) => ({
    valve,
    issue: checkPlate(valve.plate, valve).find(({ stops }) => stops),
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
