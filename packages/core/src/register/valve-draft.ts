import { sameTag, valveSchema, type Valve } from '../exchange';
import {
  checkPlate,
  type Family,
  type PlateIssue,
  adjusterPath,
  factsOf,
  furtherOf,
  isJudgedByPoints,
  mayLack,
  shapeOf,
  type ValveShape,
} from '../family';
import { ok, type Result } from '../result';
import type { PlateFact } from '../valve';
import {
  factText,
  readFact,
  readSignalEnd,
  signalEndText,
  signalPaths,
  signalUnits,
  writingFor,
  type FactError,
  type Writing,
} from './fact-text';
import { atPlace, readPlace } from './places';

/** A valve as it is being written down: what it has, and a text for every fact by its path. */
export type ValveDraft = {
  readonly shape: ValveShape;
  readonly texts: Readonly<Record<string, string>>;
};

export type DraftError =
  | FactError
  /** Past what any plate can say; the schema's own words for how. */
  | { readonly code: 'register.out_of_range'; readonly say: string }
  | { readonly code: 'register.tag_taken'; readonly id: string; readonly tag: string };
export type DraftIssue = { readonly path: string; readonly error: DraftError };

export type ReadDraft = {
  /** Undefined while something is missing or cannot be read. */
  readonly valve: Valve | undefined;
  /** By field, in their order. */
  readonly issues: readonly DraftIssue[];
  /** What contradicts itself, once all can be read. */
  readonly plate: readonly PlateIssue[];
};

/** A new valve of a family, with every further adjuster that one of it must have. */
export function newDraft(family: Family): ValveDraft {
  const further = furtherOf(family)
    .map(({ id }) => id)
    .filter((id) => !mayLack(family, id));
  return completed({ shape: { family, further, springs: {} }, texts: {} });
}

/** A draft in which every fact of its shape has a text; those that were written stay. */
export function completed({ shape, texts }: ValveDraft): ValveDraft {
  const all: Record<string, string> = {};
  for (const fact of factsOf(shape)) {
    for (const path of pathsOf(fact)) all[path] = texts[path] ?? '';
    all[fact.path] ??= '';
    if (fact.ordinary !== undefined && texts[fact.path] === undefined)
      all[fact.path] = fact.ordinary;
  }
  return { shape, texts: { ...texts, ...all } };
}

/** A valve of the register as it would have been written; the spring that is in stands first. */
export function draftOf(valve: Valve, ordinary: Writing): ValveDraft {
  const writing = writingFor(valve.plate.family, ordinary);
  const shape = shapeOf(valve.plate);
  const whole = fittedFirst(valve);
  const texts: Record<string, string> = {};
  for (const fact of factsOf(shape)) {
    const value = valueAt(whole, fact.path);
    if (fact.kind !== 'signal') texts[fact.path] = factText(fact, value, writing);
    else Object.assign(texts, signalTexts(fact.path, value, writing));
  }
  return { shape, texts };
}

/** Another one like it: everything but what belongs to this one alone. */
export function draftLike(valve: Valve, writing: Writing): ValveDraft {
  const { shape, texts } = draftOf(valve, writing);
  const own = ['tag', 'about.serial', 'about.seal', 'about.year'];
  return completed({ shape, texts: { ...texts, ...Object.fromEntries(own.map((p) => [p, ''])) } });
}

export type ReadOptions = {
  readonly id: string;
  readonly writing: Writing;
  /** The register, for tags that are taken. */
  readonly others: readonly Pick<Valve, 'id' | 'tag'>[];
  /** The valve that is being changed: figures whose text was not touched stay to the last digit. */
  readonly before?: Valve | undefined;
};

/** The valve that a draft says, or everything that keeps it from being one. */
export function readDraft({ shape, texts }: ValveDraft, options: ReadOptions): ReadDraft {
  const { id, others, before } = options;
  const writing = writtenAt(texts, writingFor(shape.family, options.writing));
  const written = before && draftOf(before, writing).texts;
  const whole = before && fittedFirst(before);
  const issues: DraftIssue[] = [];
  const raw: Record<string, unknown> = {};
  for (const fact of factsOf(shape)) {
    const isUntouched =
      whole !== undefined && pathsOf(fact).every((path) => texts[path] === written?.[path]);
    if (isUntouched) {
      put(raw, fact.path, valueAt(whole, fact.path));
      continue;
    }
    const read = fact.kind === 'signal' ? readSignal(fact, texts) : readOne(fact, texts, writing);
    if (read.ok) put(raw, fact.path, read.value);
    else issues.push(...read.error);
  }
  const tag = (texts['tag'] ?? '').trim();
  const same = others.find((other) => sameTag(other.tag, tag) && other.id !== id);
  if (same) issues.push({ path: 'tag', error: { code: 'register.tag_taken', ...same } });
  if (issues.length > 0) return { valve: undefined, issues, plate: [] };
  return judged(finished(raw, shape, options), writing);
}

/** As it is written where the valve stands: in the air of its own place, if it names one. */
function writtenAt(texts: ValveDraft['texts'], writing: Writing): Writing {
  const { places } = writing;
  const named = texts['place_id']?.trim() ?? '';
  if (!places || named === '') return writing;
  const place = readPlace(places, named);
  return place.ok ? { ...writing, barometer: atPlace(places, place.value.id).barometer } : writing;
}

type Issues = readonly DraftIssue[];

function readOne(
  fact: PlateFact,
  texts: ValveDraft['texts'],
  writing: Writing,
): Result<unknown, Issues> {
  const read = readFact(fact, texts[fact.path] ?? '', writing);
  return read.ok ? read : { ok: false, error: [{ path: fact.path, error: read.error }] };
}

