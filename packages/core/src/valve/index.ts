export * from './house-rules';
export * from './plate';
export * from './spring-choice';
export * from './plate-check';
export * from './twin-sketch';
