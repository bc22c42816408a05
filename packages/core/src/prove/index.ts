export * from './droop';
export * from './lockup';
export * from './drift';
export * from './blowdown';
export * from './cracking';
export * from './ramp-log';
export * from './point-table';
export * from './alignment';
