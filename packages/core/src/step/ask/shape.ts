import { fields, plainShape } from '../step-shape';

/** What is to be known; kept as evidence or as a figure (SI) under its key. */
export type Question = {
  readonly key: string;
  readonly kind: 'flow' | 'pressure' | 'count' | 'choice' | 'words';
  readonly label: string;
  readonly hint?: string;
  readonly choices?: readonly { readonly value: string; readonly say: string }[];
  /** It may be left unanswered. */
  readonly optional?: boolean;
};

export const askShape = plainShape('ask', fields<{ readonly asks: Question }>());
