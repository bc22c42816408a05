import { gaugePa } from '../quantity';
import { lockupAllowed } from '../valve';
import { adjustersOf, definitionOf } from './list';
import { sharedSlots, type SlotPrinters, type Slots, type SlotSource } from './slots';

/** Slots that need a family's facts beside its plate. */
const factSlots: Slots = {
  lockup_allowed: ({ plate, target, rules }, { pressure }) =>
    pressure(
      lockupAllowed(
        { plate, target, adjuster: adjustersOf(plate)[0]!, small: gaugePa(target.set_point_pa) },
        rules,
      ),
    ),
};
const commonSlots: Slots = { ...sharedSlots, ...factSlots };

/** Names of the slots that a family's texts may hold. */
export const slotNamesOf = (family: string): ReadonlySet<string> =>
  new Set(Object.keys({ ...commonSlots, ...definitionOf(family).slots }));

/** A step's text with its slots filled; an unknown slot stays visible as it was written. */
export function fillSlots(text: string, source: SlotSource, print: SlotPrinters): string {
  const own = definitionOf(source.plate.family).slots as Slots | undefined;
  return text.replace(
    /\{(\w+)\}/gu,
    (whole, name: string) => (own?.[name] ?? commonSlots[name])?.(source, print) ?? whole,
  );
}
