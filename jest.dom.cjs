/** What a browser has and jsdom has not, as far as the pages ask for it. */
const { TextDecoder, TextEncoder } = require("node:util");

// The device keeps its things in a database of the browser.
globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value));
require("fake-indexeddb/auto");

globalThis.matchMedia = (query) => ({
  matches: false,
  media: query,
  addEventListener() {},
  removeEventListener() {},
  addListener() {},
  removeListener() {},
});
globalThis.isSecureContext = false;
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
globalThis.HTMLElement.prototype.scrollIntoView = () => {};
globalThis.HTMLElement.prototype.scrollTo = () => {};
globalThis.HTMLElement.prototype.checkVisibility = () => true;
Object.defineProperty(document, "fonts", {
  value: { ready: Promise.resolve(), addEventListener() {}, removeEventListener() {} },
});
Object.assign(globalThis, { TextDecoder, TextEncoder });

// Nothing is painted where there is no screen: a canvas has no context, as where a browser refuses one.
globalThis.HTMLCanvasElement.prototype.getContext = () => null;
