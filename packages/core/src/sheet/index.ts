export * from './sheet';
export * from './freeze';
export * from './in-order';
export * from './chain';
export * from './revision';
export * from './seal';
export * from './visit';
export * from './doubts';
