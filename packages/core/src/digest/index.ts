export * from './canonical';
export * from './figures';
