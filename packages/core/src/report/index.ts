export * from './block';
export * from './outcome';
export * from './printers';
export * from './report';
export * from './scales';
export * from './path';
