import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { z } from 'zod';
import { Day, Id, LIMITS, listOf, longId, mm, oneOf, said, text, whole, within, yesOrNo } from '.';

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
    ['a length', mm({ min: 1, max: 600 }), 601, 'got 601; 1 to 600 mm would do'],
    ['a length in words', mm({ min: 1, max: 600 }), '20', 'got "20"; 1 to 600 mm would do'],
    ['no length', mm({ min: 1, max: 600 }), undefined, 'got nothing; 1 to 600 mm would do'],
    ['a share', within({ min: 0, max: 1 }, ''), 2, 'got 2; 0 to 1 would do'],
    ['half a lamp', whole({ min: 1, max: 60 }), 2.5, 'got 2.5; a whole number from 1 to 60 would do'],
    ['no words', text(60), '', 'is empty; a few words would do'],
    ['too many words', text(6), 'causeway', 'got "causeway"; 1 to 6 characters would do'],
    ['a control character', text(60), 'a\u0000b', 'got "a\\u0000b"; text without control characters would do'],
    ['half of a surrogate pair', longId(160), 'a\ud83d', 'got "a\\ud83d"; text without control characters would do'],
    ['an id with a blank', Id, 'my board', 'got "my board"; 1 to 40 letters, digits, - or _ would do'],
    ['a word of none of these', oneOf(['flat', 'tall']), 'round', 'got "round"; flat, tall would do'],
    ['neither yes nor no', yesOrNo(), 1, 'got 1; true or false would do'],
    ['a list of too many', listOf(yesOrNo(), { min: 0, max: 1 }), [true, true], 'got a list of 2; up to 1 would do'],
    ['a list of too few', listOf(yesOrNo(), { min: 2, max: 9 }), [true], 'got a list of 1; 2 to 9 would do'],
    ['a day in other order', Day, '30.11.2026', 'got "30.11.2026"; a date such as 2026-11-30 would do'],
    ['a day that no year has', Day, '2026-02-30', 'got "2026-02-30", which is not a day of the calendar; 2026-11-30 would do'],
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
