export * from './sheet';
export * from './freeze';
export * from './chain';
export * from './proofs';
