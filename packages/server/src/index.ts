export { createApp, type App } from './app';
export { openStore, type Store } from './db/open';
export type { Round, Site } from './records';
