import type { Gauge } from '../../gauge';
import type { EntryDraft } from '../shapes';
import { markNames } from './marks';

export type LogRefusal = { readonly code: 'run.not_in_log'; readonly figure: number };

type LogTaken = Extract<EntryDraft, { readonly type: 'log_taken' }>;

/** Share of what was logged within which a fitted figure may lie beyond the samples that a chart keeps. */
const BEYOND = 0.01;

/**
 * Why figures are not those of the log beside them: one that the line never had, or more openings than the line
 * has come up to.
 *
 * @returns the first figure that is not, Pa; undefined where all are
 */
export function notInLog(
  { samples, cycles }: LogTaken,
  gauge: Gauge | undefined,
): LogRefusal | undefined {
  const values = samples.map(([, value]) => value);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const apart = (gauge?.resolution_pa ?? 0) + BEYOND * (most - least);
  for (const found of cycles) {
    const strange = markNames
      .map((mark) => found[mark])
      .find((figure) => figure !== undefined && (figure < least - apart || figure > most + apart));
    if (strange !== undefined) return { code: 'run.not_in_log', figure: strange };
    const { cracked } = found;
    if (cracked !== undefined && risesTo(values, cracked - apart) < openingsAt(cycles, cracked))
      return { code: 'run.not_in_log', figure: cracked };
  }
  return undefined;
}

/** Openings that want the line to have come up to a pressure. */
const openingsAt = (cycles: LogTaken['cycles'], level: number): number =>
  cycles.filter(({ cracked }) => cracked !== undefined && cracked >= level).length;

/** How often the line came up to a pressure, the beginning included. */
const risesTo = (values: readonly number[], level: number): number =>
  values.filter((value, i) => value >= level && (i === 0 || values[i - 1]! < level)).length;
