import { expect, test } from 'vitest';
import { foundBy } from './progress';

function* steps(count: number): Generator<{ done: number; of: number; found: readonly number[] }> {
  for (let done = 0; done <= count; done++) yield { done, of: count, found: Array.from({ length: Math.floor(done / 2) }, (_, i) => i) };
}
const listIn = ({ found }: { found: readonly number[] }): readonly number[] => found;

test('what a search found is told as soon as there is more, how far it is only now and then, and at its end', async () => {
  const [told, shown]: [number[], number[]] = [[], []];
  const onProgress = (done: number): boolean => told.push(done) > 0;
  expect(await foundBy(steps(2_000), listIn, onProgress, (found) => shown.push(found.length))).toHaveLength(1_000);
  expect(shown).toEqual(Array.from({ length: 1_000 }, (_, i) => i + 1));
  expect([told[0], told.at(-1)]).toEqual([0, 2_000]);
  expect(told.length).toBeLessThan(1_000);
});

test('a search that is told to stop goes no further; one without a step finds nothing', async () => {
  let made = 0;
  const counted = function* (): ReturnType<typeof steps> {
    for (const step of steps(10)) {
      made++;
      yield step;
    }
  };
  expect(await foundBy(counted(), listIn, () => false)).toBeNull();
  expect(made).toBe(1);
  expect(await foundBy(steps(-1), listIn, () => true)).toEqual([]);
});
