import { fromCounts, parseReply, registerOf, toCounts, type RegisterKey } from '../../device';
import { unwrap } from '../../result';
import type { Hand, RegisterLine } from '../hand';

/** Longest that a task of the unit may take, s. */
const LONGEST = 900;

/** Asks of an electronic pilot by its registers, as a link would. */
export function registersOf(line: RegisterLine) {
  const counts = (text: string, key: RegisterKey) =>
    unwrap(parseReply(line.ask(text), registerOf(key)))[0]!;
  const read = (key: RegisterKey) =>
    fromCounts(registerOf(key), counts(`R ${registerOf(key).address}`, key));
  const write = (key: RegisterKey, value: number) =>
    counts(`W ${registerOf(key).address} ${unwrap(toCounts(registerOf(key), value))}`, key);
  return { read, write };
}

/** Starts a task and waits until it is done; false when the unit gives up. */
export function runTask(hand: Hand, key: RegisterKey): boolean {
  const { read, write } = registersOf(hand.line());
  write(key, 1);
  for (let waited = 0; waited < LONGEST; waited += 1) {
    hand.wait(1);
    if (read('state') === 3) return true;
    if (read('state') === 9) return false;
  }
  return false;
}
