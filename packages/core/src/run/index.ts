export * from './event';
export * from './run';
export * from './reduce';
export * from './view';
export * from './check-event';
export * from './settings-left';
export * from './plate-left';
export * from './proofs';
