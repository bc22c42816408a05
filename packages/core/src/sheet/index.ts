export * from './sheet';
export * from './freeze';
export * from './chain';
