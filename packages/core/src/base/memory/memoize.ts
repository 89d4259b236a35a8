/**
 * Remembers the last answer for each object and what else it was asked with, told apart by the identity of what it holds: nothing
 * here is ever changed in place. Answers go
 * when their object goes. A function of these inputs gives the same with and without it.
 */
export function memoize<K extends object, D extends readonly unknown[], R>(reckon: (of: K, ...rest: D) => R): (of: K, ...rest: D) => R {
  const known = new WeakMap<K, { readonly rest: D; readonly answer: R }>();
  return (of, ...rest) => {
    const last = known.get(of);
    if (last !== undefined && areSame(last.rest, rest)) return last.answer;
    const answer = reckon(of, ...rest);
    known.set(of, { rest, answer });
    return answer;
  };
}

/** The same with an answer kept for each of an object's keys: a tile keeps the work of every coat. */
export function memoizeEach<K extends object, N extends string, D extends readonly unknown[], R>(
  reckon: (of: K, key: N, ...rest: D) => R,
): (of: K, key: N, ...rest: D) => R {
  const known = new WeakMap<K, Map<N, { readonly rest: D; readonly answer: R }>>();
  return (of, key, ...rest) => {
    const own = known.get(of) ?? new Map<N, { readonly rest: D; readonly answer: R }>();
    known.set(of, own);
    const last = own.get(key);
    if (last !== undefined && areSame(last.rest, rest)) return last.answer;
    const answer = reckon(of, key, ...rest);
    own.set(key, { rest, answer });
    return answer;
  };
}

/** The same for two objects together, each with as many others as there are: what two shapes share. */
export function memoizePairs<A extends object, B extends object, D extends readonly unknown[], R>(
  reckon: (a: A, b: B, ...rest: D) => R,
): (a: A, b: B, ...rest: D) => R {
  const known = new WeakMap<A, WeakMap<B, { readonly rest: D; readonly answer: R }>>();
  return (a, b, ...rest) => {
    const own = known.get(a) ?? new WeakMap<B, { readonly rest: D; readonly answer: R }>();
    known.set(a, own);
    const last = own.get(b);
    if (last !== undefined && areSame(last.rest, rest)) return last.answer;
    const answer = reckon(a, b, ...rest);
    own.set(b, { rest, answer });
    return answer;
  };
}

/** Asked some thousand times for an answer, nearly always for the very same things. */
function areSame(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!isSame(a[i], b[i])) return false;
  return true;
}
/** One thing, or two lists or named inputs that hold the very same things. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a)) return Array.isArray(b) && sameItems(a, b);
  if (!isRecord(a) || !isRecord(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => Object.is(a[key], b[key]) || isSameList(a[key], b[key]));
}
const isSameList = (a: unknown, b: unknown): boolean => Array.isArray(a) && Array.isArray(b) && sameItems(a, b);
const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** Whether two lists hold the very same things. */
export function sameItems(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return true;
}

/** The list asked for before, where it holds the very same things: what depends on the list by identity is spared. */
export function sameList<K extends object>(): <T>(of: K, list: readonly T[]) => readonly T[] {
  const known = new WeakMap<K, readonly unknown[]>();
  return <T>(of: K, list: readonly T[]) => {
    const last = known.get(of) as readonly T[] | undefined;
    if (last !== undefined && sameItems(last, list)) return last;
    known.set(of, list);
    return list;
  };
}

/** A thing that is reckoned when it is first asked for. */
export function once<T extends object>(reckon: () => T): () => T {
  let known: T | null = null;
  return () => (known ??= reckon());
}
