export * from './draft-sum';
export * from './due';
export * from './fact-text';
export * from './tags';
export * from './unit-of';
export * from './valve-draft';
export * from './valve-facts';
export * from './valves-csv';
