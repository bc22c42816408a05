export * from './licence';
export * from './may';
export * from './person';
export * from './pin';
export * from './session';
