import { definitionOf } from './list';
import { sharedSlots, type SlotPrinters, type Slots, type SlotSource } from './slots';

/** Names of the slots that a family's texts may hold. */
export const slotNamesOf = (family: string): ReadonlySet<string> =>
  new Set(Object.keys({ ...sharedSlots, ...definitionOf(family).slots }));

/** A step's text with its slots filled; an unknown slot stays visible as it was written. */
export function fillSlots(text: string, source: SlotSource, print: SlotPrinters): string {
  const own = definitionOf(source.plate.family).slots as Slots | undefined;
  return text.replace(
    /\{(\w+)\}/gu,
    (whole, name: string) => (own?.[name] ?? sharedSlots[name])?.(source, print) ?? whole,
  );
}
