import type { StepCsvError, StepError } from '@holvek/core';

const words: {
  readonly [C in (StepError | StepCsvError)['code']]: (
    error: Extract<StepError | StepCsvError, { code: C }>,
  ) => string;
} = {
  'step.empty': () => 'The file is empty. Nothing was changed.',
  'step.three_columns_wanted': ({ columns }) =>
    `Three columns are wanted, time, output and value; the first line has ${columns}.`,
  'tune.too_short': ({ samples }) =>
    `${samples} samples are too few. Log at least a dozen, from before the step to after.`,
  'tune.times_out_of_order': () =>
    'The times do not rise from line to line. Is it two tests in one file?',
  'tune.no_step': () =>
    'The output never steps, so there is nothing to fit. No settings are proposed.',
  'tune.too_fast': ({ interval }) =>
    `The value had answered before the next sample, ${interval.toFixed(1)} s later. Log faster; no settings are proposed.`,
  'tune.only_noise': () =>
    'The value does not answer the step by more than its noise. No settings are proposed: step further, or log longer.',
};

/** What is wrong with a step test; nothing is proposed from it. */
export const stepTrouble = (error: StepError | StepCsvError): string =>
  (words as Record<string, (error: StepError | StepCsvError) => string>)[error.code]!(error);
