import {
  parseDifference,
  parsePressure,
  parseQuantity,
  type AbsolutePressure,
  type QuantityKind,
  type Valve,
} from '@holvek/core';
import { z } from 'zod';
import type { Units } from '@/units/use-units';
import { parseTrouble } from '@/words/trouble';

export type BenchField = {
  readonly key: string;
  readonly label: string;
  /** A difference is a pressure that counts from none. */
  readonly kind: QuantityKind | 'difference' | 'number' | 'text' | 'choice';
  /** Unit of a bare number; the phone's own for pressures. */
  readonly unit?: string;
  readonly choices?: readonly { readonly value: string; readonly say: string }[];
  readonly hint?: string;
};
/** Units of the phone, and the barometer where it is. */
export type BenchUnits = Units & { readonly barometer: AbsolutePressure };
export type BenchValues = Readonly<Record<string, string>>;
export type BenchAnswer =
  | {
      readonly rows: readonly (readonly [label: string, say: string])[];
      readonly note?: string;
      readonly warn?: string;
    }
  | { readonly trouble: string };

/** One small sum: its fields, how they start, what it answers. */
export type BenchTool = {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly fields: readonly BenchField[];
  readonly initial: BenchValues;
  /** What a valve's plate puts in; undefined where it says nothing of it. */
  readonly fromValve?: (valve: Valve) => BenchValues | undefined;
  readonly answer: (ask: Asked, units: BenchUnits) => BenchAnswer;
};

/** The fields as they were read: a figure that cannot be read throws its words, and the page shows them. */
export type Asked = {
  readonly si: (key: string) => number;
  readonly text: (key: string) => string;
  readonly choice: <T extends string>(key: string) => T;
};
export class Unreadable extends Error {}

/** Reads the fields of a tool and answers; what cannot be read is said, never guessed. */
export function answerOf(tool: BenchTool, values: BenchValues, units: BenchUnits): BenchAnswer {
  const fieldOf = (key: string) => tool.fields.find((field) => field.key === key)!;
  const textOf = (key: string) => (values[key] ?? tool.initial[key] ?? '').trim();
  const si = (key: string): number => {
    const read = readField(textOf(key), fieldOf(key), units);
    if (typeof read === 'string') throw new Unreadable(read);
    return read;
  };
  try {
    return tool.answer(
      { si, text: textOf, choice: <T extends string>(key: string) => textOf(key) as T },
      units,
    );
  } catch (error) {
    if (error instanceof Unreadable) return { trouble: error.message };
    throw error;
  }
}

/** A field's text as an SI figure, or the words of what is wrong with it. */
export function readField(text: string, field: BenchField, units: BenchUnits): number | string {
  const { kind, label } = field;
  if (text === '') return `${label}: type a figure.`;
  if (kind === 'number' || kind === 'text' || kind === 'choice') {
    const value = Number(text.replace(',', '.'));
    return Number.isFinite(value) ? value : `${label}: a plain number, please.`;
  }
  const unit = unitOfField(field, units);
  const parsed =
    kind === 'pressure'
      ? parsePressure(text, unit, units.barometer)
      : kind === 'difference'
        ? parseDifference(text, unit)
        : parseQuantity(text, kind, unit);
  return parsed.ok ? parsed.value.si : `${label}: ${parseTrouble(parsed.error, units)}`;
}

const LONGEST = 200;
const plainKinds: ReadonlySet<BenchField['kind']> = new Set(['text', 'choice']);

/** A tool's fields as a form: what cannot be read is said beside its field. An empty one is said with the answer. */
export const toolSchema = ({ fields }: BenchTool, units: BenchUnits) =>
  z.object(
    Object.fromEntries(
      fields.map((field) => [
        field.key,
        z
          .string()
          .max(LONGEST)
          .superRefine((text, { addIssue }) => {
            if (text.trim() === '' || plainKinds.has(field.kind)) return;
            const read = readField(text.trim(), field, units);
            if (typeof read === 'string')
              addIssue({ code: 'custom', message: read.slice(field.label.length + 2) });
          }),
      ]),
    ),
  );

export const unitOfField = ({ kind, unit }: BenchField, units: Units): string =>
  unit ??
  (kind === 'pressure' || kind === 'difference'
    ? units.pressure
    : kind === 'flow'
      ? units.flow
      : '');

/** The answer as text for other programs. */
export const answerText = (tool: BenchTool, answer: BenchAnswer): string =>
  'trouble' in answer
    ? answer.trouble
    : [tool.name, ...answer.rows.map(([label, say]) => `${label}: ${say}`), answer.note ?? '']
        .filter(Boolean)
        .join('\n');
