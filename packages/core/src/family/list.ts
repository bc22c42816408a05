import { fluids } from './line-fluid';
import { z } from 'zod';
import type { Draw, Drawn } from '../plant';
import type { Measure } from '../quantity';
import type { Procedure } from '../step';
import {
  MAIN,
  type AdjusterSpec,
  type AnyPlate,
  type PointsFacts,
  type Side,
  type Targets,
  type TwinSketch,
} from '../valve';
import { burnerPilot } from './burner-pilot';
import { controller } from './controller';
import { electronicPilot } from './electronic-pilot';
import type { FamilyDefinition, FamilyFacts, Issue, PlateSchema } from './family';
import { gas } from './gas';
import { hydraulic } from './hydraulic';
import { indicator } from './indicator';
import { positioner } from './positioner';
import { pressureSwitch } from './pressure-switch';
import { reducing } from './reducing';
import { reliefPilot } from './relief-pilot';
import { reliefSpring } from './relief-spring';
import { selfOperated } from './self-operated';
import { suction } from './suction';
import { sustaining } from './sustaining';
import { temperature } from './temperature';

/** Every family that there is: a new one is a folder and a line here. */
const list = [
  reducing,
  sustaining,
  reliefPilot,
  reliefSpring,
  hydraulic,
  gas,
  selfOperated,
  suction,
  pressureSwitch,
  burnerPilot,
  positioner,
  indicator,
  controller,
  electronicPilot,
  temperature,
] as const;

type Definition = (typeof list)[number];
/** The plate of any family. */
export type Plate = z.infer<Definition['plateSchema']>;
export const plateSchema = z.discriminatedUnion(
  'family',
  list.map((each) => each.plateSchema) as unknown as readonly [
    Definition['plateSchema'],
    ...Definition['plateSchema'][],
  ],
);
export type Family = Plate['family'];
/** Plates of the families that are judged by points. */
export type JudgedByPoints = Extract<Plate, PointsFacts>;
export type PlateOf<F extends Family> = Extract<Plate, { family: F }>;

/** What only one family can have wrong. */
export type FamilyIssue = ReturnType<NonNullable<Definition['checks']>>[number];

/** A definition as the rest of the house sees it: it takes any plate, and is only given its own. */
type Opened = Omit<FamilyDefinition<PlateSchema, Issue>, 'checks'> & {
  readonly checks?: (plate: AnyPlate, targets: Targets) => readonly FamilyIssue[];
};
const familyNameOf = (definition: Definition): Family => definition.plateSchema.shape.family.value;
const definitions = new Map<string, Opened>(
  list.map((each) => [familyNameOf(each), each as unknown as Opened]),
);

/** The definition of a family; a missing one is a bug. */
export function definitionOf(family: string): Opened {
  const found = definitions.get(family);
  if (!found) throw new Error(`no family ${family}`);
  return found;
}

export const familyNames: readonly Family[] = list.map(familyNameOf);

export const families = Object.fromEntries(
  list.map((each) => [familyNameOf(each), each.facts]),
) as Readonly<Record<Family, FamilyFacts>>;

/** The name in the field's words, for titles. */
export const familyName = Object.fromEntries(
  list.map((each) => [familyNameOf(each), each.facts.name]),
) as Readonly<Record<Family, string>>;

/** The adjusters that a plate really has, leading one first. */
export function adjustersOf(plate: AnyPlate): readonly AdjusterSpec[] {
  const { facts, holdsOn, carries } = definitionOf(plate.family);
  const fluid = carries?.(plate);
  return facts.adjusters
    .filter(({ id }) => id === MAIN || plate.others?.[id] !== undefined)
    .map((spec) => ({
      ...spec,
      ...(holdsOn ? { role: holdsOn(plate) } : {}),
      ...(fluid && fluids[fluid].isGas ? { fluid: 'gas' as const } : {}),
      ...(facts.measures ? { measures: facts.measures } : {}),
    }));
}

/** What a valve of a family is set by. */
export const measureOf = ({ family }: Pick<AnyPlate, 'family'>): Measure =>
  definitionOf(family).facts.measures ?? 'pressure';

/** The gauge by which the leading setting is judged. */
export const judgeOf = (plate: AnyPlate): Side => adjustersOf(plate)[0]!.role;

/** Every version that a stored run may name stays here. */
export const procedures: readonly Procedure[] = (
  list as readonly Pick<Opened, 'procedure' | 'earlier'>[]
).flatMap(({ procedure, earlier = [] }) => [...earlier, procedure]);

/** The procedure of a family; the newest when no version is named. A missing one is a bug. */
export function procedureOf(family: string, version?: number): Procedure {
  const found = procedures
    .filter((p) => p.family === family && (version === undefined || p.version === version))
    .sort((a, b) => b.version - a.version)[0];
  if (!found) throw new Error(`no procedure for ${family} version ${version ?? 'newest'}`);
  return found;
}

/** How a family's twin is drawn from its plate. */
export const drawTwin = (plate: AnyPlate, targets: Targets, sketch: TwinSketch): Drawn =>
  (definitionOf(plate.family).draw as Draw)(plate, targets, sketch);
