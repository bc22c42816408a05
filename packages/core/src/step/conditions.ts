import type { AnyPlate } from '../valve';

/** Facts of a plate by which steps stand or fall away. */
export type Conditions = Readonly<Record<string, (plate: AnyPlate) => boolean>>;

/** Those that plates of any family have. */
export const sharedConditions: Conditions = {
  no_approval: ({ approval }) => approval === undefined,
  combined: ({ others }) => others?.['reducing'] !== undefined,
  has_compensator: ({ others }) => others?.['compensator'] !== undefined,
  has_cross_ports: ({ others }) =>
    others?.['cross_a'] !== undefined && others['cross_b'] !== undefined,
};
