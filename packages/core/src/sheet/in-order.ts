import type { Outcome, SheetBody } from './sheet';

type Judged = Pick<SheetBody, 'outcome' | 'verdict' | 'open_ends'>;

/** Outcomes after which somebody has to come again. */
const unsettled: ReadonlySet<Outcome> = new Set([
  'proof_failed',
  'could_not_be_set',
  'given_up',
  'out_of_service',
]);

/** What was moved for the job and is still not back. */
export const endsLeft = ({ open_ends: ends }: Pick<SheetBody, 'open_ends'>) =>
  ends.filter(({ state }) => state !== 'closed');

/** Whether a visit left something to come back for: a failed proof, work that was not done, an open end. */
export const needsAnswer = (body: Judged): boolean =>
  unsettled.has(body.outcome) ||
  body.verdict === 'fail' ||
  body.verdict === 'fail_without_margin' ||
  endsLeft(body).length > 0;
