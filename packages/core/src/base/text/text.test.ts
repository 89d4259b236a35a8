import fc from 'fast-check';
import { expect, test } from 'vitest';
import { cutText, isStorable, lettersIn, unstorableAt } from '.';

test('an emoji at the edge is left out whole, never cut in two', () => {
  expect(cutText('kiln🔥fire', 5)).toBe('kiln🔥');
  expect(cutText('kiln🔥fire', 4)).toBe('kiln');
  expect('kiln🔥'.slice(0, 5)).not.toBe(cutText('kiln🔥', 4));
});
test('halves of a pair and NUL are dropped, all else stays', () => {
  expect(cutText('a\ud83db\0c\n', 99)).toBe('abc\n');
});
test('letters are counted as code points', () => expect([lettersIn('🔥🔥'), lettersIn('ab')]).toEqual([2, 2]));
test('whatever is cut can be stored, and is no longer than asked', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), fc.nat(30), (text, max) => {
      const cut = cutText(text + '\ud83d', max);
      expect([isStorable(cut), lettersIn(cut) <= max]).toEqual([true, true]);
    }),
  );
});
test('the way to a bad text is named, a bad key too', () => {
  expect(unstorableAt({ deeds: [{ note: 'fine' }, { note: 'a\0' }] })).toEqual(['deeds', '1', 'note']);
  expect(unstorableAt({ 'a\ud800': 1 })).toEqual(['a\ud800']);
  expect(unstorableAt([1, null, 'ok'])).toBeNull();
});
