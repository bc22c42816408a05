export * from './canonical';
export * from './figures';
export * from './public-key';
