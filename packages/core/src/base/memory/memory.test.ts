import { describe, expect, test } from 'vitest';
import { isSame, once, memoize, memoizeEach, memoizePairs, sameItems, sameList } from '.';

/** A function of any inputs that says how often it was really asked. */
function counted<A extends readonly unknown[]>(): {
  readonly reckon: (...inputs: A) => { readonly inputs: A };
  readonly times: () => number;
} {
  let count = 0;
  return { reckon: (...inputs) => (count++, { inputs }), times: () => count };
}

describe('what is remembered', () => {
  test('is reckoned once for an object, and again for another like it', () => {
    const { reckon, times } = counted<[{ a: number }]>();
    const known = memoize(reckon);
    const [one, twin] = [{ a: 1 }, { a: 1 }];
    expect(known(one)).toBe(known(one));
    expect(times()).toBe(1);
    expect(known(twin)).not.toBe(known(one));
    expect(times()).toBe(2);
  });

  test('is reckoned anew as soon as one other input is another thing, or one more or less is given', () => {
    const { reckon, times } = counted<[object, ...unknown[]]>();
    const known = memoize(reckon);
    const [of, other] = [{}, { wide: 1 }];
    known(of, 1, other);
    known(of, 1, other);
    expect(times()).toBe(1);
    for (const rest of [[2, other], [2, { wide: 2 }], [2], [2, undefined], []]) {
      const before = times();
      expect(known(of, ...rest).inputs).toEqual([of, ...rest]);
      expect(times()).toBe(before + 1);
    }
  });

  test('takes a list and a record made anew of the very same things for the same, but not of things like them', () => {
    const { reckon, times } = counted<[object, unknown]>();
    const known = memoize(reckon);
    const [of, thing] = [{}, {}];
    known(of, [thing, 1]);
    known(of, [thing, 1]);
    expect(times()).toBe(1);
    known(of, [{}, 1]);
    expect(times()).toBe(2);
    known(of, { land: thing, near: [thing] });
    known(of, { near: [thing], land: thing });
    expect(times()).toBe(3);
    known(of, { land: thing, near: [thing, thing] });
    known(of, { land: thing, near: [thing, thing], more: undefined });
    expect(times()).toBe(5);
  });

  test('has of each object the last answer only', () => {
    const { reckon, times } = counted<[object, number]>();
    const known = memoize(reckon);
    const [a, b] = [{}, {}];
    known(a, 1);
    known(b, 2);
    known(a, 1);
    expect(times()).toBe(2);
    known(a, 2);
    known(a, 1);
    expect(times()).toBe(4);
  });

  test('with keys has one for each of them', () => {
    const { reckon, times } = counted<[object, 'primer' | 'wash', number]>();
    const known = memoizeEach(reckon);
    const tile = {};
    for (let round = 0; round < 3; round++) {
      known(tile, 'primer', 1);
      known(tile, 'wash', 2);
    }
    expect(times()).toBe(2);
    expect(known(tile, 'wash', 3).inputs).toEqual([tile, 'wash', 3]);
    known(tile, 'primer', 1);
    expect(times()).toBe(3);
  });

  test('in pairs has one for each two, in their order', () => {
    const { reckon, times } = counted<[object, object]>();
    const known = memoizePairs(reckon);
    const [a, b, c] = [{}, {}, {}];
    for (let round = 0; round < 3; round++) for (const other of [b, c]) expect(known(a, other).inputs).toEqual([a, other]);
    expect(times()).toBe(2);
    known(b, a);
    expect(times()).toBe(3);
  });

  test('in pairs is reckoned anew for another of what else is given, for that pair alone', () => {
    const { reckon, times } = counted<[object, object, number]>();
    const known = memoizePairs(reckon);
    const [a, b, c] = [{}, {}, {}];
    known(a, b, 5);
    known(a, c, 5);
    expect(known(a, b, 6).inputs).toEqual([a, b, 6]);
    known(a, c, 5);
    expect(times()).toBe(3);
  });
});

test('the same: one thing, lists and plain records of one and the same things; what has a class of its own is only itself', () => {
  const thing = {};
  expect(isSame(NaN, NaN)).toBe(true);
  expect(isSame(0, -0)).toBe(false);
  expect(isSame([thing], [thing])).toBe(true);
  expect(isSame([thing], { 0: thing })).toBe(false);
  expect(isSame({ a: thing }, { b: thing })).toBe(false);
  expect(isSame({ a: { b: 1 } }, { a: { b: 1 } })).toBe(false);
  expect(isSame(new Map(), new Map())).toBe(false);
  expect(isSame(null, undefined)).toBe(false);
  expect(sameItems([1, thing], [1, thing])).toBe(true);
  expect(sameItems([1, thing], [1])).toBe(false);
  expect(sameItems([1, {}], [1, {}])).toBe(false);
});

test('a list of the very same things as before is the list from before; another is kept in its place', () => {
  const of = {};
  const known = sameList<object>();
  const [a, b] = [{}, {}];
  const first = known(of, [a, b]);
  expect(known(of, [a, b])).toBe(first);
  const second = known(of, [b, a]);
  expect(second).toEqual([b, a]);
  expect(known(of, [a, b])).not.toBe(first);
  expect(known({}, [b, a])).not.toBe(second);
});

test('what is reckoned when it is asked for is not reckoned before, and once', () => {
  const { reckon, times } = counted<[]>();
  const known = once(reckon);
  expect(times()).toBe(0);
  expect(known()).toBe(known());
  expect(times()).toBe(1);
});
