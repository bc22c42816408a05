import { printTurns } from '@holvek/core';

/** "3/8" of a turn for reading aloud and on screen; whole turns stand before the fraction. */
export const turnWord = (turns: number): string => printTurns(turns);

/** clockwise or anticlockwise, in words. */
export const wayWord = (turns: number): string => (turns >= 0 ? 'clockwise' : 'anticlockwise');
