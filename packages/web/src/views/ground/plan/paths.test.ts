import { describe, expect, test } from 'vitest';
import { boxRegion } from '@spare-acre/core/base/geometry';
import { brinefold } from '@spare-acre/core/demo';
import { CATALOGUE } from '../../../testing/world';
import { drawingOrder, fillOf, linePath, regionPath } from './paths';

const half = ({ x, y }: { x: number; y: number }) => ({ x: x / 2 + 10, y: y / 2 });

test('a region becomes a closed path in px, a line an open one', () => {
  expect(regionPath(boxRegion({ left: 0, top: 0, right: 100, bottom: 50 }), half)).toBe('M10.0 0.0L60.0 0.0L60.0 25.0L10.0 25.0Z');
  expect(
    linePath(
      [
        { x: 0, y: 0 },
        { x: 3, y: 4 },
      ],
      half,
    ),
  ).toBe('M10.0 0.0L11.5 2.0');
  expect(regionPath({ rings: [] }, half)).toBe('');
});

describe('what lies on top is drawn last', () => {
  const ordered = drawingOrder(brinefold(CATALOGUE).features);
  test('raised ground by height, then routes, then what is sunk through it', () => {
    const kinds = ordered.map(({ kind }) => kind);
    expect(kinds.indexOf('route')).toBeGreaterThan(kinds.lastIndexOf('raised'));
    expect(kinds.indexOf('water')).toBeGreaterThan(kinds.lastIndexOf('route'));
    const heights = ordered.flatMap((feature) => (feature.kind === 'raised' ? [feature.heightMm] : []));
    expect(heights).toEqual([...heights].sort((a, b) => a - b));
  });
  test('every kind has a hatch of its own, high ground a closer one', () => {
    const fills = new Map(ordered.map((feature) => [feature.name, fillOf(feature)]));
    expect([fills.get('Causeway'), fills.get('Upper causeway'), fills.get('Long pan'), fills.get('Boardwalk')]).toEqual([
      'url(#hatch-raised)',
      'url(#hatch-raised-more)',
      'url(#hatch-water)',
      'url(#hatch-route)',
    ]);
  });
});
