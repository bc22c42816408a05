export * from './belief';
export * from './next-move';
export * from './settling';
export * from './diagnosis';
