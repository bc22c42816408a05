export * from './house-rules';
export * from './plate';
export * from './families';
export * from './spring-choice';
export * from './standard-air';
export * from './family-check';
export * from './plate-check';
export * from './twin-sketch';
