import { fields, plainShape } from '../step-shape';

/** What the answer to a question binds: a setting stands so far above it, by rules of the house. */
export type Bound = {
  readonly adjuster: string;
  readonly least: PressureRule;
  /** And no further than this, where that is said. */
  readonly most?: PressureRule;
};
/** Figures of the house that are pressures between one thing and another. */
export type PressureRule =
  'compensator_over_load_pa' | 'cross_port_over_least_pa' | 'cross_port_over_most_pa';

/** What is to be known; kept as evidence or as a figure (SI) under its key. */
export type Question = {
  readonly key: string;
  readonly kind: 'flow' | 'pressure' | 'count' | 'choice' | 'words';
  readonly label: string;
  readonly hint?: string;
  readonly choices?: readonly { readonly value: string; readonly say: string }[];
  /** Settings that are judged by the answer, where one was given. */
  readonly binds?: readonly Bound[];
  /** It may be left unanswered. */
  readonly optional?: boolean;
};

export const askShape = plainShape('ask', fields<{ readonly asks: Question }>());
