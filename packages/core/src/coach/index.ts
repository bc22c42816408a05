export * from './models';
export * from './belief';
export * from './next-move';
export * from './settling';
export * from './typed-settled';
export * from './diagnosis';
export * from './edges';
export * from './zero-span';
