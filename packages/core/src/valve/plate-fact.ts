/** How something on a plate is written: its kind says how it is read, shown and asked for. */
export type FactKind =
  | { readonly kind: 'text' }
  /** Texts with a comma between. */
  | { readonly kind: 'list' }
  /** Pa gauge, written in any unit and above whatever it says. */
  | { readonly kind: 'pressure' }
  /** Pa, as a size or a difference. */
  | { readonly kind: 'difference' }
  /** A plain number in one unit; SI = number · factor + offset. */
  | {
      readonly kind: 'figure';
      readonly unit: string;
      readonly factor: number;
      readonly offset?: number;
    }
  | {
      readonly kind: 'choice';
      readonly options: readonly { readonly value: string; readonly say: string }[];
    }
  | { readonly kind: 'yes_no' }
  /** A place of the register, kept by its id and written by its path. */
  | { readonly kind: 'place' }
  /** A range between two ends in a unit of its own: mA, V, per cent or a pressure. */
  | { readonly kind: 'signal' };

/** Something that a plate, or who stands before it, can say of a valve. */
export type PlateFact = FactKind & {
  /** Where it stands within the plate, keys with dots between. */
  readonly path: string;
  readonly label: string;
  /** What it is for. */
  readonly why?: string;
  /** A plate need not say it. */
  readonly optional?: true;
  /** Stands in the field of a new valve, as it would be typed. */
  readonly ordinary?: string;
};

const say = (value: string, words: string) => ({ value, say: words });
export const choiceOf = (options: Readonly<Record<string, string>>) => ({
  kind: 'choice' as const,
  options: Object.entries(options).map(([value, words]) => say(value, words)),
});
