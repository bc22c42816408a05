import { parseQuantity, type QuantityKind, type Valve } from '@holvek/core';
import type { Units } from '@/settings/use-units';
import { parseTrouble } from '@/words/trouble';

export type BenchField = {
  readonly key: string;
  readonly label: string;
  readonly kind: QuantityKind | 'number' | 'text' | 'choice';
  /** Unit of a bare number; the phone's own for pressures. */
  readonly unit?: string;
  readonly choices?: readonly { readonly value: string; readonly say: string }[];
  readonly hint?: string;
};
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
  readonly answer: (ask: Asked, units: Units) => BenchAnswer;
};

/** The fields as they were read: a figure that cannot be read throws its words, and the page shows them. */
export type Asked = {
  readonly si: (key: string) => number;
  readonly text: (key: string) => string;
  readonly choice: <T extends string>(key: string) => T;
};
export class Unreadable extends Error {}

/** Reads the fields of a tool and answers; what cannot be read is said, never guessed. */
export function answerOf(tool: BenchTool, values: BenchValues, units: Units): BenchAnswer {
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
export function readField(text: string, field: BenchField, units: Units): number | string {
  const { kind, label } = field;
  if (text === '') return `${label}: type a figure.`;
  if (kind === 'number' || kind === 'text' || kind === 'choice') {
    const value = Number(text.replace(',', '.'));
    return Number.isFinite(value) ? value : `${label}: a plain number, please.`;
  }
  const parsed = parseQuantity(text, kind, unitOfField(field, units));
  return parsed.ok ? parsed.value.si : `${label}: ${parseTrouble(parsed.error, units)}`;
}

export const unitOfField = ({ kind, unit }: BenchField, units: Units): string =>
  unit ?? (kind === 'pressure' ? units.pressure : kind === 'flow' ? units.flow : '');

/** The answer as text for other programs. */
export const answerText = (tool: BenchTool, answer: BenchAnswer): string =>
  'trouble' in answer
    ? answer.trouble
    : [tool.name, ...answer.rows.map(([label, say]) => `${label}: ${say}`), answer.note ?? '']
        .filter(Boolean)
        .join('\n');
