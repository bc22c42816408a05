import { endsLeft, leadingSetting, type Outcome, type ValveVisit } from '../sheet';
import { worstVerdict, type EndReason, type SheetVerdict } from '../step';
import type { Tone } from './block';
import { percent, type Printers } from './printers';

export const verdictWord: Readonly<Record<SheetVerdict, string>> = {
  pass: 'pass, guarded',
  not_proved: 'not proved',
  pass_without_margin: 'pass, no margin',
  fail_without_margin: 'fail, no margin',
  fail: 'fail',
};
export const verdictTone: Readonly<Record<SheetVerdict, Tone>> = {
  pass: 'good',
  not_proved: 'work',
  pass_without_margin: 'work',
  fail_without_margin: 'stop',
  fail: 'stop',
};

/** Why work was ended before its setting was proved. */
export const endWord: Readonly<Record<EndReason, string>> = {
  hunts: 'It hunts',
  end_of_travel: 'The screw is at the end of its travel',
  no_safe_move: 'No turn was safe enough',
  not_in_control: 'It could not be brought into control',
  needs_repair: 'It needs repair',
  not_safe_here: 'It is not safe to go on here',
  no_time: 'There was no time left',
  other: 'Another reason',
};

type Visit = Pick<ValveVisit['body'], 'outcome' | 'verdict' | 'open_ends' | 'settings' | 'tables'>;

/** Words and colour of what needs no verdict. */
const plain: Readonly<
  Record<Exclude<Outcome, 'set' | 'proof_failed'>, readonly [say: string, tone: Tone]>
> = {
  could_not_be_set: ['could not be set', 'stop'],
  left_as_found: ['left as found', 'work'],
  given_up: ['given up', 'stop'],
  out_of_service: ['out of service', 'stop'],
  sequence_done: ['done', 'good'],
};

/** What a sheet comes to, in a word: the same on page, paper and in lists. */
export function outcomeWord(visit: Visit): string {
  const word = wordOf(visit);
  return endsLeft(visit).length > 0 ? `${word}, end left open` : word;
}

function wordOf({ outcome, verdict, settings, tables }: Visit): string {
  if (outcome !== 'set' && outcome !== 'proof_failed') return plain[outcome][0];
  if (verdict === null) return 'done';
  if (verdict === 'not_proved') return 'set, not all proved';
  if (outcome === 'set') return verdictWord[verdict];
  const left = worstVerdict([...settings, ...(tables ? [tables] : [])].map((each) => each.verdict));
  return left === 'pass' || left === 'pass_without_margin'
    ? 'set, proof failed'
    : verdictWord[verdict];
}

/** Green only where everything was proved with its margin and is put back. */
export function outcomeTone(visit: Visit): Tone {
  if (endsLeft(visit).length > 0) return 'stop';
  const { outcome, verdict } = visit;
  if (outcome !== 'set' && outcome !== 'proof_failed') return plain[outcome][1];
  return verdict === null ? 'good' : verdictTone[verdict];
}

/** What a valve was left at, for lists. */
export function leftWords(body: ValveVisit['body'], { pressure }: Printers): string {
  const leading = leadingSetting(body);
  if (leading)
    return `left at ${pressure(leading.as_left_pa, body.gauges[leading.role]?.resolution_pa)}`;
  if (body.ended) return body.ended.reason;
  if (body.tables) return `largest error ${percent(body.tables.as_left.worst_error)}`;
  return body.outcome === 'out_of_service'
    ? (body.out_of_service_because ?? 'out of service')
    : 'sequence done';
}
