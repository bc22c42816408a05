export * from './gauge-line';
export * from './csv-table';
export * from './valve-record';
export * from './register-csv';
export * from './readings-csv';
export * from './json-files';
export * from './wire';
