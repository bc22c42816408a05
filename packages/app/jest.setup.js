const { structuredClone: clone } = globalThis;
require('fake-indexeddb/auto');

// jsdom lacks what the browser has.
globalThis.TextEncoder ??= require('node:util').TextEncoder;
globalThis.structuredClone ??= clone ?? ((value) => JSON.parse(JSON.stringify(value)));
globalThis.matchMedia ??= () => ({
  matches: false,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
});
