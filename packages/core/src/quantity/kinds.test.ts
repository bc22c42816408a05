import { absolutePa, differencePa, gaugePa, STANDARD_ATMOSPHERE, toAbsolutePressure } from '.';

/** The compiler is the test here: a line that must not compile and does is an error of the types. */
test('a plain number passes for no kind, nor one kind for another', () => {
  const air = STANDARD_ATMOSPHERE;
  // @ts-expect-error a plain number is no gauge pressure
  toAbsolutePressure(200_000, air);
  // @ts-expect-error neither is an absolute one
  toAbsolutePressure(absolutePa(200_000), air);
  // @ts-expect-error nor what lies between two
  toAbsolutePressure(differencePa(200_000), air);
  // @ts-expect-error what is reckoned has to be said anew
  toAbsolutePressure(gaugePa(200_000) + 1, air);
  expect(toAbsolutePressure(gaugePa(200_000), air)).toBe(301_325);
});
