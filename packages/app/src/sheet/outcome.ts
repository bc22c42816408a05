import type { SheetBody, Verdict } from '@holvek/core';
import type { Units } from '@/settings/use-units';
import type { Tone } from '@/ui/card';
import { spanWords } from '@/valve/aim-words';

export const verdictWord: Record<Verdict, string> = {
  pass: 'pass, guarded',
  pass_without_margin: 'pass, no margin',
  fail_without_margin: 'fail, no margin',
  fail: 'fail',
};
export const verdictTone: Record<Verdict, Tone> = {
  pass: 'good',
  pass_without_margin: 'work',
  fail_without_margin: 'stop',
  fail: 'stop',
};

type Outcome = Pick<SheetBody, 'outcome' | 'verdict'>;

/** What a sheet comes to, in a word. */
export const outcomeWord = ({ outcome, verdict }: Outcome): string =>
  outcome === 'out_of_service' ? 'out of service' : verdict === null ? 'done' : verdictWord[verdict];

export const outcomeTone = ({ outcome, verdict }: Outcome): Tone =>
  outcome === 'out_of_service' ? 'stop' : verdict === null ? 'good' : verdictTone[verdict];

/** What a valve was left at, for lists. */
export const leftWords = (body: SheetBody, units: Units): string => {
  const [leading] = body.settings;
  if (leading)
    return `left at ${units.withUnit(leading.as_left_pa, body.gauges[leading.role]?.resolution_pa)}`;
  if (body.tables) return `largest error ${spanWords(body.tables.as_left.worst_error)}`;
  return body.outcome === 'out_of_service'
    ? (body.out_of_service_because ?? 'out of service')
    : 'sequence done';
};
