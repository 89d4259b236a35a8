import { afterEach } from 'vitest';
import { FakeStream } from './streams';

/** Before every test file: a request that no test answers fails at once, as with no server, instead of knocking at a port of this machine. */
globalThis.fetch = () => Promise.reject(new TypeError('fetch failed: no test answers it'));
globalThis.EventSource = FakeStream as never;
afterEach(() => {
  FakeStream.opened = [];
});
