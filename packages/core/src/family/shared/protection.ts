import type { OpenEndSpec, Step } from '../../step';

const END = 'protection';

/** What stands in for a limiter that is parked or shut off: asked, on the sheet, and open until that limiter is back. */
const standIn = (say: string): OpenEndSpec => ({
  id: END,
  say,
  putBack: 'Back in charge of the line',
});

type Words = {
  /** The limiter that is out of the way: "Relief valve". */
  readonly limiter: string;
  readonly choices: readonly { readonly value: string; readonly say: string }[];
};

export const protectionStep = ({ limiter, choices }: Words): Step => ({
  id: 'protection',
  phase: 'ready',
  kind: 'ask',
  say: 'What protects the line meanwhile?',
  why: `${limiter} is out of the way until it is set. Whatever stands in for it goes on the sheet.`,
  caution: {
    hazard: 'stored_pressure',
    say: 'If nothing does, do not begin: the line comes down first.',
  },
  asks: { key: 'protected_by', kind: 'choice', label: 'Protected meanwhile by', choices },
  makes: [standIn(`${limiter} out of the way: something else protects the line`)],
});

export const backInCharge = (say: string): Step => ({
  id: 'back_in_charge',
  phase: 'lock',
  kind: 'check',
  say,
  why: 'Only now may whatever stood in for it be taken away.',
  closes: [END],
});
