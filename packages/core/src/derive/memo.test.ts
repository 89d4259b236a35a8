import { describe, expect, test } from 'vitest';
import { byKey, perObject, stage } from './memo';

/** A function that counts how often it was really run. */
function counted<Inputs extends readonly unknown[], Answer>(work: (...inputs: Inputs) => Answer) {
  const runs: Inputs[] = [];
  return { runs, work: (...inputs: Inputs): Answer => (runs.push(inputs), work(...inputs)) };
}

describe('a stage', () => {
  const table = { widthMm: 1200 };

  test('runs once for the same objects, and again when any one is another object', () => {
    const { runs, work } = counted((a: object, b: number) => ({ a, b }));
    const remembered = stage(work);
    const first = remembered(table, 5);
    expect(remembered(table, 5)).toBe(first);
    expect(runs).toHaveLength(1);
    remembered({ ...table }, 5); // equal, but not the same
    remembered({ ...table }, 6);
    expect(runs).toHaveLength(3);
  });

  test('remembers only its last answer: going back is reckoned again, and right', () => {
    const { runs, work } = counted((n: number) => n * 2);
    const remembered = stage(work);
    expect([remembered(1), remembered(2), remembered(1)]).toEqual([2, 4, 2]);
    expect(runs).toHaveLength(3);
  });

  test('a failure is not remembered as an answer', () => {
    let isBroken = true;
    const remembered = stage((n: number) => {
      if (isBroken) throw new RangeError('not yet');
      return n;
    });
    expect(() => remembered(1)).toThrow('not yet');
    isBroken = false;
    expect(remembered(1)).toBe(1);
  });

  test('no answer at all is an answer too', () => {
    const { runs, work } = counted((_n: number) => undefined);
    const remembered = stage(work);
    remembered(1);
    remembered(1);
    expect(runs).toHaveLength(1);
  });
});

test('an answer for each object, however many and in whatever order', () => {
  const { runs, work } = counted((shape: { mm: number }) => shape.mm * 10);
  const remembered = perObject(work);
  const shapes = [{ mm: 1 }, { mm: 2 }, { mm: 3 }];
  expect([...shapes, ...shapes.toReversed()].map(remembered)).toEqual([10, 20, 30, 30, 20, 10]);
  expect(runs).toHaveLength(3);
});

test('by key the last few are kept, the one not used longest goes first', () => {
  const { runs, work } = counted((n: number) => n + 100);
  const remembered = byKey((n: number) => String(n), work, 2);
  remembered(1);
  remembered(2);
  remembered(1); // 1 is now the one used last
  remembered(3); // 2 goes
  expect(runs.map(([n]) => n)).toEqual([1, 2, 3]);
  remembered(1);
  expect(runs).toHaveLength(3);
  expect(remembered(2)).toBe(102);
  expect(runs).toHaveLength(4);
});
