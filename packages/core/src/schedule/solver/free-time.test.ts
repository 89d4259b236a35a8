import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { FreeTime } from './free-time';

const EVENINGS = Array.from({ length: 6 }, (_, day) => ({ fromMin: day * 1_440 + 1_140, toMin: day * 1_440 + 1_260 }));
const as = ({ from, to, behind }: FreeTime): readonly (readonly number[])[] => from.map((fromMin, i) => [fromMin, to[i]!, behind[i]!]);
function fresh(): FreeTime {
  const free = new FreeTime(EVENINGS);
  free.clear();
  return free;
}
/** Minutes of a time that are free, by looking at each. */
const freeIn = ({ from, to }: FreeTime, fromMin: number, toMin: number): number => {
  let sum = 0;
  for (let at = fromMin; at < toMin; at++) if (from.some((start, i) => start <= at && to[i]! > at)) sum++;
  return sum;
};

describe('what of someone’s time is not taken yet', () => {
  test('taken from the middle of an evening it is two, the later behind whom it was taken for', () => {
    const free = fresh();
    free.take(7, 1_170, 1_200);
    expect(as(free).slice(0, 2)).toEqual([
      [1_140, 1_170, -1],
      [1_200, 1_260, 7],
    ]);
  });
  test('a whole evening taken is gone; the first that ends after a time is the next', () => {
    const free = fresh();
    free.take(7, 1_140, 1_260);
    expect(as(free)[0]).toEqual([1_440 + 1_140, 1_440 + 1_260, -1]);
    expect([free.at(0), free.at(1_440 + 1_260), free.at(99_999)]).toEqual([0, 1, 5]);
    expect(free.longestMin).toBe(120);
  });
  test('what was not free of it stays as it is: over the night only the evenings go', () => {
    const free = fresh();
    free.take(7, 1_200, 1_440 + 1_200);
    expect(as(free).slice(0, 2)).toEqual([
      [1_140, 1_200, -1],
      [1_440 + 1_200, 1_440 + 1_260, 7],
    ]);
  });
  test('whatever is taken is free no more, the rest is; and taken back step by step all is as it was at each', () => {
    const span = fc.tuple(fc.integer({ min: 0, max: 8_000 }), fc.integer({ min: 1, max: 2_000 }));
    fc.assert(
      fc.property(fc.array(span, { minLength: 1, maxLength: 12 }), (takes) => {
        const free = fresh();
        const stood: { readonly mark: number; readonly as: ReturnType<typeof as> }[] = [];
        const taken = new Set<number>();
        takes.forEach(([fromMin, longMin], job) => {
          stood.push({ mark: free.mark, as: as(free) });
          free.take(job, fromMin, fromMin + longMin);
          for (let at = fromMin; at < fromMin + longMin; at++) taken.add(at);
          expect(freeIn(free, fromMin, fromMin + longMin)).toBe(0);
        });
        const open = EVENINGS.flatMap(({ fromMin, toMin }) => Array.from({ length: toMin - fromMin }, (_, i) => fromMin + i));
        expect(freeIn(free, 0, 9_000)).toBe(open.filter((at) => !taken.has(at)).length);
        for (const one of stood.toReversed()) {
          free.backTo(one.mark);
          expect(as(free)).toEqual(one.as);
        }
      }),
      { numRuns: 60 },
    );
  });
});
