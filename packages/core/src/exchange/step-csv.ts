import Papa from 'papaparse';
import { err, ok, type Result } from '../result';
import type { StepSample } from '../tune';
import { csvNumber } from './csv-table';

export type StepCsv = {
  readonly samples: readonly StepSample[];
  /** Lines, from 1, that carried no three numbers and were left out. */
  readonly leftOut: readonly number[];
};
export type StepCsvError =
  | { readonly code: 'step.empty' }
  | { readonly code: 'step.three_columns_wanted'; readonly columns: number };

const names: Readonly<Record<'t' | 'output' | 'value', RegExp>> = {
  t: /^(t|time|seconds?|s)\b/iu,
  output: /output|valve|\bop\b|\bout\b/iu,
  value: /value|process|\bpv\b|measure/iu,
};

/**
 * A step test as a table: time in s, controller output and process value in %, in any order when a
 * header names them, else in this one. Wrong rows are named by their line, the others kept.
 *
 * @errors  step.empty · step.three_columns_wanted
 */
export function readStepCsv(text: string): Result<StepCsv, StepCsvError> {
  const plain = text.replace(/^\uFEFF/u, '').trim();
  if (plain === '') return err({ code: 'step.empty' });
  const { data } = Papa.parse<string[]>(plain, { skipEmptyLines: 'greedy' });
  const first = data[0] ?? [];
  if (first.length < 3) return err({ code: 'step.three_columns_wanted', columns: first.length });
  const isHeader = first.every((cell) => csvNumber(cell) === undefined);
  const at = (key: keyof typeof names, fallback: number) => {
    const found = isHeader ? first.findIndex((cell) => names[key].test(cell.trim())) : -1;
    return found >= 0 ? found : fallback;
  };
  const [t, output, value] = [at('t', 0), at('output', 1), at('value', 2)];
  const samples: StepSample[] = [];
  const leftOut: number[] = [];
  for (const [i, row] of data.entries()) {
    if (isHeader && i === 0) continue;
    const [time, out, pv] = [t, output, value].map((column) => csvNumber(row[column] ?? ''));
    if (time === undefined || out === undefined || pv === undefined) leftOut.push(i + 1);
    else samples.push({ t: time, output: out, value: pv });
  }
  return ok({ samples, leftOut });
}
