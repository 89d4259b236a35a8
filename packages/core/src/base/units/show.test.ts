import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lengthField, lengthText, lengthWords, show, showChange, showText } from './show';
import { parseLength, parseNumber, parsePoint } from './parse';

const METRIC = { system: 'metric', currency: 'EUR' } as const;
const IMPERIAL = { system: 'imperial', currency: 'EUR' } as const;
const LIMITS = { min: 1, max: 3000 };

describe('figures for the eye', () => {
  test.each([
    [1386.4, 'mm', '1\u202f386\u00a0mm'],
    [86_400, 'mm²', '0.086\u00a0m²'],
    [6421, 'g', '6.42\u00a0kg'],
    [64.3, 'g', '64\u00a0g'],
    [0.44, 'g', '0.4\u00a0g'],
    [0.02, 'g', '0.02\u00a0g'],
    [0, 'g', '0\u00a0g'],
    [612.4, 'ml', '612\u00a0ml'],
    [860, 'min', '14 h 20\u00a0min'],
    [4820, 'money', '48.20\u00a0EUR'],
    [450, 'money/m²', '4.50\u00a0EUR/m²'],
    [3, '1', '3'],
  ] as const)('%d %s is shown as %s', (value, unit, text) => {
    expect(showText({ value, unit }, METRIC)).toBe(text);
  });

  test('17 3/8 in is shown in sixteenths, reduced', () => {
    expect(showText({ value: 17.375 * 25.4, unit: 'mm' }, IMPERIAL)).toBe('17 3/8\u00a0in');
    expect(lengthField(0.5 * 25.4, 'imperial')).toBe('1/2');
    expect(lengthField(0.999 * 25.4, 'imperial')).toBe('1');
  });

  test('what is finer than a rule’s marks is said in thousandths: a kerf of 1 mm, a bow of −0.3 mm, a film', () => {
    expect(show({ value: 1, unit: 'mm' }, IMPERIAL)).toEqual({ number: '0.039', unit: 'in' });
    expect(show({ value: -0.3, unit: 'mm' }, IMPERIAL)).toEqual({ number: '−0.012', unit: 'in' });
    expect(show({ value: -0.001, unit: 'mm' }, IMPERIAL).number).toBe('0');
    expect(show({ value: 25.4 / 16, unit: 'mm' }, IMPERIAL).number).toBe('1/16');
  });
  test('kilograms and litres in ounces', () => {
    expect(showText({ value: 8, unit: 'kg' }, IMPERIAL)).toBe('17.6\u00a0lb');
    expect(showText({ value: 0.5, unit: 'l' }, IMPERIAL)).toBe('16.9\u00a0US fl oz');
    expect(showText({ value: 8, unit: 'kg' }, METRIC)).toBe('8.00\u00a0kg');
  });
  test('lengths in a sentence say the unit once', () => {
    expect(lengthWords(20, 'metric')).toBe('20 mm');
    expect(lengthWords([500, 90.25], 'metric')).toBe('500 × 90.3 mm');
    expect(lengthWords([9, 20], 'imperial')).toBe('3/8 × 13/16 in');
  });
  test('lengths to mark out by are read to a tenth of a mm', () => {
    expect([111.14, 499.99, 62].map((mm) => lengthText(mm, 'metric'))).toEqual(['111.1', '500', '62']);
  });

  test('a change too small for the eye is no change', () => {
    expect(showChange(612.1, 612.3, 'ml', METRIC)).toBe('');
    expect(showChange(48_20, 49_55, 'money', METRIC)).toBe('+1.35\u00a0EUR');
    expect(showChange(30, 12, 'min', METRIC)).toBe('−18\u00a0min');
  });
});

