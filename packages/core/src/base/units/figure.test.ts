import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Figure, given, calculate, total, ceilTolerant } from './figure';
import { inMillilitres, massOf } from './convert';
import { working } from './working';

const mm = (label: string, value: number): Figure<'mm'> => given(label, value, 'mm', 'plan');

describe('a figure and its working', () => {
  test('a pan of 200 × 100 mm, 4 mm deep holds 80 ml; the working says so line by line', () => {
    const area = calculate('Pan', 'mm²', mm('Width', 200), '×', mm('Depth', 100));
    const volume = inMillilitres(calculate('Water', 'mm³', area, '×', mm('Water depth', 4)));
    expect(volume.value).toBeCloseTo(80, 9);
    const { lines, inputs } = working(volume, 'EUR');
    expect(lines.map(({ label, expression, result }) => `${label} = ${expression} = ${result}`)).toEqual([
      'Pan = 200 mm × 100 mm = 20\u202f000 mm²',
      'Water = 20\u202f000 mm² × 4 mm = 80\u202f000 mm³',
      'Water in ml = 80\u202f000 mm³ ÷ 1\u202f000 mm³/ml = 80 ml',
    ]);
    expect(inputs.map(({ label, source }) => `${label}: ${source}`)).toEqual([
      'Width: plan',
      'Depth: plan',
      'Water depth: plan',
      'mm³ in a ml: definition',
    ]);
  });

  test('a slab of 500 × 500 × 6 mm at 750 kg/m³ weighs 1125 g', () => {
    const volume = given('Slab', 500 * 500 * 6, 'mm³', 'drawing'); // 1.5e6 mm³ = 0.0015 m³; × 750 = 1.125 kg
    expect(massOf('Mass', volume, given('Density', 750, 'kg/m³', 'catalogue')).value).toBeCloseTo(1125, 9);
  });

  test('a depth that comes as an area is refused: mm² × mm² is not mm³', () => {
    const area = given('Area', 4, 'mm²', 'plan');
    expect(() => calculate('Volume', 'mm³', area, '×', area)).toThrow('Volume: mm² × mm² is not mm³');
  });

  test('mm and m do not mix without a step of the working', () => {
    expect(() => calculate('Spread', 'g', given('Area', 1e6, 'mm²', 'plan'), '×', given('Rate', 180, 'g/m²', 'catalogue'))).toThrow(
      TypeError,
    );
    expect(() => total('Lengths', 'mm', [mm('a', 1), given('b', 1, 'm', 'plan')])).toThrow('Lengths: b is in m, not mm');
  });

  test('÷ 0 is no figure', () => {
    expect(() => calculate('Share', '1', mm('a', 1), '÷', mm('b', 0))).toThrow(RangeError);
  });

  test('money is carried in minor units and shown in major ones on both sides of the sum', () => {
    const price = given('A pot', 325, 'money', 'catalogue');
    const cost = calculate('Cost', 'money', given('Pots', 3, '1', 'layout'), '×', price);
    expect(working(cost, 'EUR').lines).toEqual([{ label: 'Cost', expression: '3 × 3.25 EUR', result: '9.75 EUR', addends: [] }]);
  });

  test('0.1 + 0.2 ml in pots of 0.1 ml is three pots, not four', () => {
    expect((0.1 + 0.2) / 0.1).toBeGreaterThan(3); // what the last bits would buy
    expect(calculate('Pots', '1', given('Need', 0.1 + 0.2, 'ml', 'plan'), '⌈÷⌉', given('Pot', 0.1, 'ml', 'catalogue')).value).toBe(3);
    expect(ceilTolerant(11.001)).toBe(12);
  });

  test('a sum is its parts and nothing else, for any numbers', () => {
    fc.assert(
      fc.property(fc.array(fc.float({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }), { maxLength: 20 }), (values) => {
        const sum = total(
          'Sum',
          'mm',
          values.map((value, i) => mm(`part ${i}`, value)),
        );
        expect(sum.value).toBeCloseTo(
          values.reduce((a, b) => a + b, 0),
          6,
        );
      }),
    );
  });
});
