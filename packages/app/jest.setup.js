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

// What stands in a page is looked for by role, and for each element of it jsdom holds every rule of the whole style sheet
// against it: most of the time of a test. Here it is asked what stands in its own style, and whether its class hides it.
const inline = /^(?:SPAN|A|B|STRONG|EM|I|LABEL|INPUT|TEXTAREA|SVG)$/iu;
const displayOf = ({ style, classList, tagName }) => {
  if (classList.contains('_dsp-none')) return 'none';
  return style.display || (inline.test(tagName) ? 'inline' : 'block');
};
const styleOf = (element) => {
  const { style } = element;
  const said = {
    display: displayOf(element),
    visibility: style.visibility || 'visible',
  };
  return { ...said, getPropertyValue: (name) => said[name] ?? style.getPropertyValue(name) };
};
if (globalThis.window) globalThis.window.getComputedStyle = styleOf;
