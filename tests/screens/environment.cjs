// A page without a browser, with what it lacks and Node has: streams, their compression, and what comes of them.
const { TestEnvironment } = require('jest-environment-jsdom');

const LENT = [
  ...['Blob', 'Response', 'ReadableStream', 'CompressionStream', 'DecompressionStream'],
  ...['TextDecoder', 'TextEncoder', 'structuredClone', 'WebAssembly'],
];

/** What tabs tell each other by; nobody is kept waiting for it. */
class Channel extends BroadcastChannel {
  constructor(name) {
    super(name);
    this.unref();
  }
}

module.exports = class extends TestEnvironment {
  async setup() {
    await super.setup();
    for (const name of LENT) this.global[name] = globalThis[name];
    this.global.BroadcastChannel = Channel;
    Object.defineProperty(this.global, 'crypto', { configurable: true, value: globalThis.crypto });
  }
};
