import type { Hazard, Step, StepOf } from '../../step';

type Words = {
  /** The way up and down again, as the prover goes it. */
  readonly ramp: StepOf<'capture'>['ramp'];
  readonly say: string;
  /** The most that the line may come to, as a slot. */
  readonly most: string;
  readonly hazard: Hazard;
  readonly school?: string;
};

/**
 * A relief opened once at the setting that it was found with, before anything is touched: only that tells
 * whether it would have protected its line. Whoever stands there says whether it may be done.
 */
export const asFoundPop = ({ ramp, say, most, hazard, school }: Words): readonly Step[] => {
  const only = school === undefined ? {} : { school };
  return [
    {
      id: 'as_found_may',
      phase: 'ready',
      kind: 'ask',
      ...only,
      say: 'May it be opened once as it was found?',
      why: 'Only that tells whether it would have protected its line. Once it is turned, nobody will know.',
      asks: {
        key: 'as_found_may',
        kind: 'choice',
        label: 'Opened as found',
        choices: [
          { value: 'yes', say: 'Yes, it is safe here' },
          { value: 'no', say: 'No, not here' },
        ],
      },
    },
    {
      id: 'as_found_pop',
      phase: 'ready',
      kind: 'capture',
      ...only,
      onlyIf: { key: 'as_found_may', value: 'yes' },
      adjuster: 'main',
      role: 'inlet',
      purpose: 'as_found',
      count: 1,
      ramp,
      say,
      why: 'Nothing has been touched yet. This figure stands on the sheet as found.',
      caution: {
        hazard,
        say: `Up to ${most} and no further: if it has not opened by then, let down again.`,
      },
    },
  ];
};
