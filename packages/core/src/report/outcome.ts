import type { Verdict } from '../gauge';
import { leadingSetting, type SheetBody } from '../sheet';
import type { Tone } from './block';
import { percent, type Printers } from './printers';

export const verdictWord: Readonly<Record<Verdict, string>> = {
  pass: 'pass, guarded',
  pass_without_margin: 'pass, no margin',
  fail_without_margin: 'fail, no margin',
  fail: 'fail',
};
export const verdictTone: Readonly<Record<Verdict, Tone>> = {
  pass: 'good',
  pass_without_margin: 'work',
  fail_without_margin: 'stop',
  fail: 'stop',
};

type Outcome = Pick<SheetBody, 'outcome' | 'verdict'>;

/** What a sheet comes to, in a word: the same on page, paper and in lists. */
export function outcomeWord({ outcome, verdict }: Outcome): string {
  if (outcome === 'out_of_service') return 'out of service';
  return verdict === null ? 'done' : verdictWord[verdict];
}

export function outcomeTone({ outcome, verdict }: Outcome): Tone {
  if (outcome === 'out_of_service') return 'stop';
  return verdict === null ? 'good' : verdictTone[verdict];
}

/** What a valve was left at, for lists. */
export function leftWords(body: SheetBody, { pressure }: Printers): string {
  const leading = leadingSetting(body);
  if (leading)
    return `left at ${pressure(leading.as_left_pa, body.gauges[leading.role]?.resolution_pa)}`;
  if (body.tables) return `largest error ${percent(body.tables.as_left.worst_error)}`;
  return body.outcome === 'out_of_service'
    ? (body.out_of_service_because ?? 'out of service')
    : 'sequence done';
}
