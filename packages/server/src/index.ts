export { createApp, type App } from './app';
export { openStore, type Store } from './db/open';
