import { pressureUnits } from '../quantity';
import {
  choiceOf,
  isInstrument,
  MAIN,
  type AdjusterSpec,
  type AnyPlate,
  type PlateFact,
  type Side,
} from '../valve';
import type { FamilyFacts } from './family';
import { adjustersOf, definitionOf, families, type Family } from './list';
import { isWorkedOut } from './target-sum';

/** What a valve has, beside its family, that decides what is asked of it. */
export type ValveShape = {
  readonly family: Family;
  /** Further adjusters that are there, by id. */
  readonly further: readonly string[];
  /** Springs of its chart, by adjuster; one where nothing is said. */
  readonly springs: Readonly<Record<string, number>>;
};

export type FactGroup = {
  readonly id: string;
  readonly title: string;
  readonly facts: readonly PlateFact[];
  /** The adjuster whose springs and target these are. */
  readonly adjuster?: string;
};

const named: readonly PlateFact[] = [
  { path: 'tag', label: 'Tag', kind: 'text' },
  { path: 'name', label: 'Name', kind: 'text', optional: true, why: 'What it serves.' },
  {
    path: 'place_id',
    label: 'Belongs to',
    kind: 'place',
    why: 'Its air, its money, its clock and who is asked come from there.',
    optional: true,
  },
  { path: 'place', label: 'Place', kind: 'text', optional: true },
];
const visited: readonly PlateFact[] = [
  {
    path: 'duty',
    label: 'What it is there for',
    why: 'It decides how often it is looked at. Left open, it is as its family is.',
    optional: true,
    ...choiceOf({
      gas: 'gas',
      fire: 'fire protection',
      safety: 'safety',
      process: 'process',
      comfort: 'comfort',
    }),
  },
  {
    path: 'visit_months',
    label: 'Looked at every',
    kind: 'figure',
    unit: 'months',
    factor: 1,
    why: 'Only where it is another than its duty’s.',
    optional: true,
  },
  {
    path: 'unit',
    label: 'Its figures are shown in',
    why: 'Left open, they are as its kind’s, else as the phone’s.',
    optional: true,
    ...choiceOf(Object.fromEntries(pressureUnits.map((unit) => [unit, unit]))),
  },
];
const rated: readonly PlateFact[] = [
  { path: 'plate.size_dn', label: 'Size', kind: 'figure', unit: 'DN', factor: 1 },
  {
    path: 'plate.inlet_rating_pa',
    label: 'Inlet rated to',
    kind: 'pressure',
    why: 'The weakest part on that side.',
  },
  {
    path: 'plate.outlet_rating_pa',
    label: 'Outlet rated to',
    kind: 'pressure',
    why: 'Nothing is ever set past it.',
  },
];
const further: readonly PlateFact[] = [
  {
    path: 'plate.min_differential_pa',
    label: 'Least fall across it',
    kind: 'difference',
    ordinary: '0',
  },
  {
    path: 'plate.droop_allowed_pa',
    label: 'Fall to working flow allowed',
    kind: 'difference',
    optional: true,
  },
  {
    path: 'plate.factory_set_point_pa',
    label: 'Set point from the works',
    kind: 'pressure',
    optional: true,
  },
  { path: 'plate.accessories', label: 'Accessories', kind: 'list', optional: true },
  { path: 'plate.approval.scheme', label: 'Fire approval', kind: 'text', optional: true },
  {
    path: 'plate.approval.accessories',
    label: 'Accessories the approval names',
    kind: 'list',
    optional: true,
  },
];
const about: readonly PlateFact[] = [
  { path: 'about.model', label: 'Model', kind: 'text', optional: true },
  { path: 'about.serial', label: 'Serial number', kind: 'text', optional: true },
  { path: 'about.year', label: 'Year', kind: 'text', optional: true },
  { path: 'about.seal', label: 'Seal number', kind: 'text', optional: true },
  { path: 'about.key_size', label: 'Key for its screw', kind: 'text', optional: true },
  { path: 'about.screw_at', label: 'Where the screw is', kind: 'text', optional: true },
];

/** Where an adjuster stands within the plate, and what it must hold within the valve. */
export const adjusterPath = (id: string): string => (id === MAIN ? 'plate' : `plate.others.${id}`);
export const targetPath = (id: string): string => (id === MAIN ? 'target' : `other_targets.${id}`);

const screw = (at: string): readonly PlateFact[] => [
  {
    path: `${at}.clockwise`,
    label: 'Clockwise',
    ordinary: 'unknown',
    ...choiceOf({ raises: 'raises', lowers: 'lowers', unknown: 'not known' }),
  },
  {
    path: `${at}.travel_turns`,
    label: 'Turns from free to coil-bound',
    kind: 'figure',
    unit: 'turns',
    factor: 1,
  },
];
const spring = (at: string, index: number): readonly PlateFact[] => {
  const path = `${at}.springs.${index}`;
  return [
    {
      path: `${path}.colour`,
      label: index === 0 ? 'Spring fitted, its colour' : 'Another spring, its colour',
      kind: 'text',
    },
    { path: `${path}.from_pa`, label: 'Sets from', kind: 'difference' },
    { path: `${path}.to_pa`, label: 'Sets up to', kind: 'difference' },
    {
      path: `${path}.rate_pa_per_turn`,
      label: 'One turn moves it by',
      kind: 'difference',
      why: 'From the chart; what the valve itself shows is learned from its sheets.',
    },
  ];
};
const wanted = (at: string): readonly PlateFact[] => [
  { path: `${at}.set_point_pa`, label: 'Set point', kind: 'pressure' },
  { path: `${at}.tolerance_pa`, label: 'Tolerance, either way', kind: 'difference' },
  {
    path: `${at}.limit_pa`,
    label: 'Never past',
    kind: 'pressure',
    why: 'The weakest part on that side, or the site’s own figure.',
  },
  { path: `${at}.why`, label: 'Why so', kind: 'text', why: 'The next visit will ask.' },
];

