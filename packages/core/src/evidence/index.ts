export * from './log';
export * from './keys';
export * from './verify';
export * from './words';
