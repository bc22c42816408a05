import { z } from 'zod';
import { factsOf, shapeOf, type Plate } from '../family';
import { printSignal, signalKinds, type SignalRange } from '../quantity';
import type { SheetBody } from '../sheet';
import { springSchema, type PlateFact } from '../valve';
import type { Line } from './block';
import type { Printers } from './printers';

type Fact = { readonly path: string; readonly was: unknown; readonly is: unknown };

/** What of the plate was found otherwise than the register had it: each fact with both figures, who says so and why. */
export function plateLines(
  { plate, plate_corrected: corrections = [] }: SheetBody,
  print: Printers,
  timeSay: (ms: number) => string,
): readonly Line[] {
  return corrections.map(({ facts, why, by, at_ms: atMs }) => {
    const told = correctionWords(plate, facts, print).join('; ');
    return { text: `Plate corrected by ${by}, ${timeSay(atMs)}: ${told}. ${why}`, tone: 'work' };
  });
}

/** What differs, fact by fact, as it is read on a plate. */
export function correctionWords(
  plate: Plate,
  facts: readonly Fact[],
  print: Printers,
): readonly string[] {
  const known = new Map(factsOf(shapeOf(plate)).map((fact) => [fact.path, fact]));
  return facts.map((fact) => factWords(fact, known, print));
}

function factWords(
  { path, was, is }: Fact,
  known: ReadonlyMap<string, PlateFact>,
  print: Printers,
): string {
  const fact = known.get(`plate.${path}`);
  const label = fact?.label ?? path.split('.').at(-1)!.replaceAll('_', ' ');
  const say = (value: unknown) => valueWords(value, fact, print);
  return `${label}: ${say(is)} (was ${say(was)})`;
}

/** A value of a plate as it is read there. */
function valueWords(value: unknown, fact: PlateFact | undefined, print: Printers): string {
  if (value === null) return 'not said';
  const springs = springSchema.array().safeParse(value);
  if (springs.success && springs.data.length > 0)
    return springs.data
      .map(
        ({ colour, from_pa: from, to_pa: to, rate_pa_per_turn: rate }) =>
          `${colour} ${print.figure(from)} to ${print.pressure(to)}, ${print.pressure(rate)} a turn`,
      )
      .join(', ');
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.join(', ');
  return typeof value === 'number'
    ? figureWords(value, fact, print)
    : otherWords(value, fact, print);
}

function figureWords(value: number, fact: PlateFact | undefined, print: Printers): string {
  if (fact?.kind === 'pressure' || fact?.kind === 'difference') return print.pressure(value);
  if (fact?.kind !== 'figure') return String(value);
  const { unit, factor, offset = 0 } = fact;
  return `${Number(((value - offset) / factor).toPrecision(6))} ${unit}`.trim();
}

function otherWords(value: unknown, fact: PlateFact | undefined, print: Printers): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const option = fact?.kind === 'choice' && fact.options.find((each) => each.value === value);
  if (option) return option.say;
  const range = rangeSchema.safeParse(value);
  return range.success ? rangeWords(range.data, print.unit) : String(value);
}

const rangeSchema = z.object({ kind: z.enum(signalKinds), low: z.number(), high: z.number() });
const rangeWords = (range: SignalRange, unit: string): string =>
  `${printSignal(range, range.low, unit)} to ${printSignal(range, range.high, unit)}`;
