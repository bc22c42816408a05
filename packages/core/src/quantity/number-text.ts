/** A number as people write it. */
export type WrittenNumber = {
  readonly value: number;
  /** What the last written digit is worth: 0.1 for "2.1", 1/8 for "3/8". */
  readonly lastDigit: number;
  /** What follows it, trimmed: the unit. */
  readonly rest: string;
};
export type NumberTrouble = 'none' | 'ambiguous';

const VULGAR = /[¼½¾⅐-⅞]/gu;
/** Spaces of all kinds, full-width digits, raised and lowered figures become plain ones. */
export const plainCharacters = (text: string): string =>
  text
    .replace(/[″“”]/gu, '"')
    .replace(/[′‘’]/gu, "'")
    // NFKC writes ½ as 1⁄2; what stands before it is the whole part.
    .replace(VULGAR, (mark) => ` ${mark.normalize('NFKC').replace('⁄', '/')}`)
    .normalize('NFKC')
    .trim();

const SIGN = /^([+\-−–]?)\s*/u;
const EXPONENT = /^(\d+(?:[.,]\d+)?)e([+-]?\d{1,2})(?![\w.])/iu;
const FRACTION = /^(?:(\d{1,4})[\s-]+)?(\d{1,3})\/(\d{1,3})(?![\d/.,])/u;
const FIGURES = /^(?:\d[\d\s.,']*|[.,]\d+)/u;
const PLAIN = /^(?:\d+[.,]?\d*|[.,]\d+)$/u;
/** A comma before exactly three digits could be either mark; after a lone zero it is a decimal one. */
const EITHER = /^(?!0,)\d{1,3},\d{3}$/u;
/** Whether a text is such a number: a comma before three digits, and nothing that tells which mark it is. */
export const hasEitherMark = (text: string): boolean => EITHER.test(text.replace(/^[+-]/u, ''));
const GROUPED =
  /^\d{1,3}(?:([ '])\d{3}(?:\1\d{3})*(?:[.,]\d+)?|(?:,\d{3})+\.\d+|(?:\.\d{3})+,\d+|(?:,\d{3}){2,}|(?:\.\d{3}){2,})$/u;

/**
 * Reads the number at the head of a text: "2.1", "2,1", "1 180,5", "1,180.5", "-15", "1e3", "3 1/2", "½".
 * Marks of thousands count only in groups of three; what can be read two ways is not guessed.
 *
 * @param text  of plain characters
 */
export function readNumber(text: string): WrittenNumber | NumberTrouble {
  const sign = SIGN.exec(text)?.[1] ?? '';
  const body = text.replace(SIGN, '');
  const read = exponent(body) ?? fraction(body) ?? figures(body);
  if (typeof read === 'string') return read;
  return sign === '' || sign === '+' ? read : { ...read, value: -read.value };
}

function exponent(body: string): WrittenNumber | undefined {
  const match = EXPONENT.exec(body);
  if (!match) return undefined;
  const mantissa = match[1]!.replace(',', '.');
  const power = Number(match[2]);
  return {
    value: Number(`${mantissa}e${power}`),
    lastDigit: 10 ** (power - decimalsOf(mantissa)),
    rest: body.slice(match[0].length).trim(),
  };
}

function fraction(body: string): WrittenNumber | NumberTrouble | undefined {
  const match = FRACTION.exec(body);
  if (!match) return undefined;
  const denominator = Number(match[3]);
  if (denominator === 0) return 'none';
  return {
    value: Number(match[1] ?? 0) + Number(match[2]) / denominator,
    lastDigit: 1 / denominator,
    rest: body.slice(match[0].length).trim(),
  };
}

function figures(body: string): WrittenNumber | NumberTrouble {
  const raw = FIGURES.exec(body)?.[0] ?? '';
  // A mark at the end belongs to what follows: 12' is feet.
  const written = raw.replace(/[\s']+$/u, '');
  if (written === '') return 'none';
  const plain = plainNumber(written);
  if (plain === undefined) return 'ambiguous';
  return {
    value: Number(plain),
    lastDigit: 10 ** -decimalsOf(plain),
    rest: body.slice(written.length).trim(),
  };
}

const decimalsOf = (plain: string): number => (plain.split('.')[1] ?? '').length;

/** "1 180,5" → "1180.5"; undefined where the marks can be read two ways. */
function plainNumber(written: string): string | undefined {
  if (PLAIN.test(written))
    return EITHER.test(written) ? undefined : written.replace(',', '.').replace(/\.$/u, '');
  if (!GROUPED.test(written)) return undefined;
  const decimal = decimalMarkOf(written);
  return [...written]
    .filter((mark) => /\d/u.test(mark) || mark === decimal)
    .join('')
    .replace(',', '.');
}

/** The mark that stands once, after all others. */
function decimalMarkOf(grouped: string): string {
  const last = grouped.match(/[.,](?=\d+$)/u)?.[0] ?? '';
  return grouped.split(last).length === 2 ? last : '';
}
