import { build, install } from './lib.mjs';

/** Installs what is missing and builds app and server into dist/, for `node dist/server.mjs`. */
await install();
await build();
