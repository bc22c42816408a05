export * from './random';
export * from './normal';
export * from './least-squares';
export * from './akaike';
export * from './decay-fit';
export * from './integrate';
export * from './piecewise-fit';
