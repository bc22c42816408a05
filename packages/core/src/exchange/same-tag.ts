/**
 * A tag as people tell it from others: neither case nor gaps make another of it.
 *
 * @example plainTag(' Prv - 07') // → 'prv-07'
 */
export const plainTag = (tag: string): string =>
  tag.normalize('NFKC').replace(/\s+/gu, '').toLowerCase();

/** Whether two tags are one and the same to whoever reads them. */
export const sameTag = (one: string, other: string): boolean => plainTag(one) === plainTag(other);
