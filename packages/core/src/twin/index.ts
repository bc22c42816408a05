export * from './twin';
export * from './replay';
export * from './as-record';
export * from './rehearse';
export * from './hand';
export * from './line-twin';
export * from './pilot-device';
export * from './twin-report';