describe('typed lengths', () => {
  test.each([
    ['620', 620],
    ['62 cm', 620],
    ['0.62 m', 620],
    ['0,62m', 620],
    ['24 1/2 in', 622.3],
    ['1/2"', 12.7],
  ])('%s is %d mm', (typed, mm) => {
    expect(parseLength(typed, 'Width', 'metric', LIMITS)).toEqual({ ok: true, value: expect.closeTo(mm, 9) as number });
  });

  test.each(['abc', '', '12 apples', '1/0', '--5', '5 5', '0x10', 'NaN', 'Infinity'])(
    '“%s” is not a length, and the message says what would do',
    (typed) => {
      const parsed = parseLength(typed, 'Width', 'metric', LIMITS);
      expect(parsed).toMatchObject({ ok: false, problem: { code: 'field/not-a-number' } });
      if (!parsed.ok) expect(parsed.problem.message).toContain('1 to 3000 mm');
    },
  );

  test.each([
    ['0', 'too small'],
    ['-5', 'too small'],
    ['1e9', 'too large'],
    ['3001', 'too large'],
  ])('%s is %s, with the value and the limits named', (typed, size) => {
    const parsed = parseLength(typed, 'Width', 'metric', LIMITS);
    expect(parsed).toMatchObject({
      ok: false,
      problem: { code: 'field/out-of-range', message: `Width: ${typed} is ${size}. Enter 1 to 3000 mm.` },
    });
  });

  test('an example is given only where it would be taken', () => {
    const said = (max: number) => parseLength('abc', 'Kerf', 'metric', { min: 0, max });
    expect(said(3000)).toMatchObject({ problem: { message: 'Kerf: “abc” is not a length. Enter 0 to 3000 mm, such as 620 or 62 cm.' } });
    expect(said(10)).toMatchObject({ problem: { message: 'Kerf: “abc” is not a length. Enter 0 to 10 mm.' } });
  });
  test('a limit told in inches is taken as told: 118 1/8 of 3000 mm, 0.039 of 1 mm', () => {
    expect(parseLength('118 1/8', 'Width', 'imperial', LIMITS)).toEqual({ ok: true, value: 3000 });
    expect(parseLength('0.039', 'Width', 'imperial', LIMITS)).toEqual({ ok: true, value: 1 });
    expect(parseLength('118 1/4', 'Width', 'imperial', LIMITS)).toMatchObject({ ok: false });
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 3000, noNaN: true }), fc.constantFrom('metric', 'imperial'), (mm, system) => {
        const [min, max] = [mm, mm + 500];
        expect(parseLength(lengthField(min, system), 'Width', system, { min, max })).toMatchObject({ ok: true });
        expect(parseLength(lengthField(max, system), 'Width', system, { min, max })).toMatchObject({ ok: true });
      }),
    );
  });

  test('what a field shows in inches reads back to within half a sixteenth, small ones to half a thousandth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 3000, noNaN: true }), (mm) => {
        const read = parseLength(lengthField(mm, 'imperial'), 'Width', 'imperial', { min: 0, max: 4000 });
        expect(read.ok && Math.abs(read.value - mm)).toBeLessThanOrEqual((mm < 25.4 / 16 - 0.013 ? 25.4 / 2000 : 25.4 / 32) + 1e-9);
      }),
    );
  });

  test('a plain number within limits, or the reason why not', () => {
    expect(parseNumber('50', 'Humidity', '%', { min: 5, max: 98 })).toEqual({ ok: true, value: 50 });
    expect(parseNumber('120', 'Humidity', '%', { min: 5, max: 98 })).toMatchObject({
      ok: false,
      problem: { message: 'Humidity: 120 is too large. Enter 5 to 98 %.' },
    });
  });
});

describe('a typed place', () => {
  const read = (typed: string, last: { x: number; y: number } | null = null, system: 'metric' | 'imperial' = 'metric') =>
    parsePoint(typed, last, system, { min: -500, max: 3000 });
  test('x, y counts from the corner of the table, in the board’s measures or any other', () => {
    expect(read('300, 200')).toEqual({ ok: true, value: { x: 300, y: 200 } });
    expect(read('30 cm; 0.2 m')).toEqual({ ok: true, value: { x: 300, y: 200 } });
    expect(read('10, 2 1/2', null, 'imperial')).toEqual({ ok: true, value: { x: 254, y: 63.5 } });
  });
  test('with signs before both it counts on from the last place; without a last from the corner', () => {
    expect(read('+40, -20', { x: 300, y: 200 })).toEqual({ ok: true, value: { x: 340, y: 180 } });
    expect(read('+40, -20')).toEqual({ ok: true, value: { x: 40, y: -20 } });
    // One sign alone is a place left of the table, not a step.
    expect(read('-40, 20', { x: 300, y: 200 })).toEqual({ ok: true, value: { x: -40, y: 20 } });
  });
  test.each([
    ['300', '“300” is not a point'],
    ['', 'is not a point'],
    ['1, 2, 3', 'is not a point'],
    ['a, 5', 'x: “a” is not a length'],
    ['5, 1e9', 'y: 1e9 is too large. Enter -500 to 3000 mm'],
  ])('%s is refused: %s', (typed, said) => {
    const parsed = read(typed);
    expect(parsed.ok ? '' : parsed.problem.message).toContain(said);
  });
});

test('money has as many digits behind the point as it has in life', () => {
  const shown = (currency: string) => showText({ value: 4820, unit: 'money' }, { system: 'metric', currency });
  expect([shown('JPY'), shown('KWD'), shown('GBP')]).toEqual(['4\u202f820\u00a0JPY', '4.820\u00a0KWD', '48.20\u00a0GBP']);
});
