export * from './may';
export * from './person';
export * from './session';
