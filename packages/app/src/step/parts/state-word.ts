/** How a fitting stands, in a word. */
export const stateWord = (state: number | string | undefined): string =>
  typeof state === 'string'
    ? state.replaceAll('_', ' ')
    : state === undefined
      ? '–'
      : state <= 0
        ? 'shut'
        : state >= 1
          ? 'open'
          : `${Math.round(state * 100)} %`;
