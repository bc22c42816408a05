const { deserialize, serialize } = require('node:v8');
const { structuredClone: clone } = globalThis;
require('fake-indexeddb/auto');

// jsdom lacks what the browser has.
globalThis.TextEncoder ??= require('node:util').TextEncoder;
globalThis.TextDecoder ??= require('node:util').TextDecoder;
globalThis.structuredClone ??= clone ?? ((value) => deserialize(serialize(value)));
globalThis.matchMedia ??= () => ({
  matches: false,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
});
