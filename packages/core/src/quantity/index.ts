export * from './kinds';
export * from './units';
export * from './trade-units';
export * from './parse';
export { hasEitherMark, plainCharacters, readNumber } from './number-text';
export * from './print';
export * from './atmosphere';
export * from './signals';
export * from './print-signal';
