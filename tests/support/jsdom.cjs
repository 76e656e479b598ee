const util = require("node:util");

/** What pages have in a browser, and lack in the imitation of one that component tests run in. */
const missing = {
  TextEncoder: util.TextEncoder,
  TextDecoder: util.TextDecoder,
  structuredClone: (value) => (value === undefined ? undefined : JSON.parse(JSON.stringify(value))),
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
  // As much of it as the router asks for when it goes from one address to another.
  Request: class {
    constructor(url, { signal, method = "GET" } = {}) {
      Object.assign(this, { url: String(url), signal, method });
    }
  },
};
if (typeof window !== "undefined") {
  for (const [name, value] of Object.entries(missing)) globalThis[name] ??= value;
  // Nothing is laid out: a page is as wide as wide ones, and what is scrolled to is there.
  globalThis.matchMedia ??= () => ({ matches: false, addEventListener() {}, removeEventListener() {} });
  Element.prototype.scrollIntoView ??= () => {};
  Element.prototype.hasPointerCapture ??= () => false;
}
// What a page draws may take its time on a busy machine.
if (typeof window !== "undefined") require("@testing-library/dom").configure({ asyncUtilTimeout: 30_000 });
