export * from './registers';
export * from './register-line';
