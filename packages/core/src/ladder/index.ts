export * from './system';
export * from './check-system';
export * from './solve-ladder';
export * from './drag-rung';
export * from './found-beside';
export * from './setting-order';
export * from './setting-plan';
export * from './templates';
export { compileRules, lockupOf, type Edge } from './compile-rules';
