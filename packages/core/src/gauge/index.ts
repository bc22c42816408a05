export * from './gauge';
export * from './failures';
export * from './uncertainty';
export * from './fitness';
export * from './verdict';
export * from './calibrator';
export * from './line-format';
export * from './line-watch';
