import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { z } from 'zod';
import { Day, Id, LIMITS, listOf, longId, mm, oneOf, said, text, whole, within, yesOrNo } from './index';

const wrong = (schema: z.ZodType, value: unknown): string => schema.safeParse(value).error?.issues[0]?.message ?? 'nothing';

describe('what was given, in few words', () => {
  test.each([
    [undefined, 'nothing'],
    [null, 'null'],
    ['wide', '"wide"'],
    ['x'.repeat(90), `"${'x'.repeat(40)}"`],
    [[1, 2, 3], 'a list of 3'],
    [{ deep: { down: 1 } }, 'an object'],
    [Number.NaN, 'NaN'],
    [true, 'true'],
  ])('%j', (value, words) => expect(said(value)).toBe(words));
  test('comes to an end for whatever there is, however deep', () => {
    let deep: unknown = [];
    for (let i = 0; i < 10_000; i++) deep = [deep];
    expect(said(deep)).toBe('a list of 1');
    fc.assert(
      fc.property(fc.anything(), (value) => {
        expect(said(value).length).toBeLessThan(300);
      }),
    );
  });
});

describe('a refusal names the value and what would do', () => {
  test.each<[string, z.ZodType, unknown, string]>([
    ['a length', mm({ min: 1, max: 600 }), 601, 'got 601. Enter 1 to 600 mm'],
    ['a length in words', mm({ min: 1, max: 600 }), '20', 'got "20". Enter 1 to 600 mm'],
    ['no length', mm({ min: 1, max: 600 }), undefined, 'got nothing. Enter 1 to 600 mm'],
    ['a share', within({ min: 0, max: 1 }, ''), 2, 'got 2. Enter 0 to 1'],
    ['half a lamp', whole({ min: 1, max: 60 }), 2.5, 'got 2.5. Enter a whole number from 1 to 60'],
    ['no words', text(60), '', 'is empty. Enter a few words'],
    ['too many words', text(6), 'causeway', 'got "causeway". Enter 1 to 6 characters'],
    ['a control character', text(60), 'a\u0000b', 'got "a\\u0000b". Enter text without control characters'],
    ['half of a surrogate pair', longId(160), 'a\ud83d', 'got "a\\ud83d". Enter text without control characters'],
    ['an id with a blank', Id, 'my board', 'got "my board". Enter 1 to 40 letters, digits, - or _'],
    ['a word of none of these', oneOf(['flat', 'tall']), 'round', 'got "round". Enter one of: flat, tall'],
    ['neither yes nor no', yesOrNo(), 1, 'got 1. Enter true or false'],
    ['a list of too many', listOf(yesOrNo(), { min: 0, max: 1 }), [true, true], 'got a list of 2. Enter up to 1'],
    ['a list of too few', listOf(yesOrNo(), { min: 2, max: 9 }), [true], 'got a list of 1. Enter 2 to 9'],
    ['a day in other order', Day, '30.11.2026', 'got "30.11.2026". Enter a date such as 2026-11-30'],
    ['a day that no year has', Day, '2026-02-30', 'got "2026-02-30", which is not a day of the calendar. Enter 2026-11-30'],
  ])('%s', (_, schema, value, message) => expect(wrong(schema, value)).toBe(message));
  test('the day that every fourth year has is one', () => {
    expect([Day.safeParse('2028-02-29').success, Day.safeParse('2027-02-29').success]).toEqual([true, false]);
  });
  test('what a text takes every store can hold: it is the same after a way through UTF-8', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (typed) => {
        const taken = text(60).safeParse(typed);
        if (taken.success) expect(new TextDecoder().decode(new TextEncoder().encode(typed))).toBe(typed);
      }),
    );
  });
});

test('all limits leave something between them', () => {
  for (const [name, { min, max }] of Object.entries(LIMITS)) expect([name, min < max]).toEqual([name, true]);
});
