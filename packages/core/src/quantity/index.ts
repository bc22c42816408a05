export * from './kinds';
export * from './units';
export * from './parse';
export * from './print';
export * from './atmosphere';
export * from './signals';
export * from './print-signal';
