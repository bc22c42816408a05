import type { Ladder } from './solve-ladder';
import type { Rung, RungKind, System } from './system';

/** Rungs that are turned by hand; the others are facts of the system. */
const SETTABLE = new Set<RungKind>([
  'compensator',
  'main_relief',
  'cross_port',
  'relief',
  'sustaining',
  'reducing',
  'switch',
]);
export const isSettable = ({ kind }: Pick<Rung, 'kind'>): boolean => SETTABLE.has(kind);

/** Why one setting comes before another. */
export type Precedence = {
  readonly before: string;
  readonly after: string;
  readonly why: 'upstream_first' | 'sustaining_first' | 'higher_first';
};
export type SettingOrder = {
  readonly rungs: readonly string[];
  readonly reasons: readonly Precedence[];
};

/**
 * The order in which pressures are set, computed from the arrangement: upstream before downstream,
 * sustaining before reducing, and among those that share a source from the highest down.
 *
 * @param ladder  solved; a target for every rung
 * @returns ids of settable rungs in order, and for every neighbour pair why it stands so
 */
export function settingOrder({ rungs }: Pick<System, 'rungs'>, { targets }: Ladder): SettingOrder {
  const byId = new Map(rungs.map((rung) => [rung.id, rung]));
  const pa = new Map(targets.map((target) => [target.rung, target.pa]));
  const settable = rungs.filter(isSettable);
  const above = new Map(settable.map(({ id }) => [id, new Set(feedersOf(id, byId))]));
  const must = (a: Rung, b: Rung): Precedence['why'] | undefined => {
    if (above.get(b.id)!.has(a.id)) return 'upstream_first';
    const isSameSource = rootOf(a.id, byId) === rootOf(b.id, byId);
    if (
      isSameSource &&
      a.kind === 'sustaining' &&
      b.kind === 'reducing' &&
      !above.get(a.id)!.has(b.id)
    )
      return 'sustaining_first';
    return undefined;
  };
  const left = [...settable];
  const order: Rung[] = [];
  while (left.length > 0) {
    const free = left.filter((rung) => !left.some((other) => other !== rung && must(other, rung)));
    // Feeding is free of loops and the kinds are ranked, so something is always free.
    const next = free.reduce(
      (a, b) => (pa.get(b.id)! > pa.get(a.id)! + 1e-6 ? b : a),
      free[0] ?? left[0]!,
    );
    order.push(next);
    left.splice(left.indexOf(next), 1);
  }
  const reasons = order.slice(1).map((rung, i): Precedence => {
    const before = order[i]!;
    return { before: before.id, after: rung.id, why: must(before, rung) ?? 'higher_first' };
  });
  return { rungs: order.map(({ id }) => id), reasons };
}

/** Everything upstream of a rung, nearest first. */
export function feedersOf(id: string, byId: ReadonlyMap<string, Rung>): string[] {
  const feeders: string[] = [];
  let at = byId.get(id)?.fed_by;
  while (at !== undefined && !feeders.includes(at)) {
    feeders.push(at);
    at = byId.get(at)?.fed_by;
  }
  return feeders;
}

export const rootOf = (id: string, byId: ReadonlyMap<string, Rung>): string =>
  feedersOf(id, byId).at(-1) ?? id;
