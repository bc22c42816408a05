/** The band that a gain stands for: side and per cent. */
export const bandWord = (gain: number): string =>
  `${gain < 0 ? 'reverse' : 'direct'}, ${Math.round(100 / Math.abs(gain))} %`;
