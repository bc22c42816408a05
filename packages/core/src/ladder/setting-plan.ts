import { feedersOf, isSettable, rootOf, settingOrder, type SettingOrder } from './setting-order';
import type { Ladder } from './solve-ladder';
import type { Rung, System } from './system';

/** What a gauge should read at a step: at the source, or behind a reducing valve. */
export type ExpectedReading = {
  readonly at: string;
  readonly pa: number;
  readonly ruledBy: string;
};

export type PlanStep =
  | {
      readonly kind: 'park';
      readonly rung: string;
      readonly to: 'high' | 'low';
      readonly readings: readonly ExpectedReading[];
    }
  /** Directional valve to this position; `centred` closes both sides. */
  | {
      readonly kind: 'shift';
      readonly position: string;
      readonly readings: readonly ExpectedReading[];
    }
  | {
      readonly kind: 'set';
      readonly rung: string;
      readonly pa: number;
      readonly approach: 'from_below' | 'from_above';
      /** Another rung that rules the gauge while this one is set: it cannot be read there until that one is out of the way. */
      readonly hiddenBy?: string;
      readonly readings: readonly ExpectedReading[];
    };

export type SettingPlan = { readonly order: SettingOrder; readonly steps: readonly PlanStep[] };

/** Limiters open to the same source: the lowest that is open rules the gauge. */
const LIMITERS = new Set(['compensator', 'main_relief', 'cross_port', 'relief', 'sustaining']);
/** Settings that come down to their value with the gauge following; the others come up. */
const FROM_ABOVE = new Set(['compensator', 'sustaining', 'relief']);
const CENTRED = 'centred';
/** Pa at which a limiter parked low is heard dumping; a label, not a rating: the house rule names it. */
type Options = { readonly parkedLowPa: number };

/**
 * Parking moves, shifts of the directional valve and settings, with what every gauge should read
 * after each: computed by letting the lowest limiter that is open to a source rule it.
 */
export function settingPlan(
  system: Pick<System, 'rungs'>,
  ladder: Ladder,
  { parkedLowPa }: Options,
): SettingPlan {
  const order = settingOrder(system, ladder);
  const byId = new Map(system.rungs.map((rung) => [rung.id, rung]));
  const target = new Map(ladder.targets.map(({ rung, pa }) => [rung, pa]));
  const now = new Map<string, number>();
  for (const { id, found_pa: found } of system.rungs) now.set(id, found ?? target.get(id) ?? 0);
  let position = CENTRED;
  const steps: PlanStep[] = [];
  const readings = () => expectedReadings(system.rungs, byId, now, position);
  const low = ({ kind }: Rung) => (LIMITERS.has(kind) ? parkedLowPa : 0);
  const park = (rung: Rung, to: 'high' | 'low') => {
    now.set(rung.id, to === 'high' ? Number.POSITIVE_INFINITY : low(rung));
    steps.push({ kind: 'park', rung: rung.id, to, readings: readings() });
  };
  const inOrder = order.rungs.map((id) => byId.get(id)!);
  for (const rung of inOrder) if (isParked(rung) === 'low first') park(rung, 'low');
  for (const rung of inOrder) {
    const parked = isParked(rung);
    if (parked === 'high' || parked === 'low') park(rung, parked);
  }
  for (const id of order.rungs) {
    const rung = byId.get(id)!;
    const wanted = rung.open_when ?? CENTRED;
    if (wanted !== position) {
      position = wanted;
      steps.push({ kind: 'shift', position, readings: readings() });
    }
    now.set(id, target.get(id)!);
    const approach = FROM_ABOVE.has(rung.kind) ? 'from_above' : 'from_below';
    const read = readings();
    const hidden = hiderOf(rung, byId, read);
    steps.push({
      kind: 'set',
      rung: id,
      pa: target.get(id)!,
      approach,
      ...(hidden === undefined ? {} : { hiddenBy: hidden }),
      readings: read,
    });
  }
  return { order, steps };
}

/** How a rung is taken out of the way: limiters that come up first of all, those that come down fully up. */
function isParked({ kind }: Rung): 'low first' | 'high' | 'low' | undefined {
  if (LIMITERS.has(kind)) return FROM_ABOVE.has(kind) ? 'high' : 'low first';
  return kind === 'reducing' || kind === 'switch' ? 'low' : undefined;
}

/** Who rules the gauge at which a limiter should be read; undefined where it rules that itself. */
function hiderOf(
  rung: Rung,
  byId: ReadonlyMap<string, Rung>,
  readings: readonly ExpectedReading[],
): string | undefined {
  if (!LIMITERS.has(rung.kind)) return undefined;
  const ruler = readings.find(({ at }) => at === nodeOf(rung, byId))?.ruledBy;
  return ruler === rung.id ? undefined : ruler;
}

function expectedReadings(
  rungs: readonly Rung[],
  byId: ReadonlyMap<string, Rung>,
  now: ReadonlyMap<string, number>,
  position: string,
): ExpectedReading[] {
  const isOpen = ({ open_when: when }: Rung) => when === undefined || when === position;
  const limiters = rungs.filter((rung) => LIMITERS.has(rung.kind) && isOpen(rung));
  const lower = (a: ExpectedReading, b: ExpectedReading) => (b.pa < a.pa ? b : a);
  const readingAt = (node: string): ExpectedReading => {
    const rung = byId.get(node)!;
    const own = { at: node, pa: now.get(node) ?? Number.POSITIVE_INFINITY, ruledBy: node };
    const supplied =
      rung.kind === 'reducing' && rung.fed_by !== undefined
        ? lower(own, { ...readingAt(nodeOf(rung, byId)), at: node })
        : own;
    return limiters
      .filter((limiter) => limiter.id !== node && nodeOf(limiter, byId) === node)
      .map((limiter) => ({ at: node, pa: now.get(limiter.id)!, ruledBy: limiter.id }))
      .reduce(lower, supplied);
  };
  const nodes = new Set(
    rungs
      .filter(isSettable)
      .flatMap((rung) => [nodeOf(rung, byId), ...(rung.kind === 'reducing' ? [rung.id] : [])]),
  );
  return [...nodes].map(readingAt).filter(({ pa }) => Number.isFinite(pa));
}

/** Where a rung's pressure is felt: behind the nearest reducing valve upstream, else at its source. */
const nodeOf = ({ id }: Rung, byId: ReadonlyMap<string, Rung>): string =>
  feedersOf(id, byId).find((feeder) => byId.get(feeder)!.kind === 'reducing') ?? rootOf(id, byId);
