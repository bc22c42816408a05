export * from './band';
export * from './fit-step';
export * from './simc';
export * from './closed-loop';
export * from './relay';
