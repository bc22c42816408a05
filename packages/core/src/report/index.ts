export * from './block';
export * from './outcome';
export * from './printers';
export * from './proofs-blocks';
export * from './report';
export * from './scales';
export * from './path';
export * from './lane-span';