/** A signal from its unit and its two ends; one that need not be said is said by either end. */
function readSignal(fact: PlateFact, texts: ValveDraft['texts']): Result<unknown, Issues> {
  const paths = signalPaths(fact.path);
  const [low = '', high = ''] = [texts[paths.low], texts[paths.high]];
  if (fact.optional && low.trim() === '' && high.trim() === '') return ok(undefined);
  const unit = texts[paths.unit] || 'mA';
  if (!isSignalUnit(unit))
    return { ok: false, error: [{ path: paths.unit, error: { code: 'register.no_choice' } }] };
  const ends = { low: readSignalEnd(low, unit), high: readSignalEnd(high, unit) };
  if (ends.low.ok && ends.high.ok)
    return ok({ kind: signalUnits[unit], low: ends.low.value, high: ends.high.value });
  const error = (['low', 'high'] as const).flatMap((end) => {
    const read = ends[end];
    return read.ok ? [] : [{ path: paths[end], error: read.error }];
  });
  return { ok: false, error };
}

const isSignalUnit = (unit: string): unit is keyof typeof signalUnits =>
  Object.hasOwn(signalUnits, unit);

/** What a plate has that nobody types: the family, the spring that is in, and what stands only here. */
function finished(
  raw: Record<string, unknown>,
  shape: ValveShape,
  { id, before }: ReadOptions,
): Record<string, unknown> {
  put(raw, 'id', id);
  put(raw, 'plate.family', shape.family);
  for (const adjuster of ['main', ...shape.further]) {
    const at = adjusterPath(adjuster);
    if (isJudgedByPoints(shape.family)) put(raw, `${at}.springs`, []);
    put(raw, `${at}.fitted_spring`, valueAt(raw, `${at}.springs.0.colour`) ?? '');
    const springs = valueAt(raw, `${at}.springs`) as readonly Coloured[];
    const known = valueAt(before, `${at}.springs`) as readonly Coloured[] | undefined;
    put(raw, `${at}.springs`, asCharted(springs, known ?? []));
  }
  for (const path of ['name', 'place']) if (valueAt(raw, path) === undefined) put(raw, path, '');
  if (valueAt(raw, 'plate.approval.scheme') === undefined) put(raw, 'plate.approval', undefined);
  return {
    ...raw,
    ...(before?.twin ? { twin: before.twin } : {}),
    ...(before?.retired ? { retired: before.retired } : {}),
  };
}

type Coloured = { readonly colour: string; readonly stacked_with?: readonly string[] };

/** In the order of the chart that was known, and stacked as it said. */
function asCharted(springs: readonly Coloured[], known: readonly Coloured[]): readonly Coloured[] {
  const place = ({ colour }: Coloured) => {
    const at = known.findIndex((each) => each.colour === colour);
    return at < 0 ? known.length : at;
  };
  return springs
    .map((spring) => ({ ...stackOf(known[place(spring)]), ...spring }))
    .sort((a, b) => place(a) - place(b));
}
const stackOf = (known: Coloured | undefined) =>
  known?.stacked_with ? { stacked_with: known.stacked_with } : {};

function judged(raw: Record<string, unknown>, { rules }: Writing): ReadDraft {
  const parsed = valveSchema.safeParse(raw);
  if (parsed.success)
    return {
      valve: parsed.data,
      issues: [],
      plate: checkPlate(parsed.data.plate, parsed.data, rules),
    };
  const issues = parsed.error.issues.map(({ path, message }) => ({
    path: path.map(String).join('.'),
    error: { code: 'register.out_of_range' as const, say: message },
  }));
  return { valve: undefined, issues, plate: [] };
}

const pathsOf = ({ kind, path }: PlateFact): readonly string[] =>
  kind === 'signal' ? Object.values(signalPaths(path)) : [path];

function signalTexts(path: string, value: unknown, { unit: pressure }: Writing) {
  const paths = signalPaths(path);
  const range = value as { kind: string; low: number; high: number } | undefined;
  if (!range) return { [paths.unit]: 'mA', [paths.low]: '', [paths.high]: '' };
  const ofKind = Object.entries(signalUnits).filter(([, kind]) => kind === range.kind);
  const unit = ofKind.find(([each]) => each === pressure)?.[0] ?? ofKind[0]![0];
  return {
    [paths.unit]: unit,
    [paths.low]: signalEndText(range.low, unit),
    [paths.high]: signalEndText(range.high, unit),
  };
}

/** The same valve with the spring that is in first in every chart. */
function fittedFirst(valve: Valve): Valve {
  const first = <P extends { springs: readonly { colour: string }[]; fitted_spring: string }>(
    own: P,
  ): P => ({
    ...own,
    springs: [...own.springs].sort(
      (a, b) => Number(b.colour === own.fitted_spring) - Number(a.colour === own.fitted_spring),
    ),
  });
  const others = Object.entries(valve.plate.others ?? {}).map(([id, own]) => [id, first(own)]);
  return {
    ...valve,
    plate: {
      ...first(valve.plate),
      ...(valve.plate.others ? { others: Object.fromEntries(others) } : {}),
    } as Valve['plate'],
  };
}

/** What stands at a path; undefined where it leads nowhere. */
function valueAt(value: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], value);
}

/** Puts a value at a path; keys that are numbers make lists. What is undefined leaves nothing behind. */
function put(into: Record<string, unknown>, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop()!;
  if (value === undefined && valueAt(into, path) === undefined) return;
  let at = into;
  keys.forEach((key, i) => {
    const next = keys[i + 1] ?? last;
    at[key] ??= /^\d+$/u.test(next) ? [] : {};
    at = at[key] as Record<string, unknown>;
  });
  if (value === undefined) delete at[last];
  else at[last] = value;
}
