const { structuredClone: clone } = globalThis;
require('fake-indexeddb/auto');

// jsdom lacks what the browser has.
globalThis.structuredClone ??= clone ?? ((value) => JSON.parse(JSON.stringify(value)));
globalThis.matchMedia ??= () => ({
  matches: false,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
});
