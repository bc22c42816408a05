/** A number as it is typed, with a point or a comma; NaN for what is none, and for nothing at all. */
export const plainNumber = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.trim().replace('−', '-').replace(',', '.'));
