import type { AnyPlate, Target } from '../valve';
import { checkPlate } from './check-plate';
import { definitionOf } from './list';
import { toolWords, type ToolName } from './tool-names';

/** One thing to bring, and what about it is this valve's own. */
export type Tool = { readonly name: ToolName; readonly detail?: string };

/** By which the same tool is known in any bag. */
export const toolKey = ({ name, detail }: Tool): string => `${name} ${detail ?? ''}`;

/** A tool in words, with what about it is this valve's own. */
export const toolSay = ({ name, detail }: Tool): string =>
  detail ? `${toolWords[name]}: ${detail}` : toolWords[name];

/** A valve as far as its tools depend on it. */
export type ToBeSet = {
  readonly plate: AnyPlate;
  readonly target: Target;
  readonly others?: Readonly<Record<string, Target>> | undefined;
  readonly about?: { readonly key_size?: string | undefined } | undefined;
};

/**
 * What has to be in the bag for a valve: its family's tools, the key that its plate names, and the
 * spring that its target wants.
 */
export function toolsOf({ about, ...valve }: ToBeSet): readonly Tool[] {
  const own = definitionOf(valve.plate.family).facts.tools.map((name): Tool => {
    const key = name === 'adjuster_key' ? about?.key_size : undefined;
    return key ? { name, detail: key } : { name };
  });
  const springs = checkPlate(valve.plate, valve).flatMap((issue): Tool[] => {
    if (issue.code === 'valve.spring_to_change') return [{ name: 'spring', detail: issue.wouldDo }];
    if (issue.code === 'valve.target_outside_spring' && issue.wouldDo[0] !== undefined)
      return [{ name: 'spring', detail: issue.wouldDo[0] }];
    return [];
  });
  return [...own, ...springs];
}

/** A tool for a day, and which valves want it. */
export type BaggedTool = { readonly tool: Tool; readonly tags: readonly string[] };

/** The bag of a day: each tool once with the valves that want it, the one that most want first. */
export function bagOf(
  valves: readonly (ToBeSet & { readonly tag: string })[],
): readonly BaggedTool[] {
  const bag = new Map<string, { readonly tool: Tool; readonly tags: string[] }>();
  for (const valve of valves)
    for (const tool of toolsOf(valve)) {
      const key = toolKey(tool);
      const known = bag.get(key);
      if (known) known.tags.push(valve.tag);
      else bag.set(key, { tool, tags: [valve.tag] });
    }
  return [...bag.values()].sort((a, b) => b.tags.length - a.tags.length);
}
