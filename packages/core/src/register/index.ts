export * from './draft-sum';
export * from './due';
export * from './fact-text';
export * from './tags';
export * from './valve-draft';
export * from './valve-facts';
