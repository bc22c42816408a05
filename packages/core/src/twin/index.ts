export * from './plant';
export * from './reducing-plant';
export * from './reducing-variety';
export * from './screw';
export * from './simulated-gauge';
export * from './twin';
export * from './replay';
export * from './rehearse';
