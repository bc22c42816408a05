import type { Duty } from '../valve';
import { dutyOf } from './duty';
import { definitionOf, type Plate } from './list';
import { toldTo, type ToldTo } from './told-words';

type ToTell = { readonly tag: string; readonly plate: Plate; readonly duty?: Duty | undefined };

/** Who has to know, and for which valves, by their tags. */
export type Told = { readonly who: ToldTo; readonly tags: readonly string[] };

/** Who has to know before work on these valves begins: the permit first, fire before all the rest. */
export function toldFor(valves: readonly ToTell[]): readonly Told[] {
  return toldTo.flatMap((who) => {
    const tags = valves.flatMap((valve) => (wants(valve, who) ? [valve.tag] : []));
    return tags.length === 0 ? [] : [{ who, tags }];
  });
}

const wants = (valve: ToTell, who: ToldTo): boolean => {
  if (who === 'permit') return true;
  if (who === 'fire_post') return dutyOf(valve) === 'fire';
  return definitionOf(valve.plate.family).facts.tells.includes(who);
};
