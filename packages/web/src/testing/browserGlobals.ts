import { TextDecoder, TextEncoder } from 'node:util';

/** Sizes never change in tests. */
class StillObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

// Globals that browsers have and jsdom does not. No request is ever answered.
Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  ResizeObserver: StillObserver,
  Request: class {},
  fetch: () => new Promise(() => undefined),
});
