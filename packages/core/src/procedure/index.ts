export * from './step';
export * from './registry';
export * from './check-procedure';
export * from './guards';
export * from './walk';
export * from './fill-slots';
export * from './sequences';
export * from './terminals';