/** What the sum of a target is made of, as one reads it off: paths are `at.need_pa` and so on. */
export const sumFacts = (at: string): readonly PlateFact[] => [
  {
    path: `${at}.need_pa`,
    label: 'The neediest point wants',
    kind: 'pressure',
    optional: true,
    why: 'While it draws. From here on the set point is worked out.',
  },
  { path: `${at}.loss_pa`, label: 'Lost on the way to it', kind: 'difference', optional: true },
  {
    path: `${at}.rise_m`,
    label: 'It lies above the valve by',
    kind: 'figure',
    unit: 'm',
    factor: 1,
    optional: true,
  },
  {
    path: `${at}.lowest_rating_pa`,
    label: 'The lowest point bears',
    kind: 'pressure',
    optional: true,
    why: 'Less the column down to it, and less what lockup may add, it is the limit.',
  },
  {
    path: `${at}.drop_m`,
    label: 'It lies below the valve by',
    kind: 'figure',
    unit: 'm',
    factor: 1,
    optional: true,
  },
];

/** Whether a family is judged by points rather than held by springs. */
export const isJudgedByPoints = (family: Family): boolean =>
  'tolerance_span' in definitionOf(family).plateSchema.shape;

/** Further adjusters of a family, and which of them a valve of it may lack. */
export const furtherOf = (family: Family): readonly AdjusterSpec[] =>
  families[family].adjusters.filter(({ id }) => id !== MAIN);
export const mayLack = (family: Family, id: string): boolean =>
  definitionOf(family).mayLack?.includes(id) ?? false;

/** What the rating of a side is called: in its family's own words, else in the ordinary ones. */
export const ratingWords = ({ family }: Pick<AnyPlate, 'family'>, side: Side): string =>
  definitionOf(family).says?.[`plate.${side}_rating_pa`]?.label ??
  (side === 'inlet' ? 'Inlet rating' : 'Outlet rating');

/** Everything that is asked of a valve, in the order in which one reads it off: name, plate, screws, targets. */
export function factGroups(shape: ValveShape): readonly FactGroup[] {
  const { says = {} } = definitionOf(shape.family);
  return ordinaryGroups(shape).map((group) => ({
    ...group,
    facts: group.facts.map((fact) => ({ ...fact, ...says[fact.path] })),
  }));
}

/** What is set by a thermometer stands in degrees, and has no unit to choose. */
const isAsked = ({ path }: PlateFact, { measures }: FamilyFacts): boolean =>
  path !== 'unit' || measures === undefined || measures === 'pressure';

function ordinaryGroups({ family, further: present, springs }: ValveShape): readonly FactGroup[] {
  const { plateFacts = [], facts } = definitionOf(family);
  const byPoints = isJudgedByPoints(family);
  const specs = facts.adjusters.filter(({ id }) => id === MAIN || present.includes(id));
  const own = plateFacts.map((fact) => ({ ...fact, path: `plate.${fact.path}` }));
  return [
    { id: 'name', title: 'Which one', facts: named },
    { id: 'plate', title: 'On its plate', facts: [...rated, ...own] },
    ...specs.map(({ id, name }) => ({
      id: `adjuster:${id}`,
      title: name,
      adjuster: id,
      facts: [
        ...screw(adjusterPath(id)),
        ...(byPoints
          ? []
          : Array.from({ length: springs[id] ?? 1 }, (_, i) => spring(adjusterPath(id), i)).flat()),
      ],
    })),
    ...specs
      .filter(({ id }) => !byPoints || id === MAIN)
      .map(({ id, name, role }) => ({
        id: `target:${id}`,
        title: byPoints ? 'What it works at' : `What it must hold: ${name.toLowerCase()}`,
        facts: [
          ...wanted(targetPath(id)),
          ...(isWorkedOut({ family }, { role }) ? sumFacts(`${targetPath(id)}.sum`) : []),
        ],
      })),
    {
      id: 'more',
      title: 'If it is there',
      facts: [...visited.filter((fact) => isAsked(fact, facts)), ...further, ...about],
    },
  ];
}

/** The same without their groups. */
export const factsOf = (shape: ValveShape): readonly PlateFact[] =>
  factGroups(shape).flatMap(({ facts }) => facts);

/** The shape of a valve that is known. */
export const shapeOf = (plate: AnyPlate): ValveShape => ({
  family: plate.family as Family,
  further: Object.keys(plate.others ?? {}),
  springs: isInstrument(plate)
    ? {}
    : Object.fromEntries(
        adjustersOf(plate).map(({ id }) => [
          id,
          (id === MAIN ? plate : plate.others![id]!).springs.length,
        ]),
      ),
});
