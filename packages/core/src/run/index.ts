export * from './event';
export * from './state';
export * from './reduce';
export * from './view';
export * from './setting-view';
export * from './rate-prior';
export * from './check-event';
