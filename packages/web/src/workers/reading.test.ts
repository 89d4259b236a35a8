import { expose } from 'comlink';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { MAX_FILE_MB, ReadingStopped, readInWorker } from './reading';

let ended: string[];
/** A worker that answers, never answers, or runs out of memory, by the name of the file. */
class FakeWorker {
  private readonly ends = new MessageChannel();
  private readonly listeners: EventListener[] = [];
  constructor() {
    expose(
      {
        busyFrom: (file: string) => {
          if (file === 'dies') this.listeners.forEach((listener) => listener(new Event('error')));
          return file === 'fine' ? 'read' : new Promise(() => undefined);
        },
      },
      this.ends.port2,
    );
    this.ends.port1.start();
  }
  postMessage = (message: unknown, transfer: Transferable[]): void => this.ends.port1.postMessage(message, transfer);
  addEventListener = (type: string, listener: EventListener): void =>
    type === 'error' ? void this.listeners.push(listener) : this.ends.port1.addEventListener(type, listener);
  removeEventListener = (type: string, listener: EventListener): void => this.ends.port1.removeEventListener(type, listener);
  terminate = (): void => {
    ended.push('ended');
    this.ends.port1.close();
  };
}
beforeEach(() => {
  ended = [];
  vi.stubGlobal('Worker', FakeWorker);
});
afterEach(() => vi.unstubAllGlobals());
const read = (text: string, maxMs?: number, size = 10) =>
  readInWorker({ name: 'plan.ics', size }, (reader) => reader.busyFrom(text, '2026-12-01', 0), maxMs);

test('a file is read in a worker that ends with it', async () => {
  expect(await read('fine')).toBe('read');
  expect(ended).toEqual(['ended']);
});
test('one that takes too long is stopped and told', async () => {
  await expect(read('for ever', 30)).rejects.toThrow(/^plan\.ics: reading it took longer than .* Nothing was changed\.$/);
  expect(ended).toEqual(['ended']);
});
test('one that takes too much memory is told', async () => {
  await expect(read('dies')).rejects.toThrow('more memory');
  expect(ended).toEqual(['ended']);
});
test('one that is too large is not begun', async () => {
  await expect(read('fine', 30, (MAX_FILE_MB + 3) * 1_048_576)).rejects.toThrow(ReadingStopped);
  expect(ended).toEqual([]);
});
