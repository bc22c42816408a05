export * from './droop';
export * from './lockup';
export * from './drift';
