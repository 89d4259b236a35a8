import { expect, test, vi } from 'vitest';
import { useLongSearch } from './searches';

vi.mock('comlink', () => ({ proxy: <T>(value: T): T => value, wrap: () => ({}) }));

/** A search of so many steps that waits for the word to go on after each. */
const steps =
  (of: number, seen: number[] = []) =>
  async (onProgress: (done: number, of: number) => boolean | Promise<boolean>): Promise<string | null> => {
    for (let done = 1; done <= of; done++) {
      seen.push(done);
      if (!(await onProgress(done, of))) return null;
    }
    return 'found';
  };

test('a search tells how far it is, gives its answer, and leaves nothing running', async () => {
  const search = useLongSearch();
  const shares: (number | null)[] = [];
  const answer = await search.run(async (onProgress) => {
    for (let done = 1; done <= 4; done++) {
      await onProgress(done, 4);
      shares.push(search.share.value);
    }
    return 'found';
  });
  expect(answer).toBe('found');
  expect(shares).toEqual([0.25, 0.5, 0.75, 1]);
  expect(search.share.value).toBeNull();
});

test('told to stop it goes no further, and its answer is dropped', async () => {
  const search = useLongSearch();
  const seen: number[] = [];
  const running = search.run(async (onProgress) => {
    const answer = await steps(
      3,
      seen,
    )(async (done, of) => {
      if (done === 2) search.cancel();
      return onProgress(done, of);
    });
    return answer;
  });
  expect(await running).toBeNull();
  expect(seen).toEqual([1, 2]);
  expect(search.share.value).toBeNull();
});

test('a second search stops the first, whose late answer is dropped', async () => {
  const search = useLongSearch();
  let letGo = (): void => undefined;
  const first = search.run(async (onProgress) => {
    await new Promise<void>((resolve) => (letGo = resolve));
    expect(await onProgress(1, 2)).toBe(false);
    return 'old';
  });
  const second = search.run(steps(2));
  expect(await second).toBe('found');
  letGo();
  expect(await first).toBeNull();
});

test('a failure is told in words, and the next search clears it', async () => {
  const search = useLongSearch();
  expect(await search.run(() => Promise.reject(new Error('the worker is gone')))).toBeNull();
  expect(search.fault.value).toBe('the worker is gone');
  await search.run(steps(1));
  expect(search.fault.value).toBe('');
});
