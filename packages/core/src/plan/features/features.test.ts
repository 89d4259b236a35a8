import { describe, expect, test } from 'vitest';
import { areaMm2, isEmpty } from '../../base/geometry';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { type Shape, contoursWithin, rectangle, shapeRegion } from '../shapes';
import {
  FEATURE_KINDS,
  type Feature,
  type FeatureKind,
  FeatureSchema,
  NO_MARKS,
  copyOf,
  freshStrip,
  kindNamed,
  kindOf,
  newFeature,
} from './index';

const NOTHING = { features: [] };
/** As it is drawn with the tool of its kind. */
function shapeFor(kind: FeatureKind): Shape {
  const area = rectangle({ x: 150, y: 120 }, { x: 350, y: 260 });
  switch (kindNamed(kind).drawnAs) {
    case 'area':
      return area;
    case 'strip':
      return {
        form: 'strip',
        points: [
          { x: 100, y: 150 },
          { x: 400, y: 150 },
        ],
        ...freshStrip(kind),
      };
    case 'round':
      return { form: 'round', centre: { x: 250, y: 200 }, radiusMm: 60 };
    case 'contours':
      return contoursWithin(area, 3);
  }
}
const fresh = (kind: FeatureKind, plan: { readonly features: readonly Feature[] } = NOTHING): Feature =>
  newFeature(plan, kind, shapeFor(kind), `new-${kind}`, CATALOGUE);

describe.each(FEATURE_KINDS)('a fresh %s', (kind) => {
  const feature = fresh(kind);
  const of = kindOf(feature);
  test('is sound as it is drawn', () => expect(FeatureSchema.safeParse(feature).error?.issues ?? []).toEqual([]));
  test('covers ground, and none but its own', () => {
    const region = shapeRegion(feature.shape);
    const stretches = of.stretches(feature, region, shapeRegion);
    expect(stretches.length).toBeGreaterThan(0);
    for (const stretch of stretches) {
      expect(isEmpty(stretch.region)).toBe(false);
      expect(areaMm2(stretch.region)).toBeLessThanOrEqual(areaMm2(region) + 1);
    }
  });
  test('turned once round is as it was', () => {
    const change = of.turned?.(feature, (deg) => deg + 360) ?? {};
    const degrees = Object.entries(change).filter(([, value]) => typeof value === 'number') as [string, number][];
    for (const [key, deg] of degrees) expect(((deg - (feature as unknown as Record<string, number>)[key]!) % 360) + 0).toBe(0);
  });
  test('stands on a board that is reckoned to the end, and has its notes', () => {
    const { needs, warnings, tally } = derived(aBoard({}, feature));
    expect(needs.map(({ featureId }) => featureId)).toEqual([feature.id]);
    expect(needs[0]!.figures.every(({ value }) => Number.isFinite(value))).toBe(true);
    expect(tally.ready).not.toBeNull();
    // Nothing that was just drawn is wrong by itself in a way that nothing mends.
    for (const { code, mends } of warnings) expect([code, mends.length > 0]).toEqual([code, true]);
  });
  test('every field of its notes asks for something that it has', () => {
    for (const field of of.fields) expect(Object.keys(feature)).toEqual(expect.arrayContaining(keysOf(field)));
  });
  test('its marks, where it has any, lie on the table', () => {
    const { lines, dots, arrow } = of.marks?.(feature) ?? NO_MARKS;
    for (const { x, y } of [...lines.flat(), ...dots, ...arrow])
      expect([x, y].every((mm) => Number.isFinite(mm) && Math.abs(mm) < 1_000)).toBe(true);
  });
});
const keysOf = (field: object): string[] => ('key' in field && typeof field.key === 'string' ? [field.key] : []);

describe('names', () => {
  test('count on from those of the kind, and fill no gap that was left', () => {
    const first = fresh('pit');
    const second = fresh('pit', { features: [first] });
    expect([first.name, second.name]).toEqual(['Pit', 'Pit 2']);
    expect(fresh('pit', { features: [second] }).name).toBe('Pit');
  });
  test('of a copy go on from the original, which may be held still; the copy may not', () => {
    const first = { ...fresh('pit'), locked: true };
    const copy = copyOf({ features: [first] }, first, first.shape, 'copy');
    expect([copy.name, copy.locked, copy.id]).toEqual(['Pit 2', false, 'copy']);
    expect(copyOf({ features: [first, copy] }, copy, copy.shape, 'third').name).toBe('Pit 3');
  });
});

test('what stands higher is drawn after what it stands on', () => {
  const ranks = (['raised', 'water', 'wall', 'clear'] as const).map((kind) => kindOf(fresh(kind)).rank(fresh(kind)));
  expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
});
