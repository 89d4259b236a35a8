import fc from 'fast-check';
import { expect, test } from 'vitest';
import { placeLabels } from './placeLabels';

test('labels with room stay where they want to be', () => {
  expect(
    placeLabels(
      [
        { atPx: 100, widthPx: 50 },
        { atPx: 300, widthPx: 50 },
      ],
      6,
      0,
      500,
    ),
  ).toEqual([100, 300]);
});

test('two that want one place part evenly to both sides', () => {
  expect(
    placeLabels(
      [
        { atPx: 200, widthPx: 50 },
        { atPx: 200, widthPx: 50 },
      ],
      10,
      0,
      500,
    ),
  ).toEqual([170, 230]);
});

test('none overlap, in order, within the sheet where they fit', () => {
  const wanted = fc.array(fc.record({ atPx: fc.integer({ min: 0, max: 1000 }), widthPx: fc.integer({ min: 20, max: 120 }) }), {
    minLength: 1,
    maxLength: 7,
  });
  fc.assert(
    fc.property(wanted, (drawn) => {
      const labels = [...drawn].sort((a, b) => a.atPx - b.atPx);
      const middles = placeLabels(labels, 6, 0, 1000);
      middles.forEach((middle, i) => {
        const left = middle - labels[i]!.widthPx / 2;
        expect(left).toBeGreaterThanOrEqual(-1e-6);
        expect(left + labels[i]!.widthPx).toBeLessThanOrEqual(1000 + 1e-6);
        if (i > 0) expect(left).toBeGreaterThanOrEqual(middles[i - 1]! + labels[i - 1]!.widthPx / 2 + 6 - 1e-6);
      });
    }),
  );
});
