import type { RunState } from '../run-state';
import { terminalKey, terminals } from './terminals';

export const terminalsLeft = (run: RunState): number =>
  terminals.filter(({ id }) => run.observed[terminalKey(id)] !== 'right').length;
