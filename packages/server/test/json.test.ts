import { expect, test } from 'vitest';
import { MAX_DEPTH, parseJson } from '../src/reading/json';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const nested = (depth: number): string => '[{"a":'.repeat(depth / 2) + '"]}"' + '}]'.repeat(depth / 2);

test('JSON is read as it was written, brackets in its texts being no depth', () => {
  const deep = { list: [1, [2, { three: `${'['.repeat(100)}"\\` }]], text: '\\"[[[[' };
  expect(parseJson(bytes(JSON.stringify(deep)))).toEqual(deep);
  expect(parseJson(bytes(nested(MAX_DEPTH)))).toBeDefined();
});

test.each([
  ['one level too deep', bytes(nested(MAX_DEPTH + 2)), `nested more than ${MAX_DEPTH} levels`],
  ['depth without an end', bytes('['.repeat(2_000_000)), 'nested more than'],
  ['a hundred levels, where a plan has ten', bytes(nested(100)), 'nested more than'],
  ['nothing', bytes(''), 'the request is empty'],
  ['half of it', bytes('{"a":'), 'body:'],
  ['bytes that are no text', new Uint8Array([0x22, 0xff, 0xfe, 0x22]), 'not UTF-8'],
])('%s is refused in words', (_what, given, words) => {
  expect(() => parseJson(given)).toThrow(words);
});
