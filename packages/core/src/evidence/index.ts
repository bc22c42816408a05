export * from './log';
export * from './keys';
export * from './signatures';
export * from './verify';
export * from './words';
export * from './backup';
