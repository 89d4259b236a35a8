import { z } from 'zod';
import { type Point, boxAround, selfCrossing, signedMm2 } from '../../base/geometry';
import { type Result, ok } from '../../base/result';
import { text, whole } from '../../fields';
import { askNumber } from '../asks';
import { levelFace } from '../enclosure';
import { type FieldProblem, type PieceField, type PieceShape, pieceFamily, refused } from '../family';

const MOST_LETTERS = 6_000;
const settings = z.strictObject({
  /** Corners in mm, `0,0 60,0 60,40`: typed, or taken from a drawing. */
  outline: text(MOST_LETTERS),
  layers: whole({ min: 1, max: 20 }),
});
type OwnOutline = z.infer<typeof settings>;
/** An outline of a drawing in words: from its own left and front, y away from the viewer where a drawing has it run down. */
export function outlineWords(ring: readonly Point[]): string {
  const { left, bottom } = boxAround(ring);
  return ring.map(({ x, y }) => `${hundredth(x - left)},${hundredth(bottom - y)}`).join(' ');
}
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;
const outline: PieceField = { ask: 'words', key: 'outline', label: 'Corners, mm', most: MOST_LETTERS, fromOutline: outlineWords };

export const ownOutline = pieceFamily('own-outline', settings, {
  name: 'Own outline',
  says: 'Any outline, typed or from a drawing, in as many layers of any stock.',
  fields: [outline, askNumber('layers', 'Layers', { min: 1, max: 20 })],
  roles: [{ role: 'layer', name: 'Layers', sold: 'sheet', usual: 'layer' }],
  clads: [],
  fresh: ({ baseMm }): OwnOutline => {
    const b = Math.round(baseMm);
    return { outline: `0,0 ${4 * b},0 ${4 * b},${2 * b} ${2 * b},${2 * b} ${2 * b},${3 * b} 0,${3 * b}`, layers: 1 };
  },
  shape: ({ outline: typed, layers }) => {
    const ring = ringIn(typed);
    return ring.ok ? ok(shapeOf(ring.value, layers)) : ring;
  },
});

const LEAST_MM2 = 25;
/** Corners as typed; told at the field what would do. */
export function ringIn(typed: string): Result<readonly Point[], FieldProblem> {
  const corners = typed.trim().split(/\s+/);
  const points: Point[] = [];
  for (const corner of corners) {
    const found = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(corner);
    if (found === null) return refused('outline', `got “${corner.slice(0, 20)}”; corners such as 0,0 60,0 60,40 would do`);
    points.push({ x: Number(found[1]), y: Number(found[2]) });
  }
  if (points.length < 3) return refused('outline', `got ${points.length} corners; three or more would do`);
  if (points.some(({ x, y }) => Math.abs(x) > 5_000 || Math.abs(y) > 5_000))
    return refused('outline', 'reaches beyond 5 m; smaller would do');
  if (selfCrossing(points) !== null) return refused('outline', 'crosses itself; corners in their order round the outline would do');
  const mm2 = signedMm2(points);
  if (Math.abs(mm2) < LEAST_MM2) return refused('outline', `encloses ${Math.abs(mm2).toFixed(1)} mm²; ${LEAST_MM2} mm² or more would do`);
  return ok(mm2 > 0 ? points : [...points].reverse());
}

function shapeOf(ring: readonly Point[], layers: number): PieceShape {
  const faces = Array.from({ length: layers }, (_, i) =>
    levelFace(
      {
        id: `layer-${i + 1}`,
        name: layers === 1 ? 'Shape' : `Layer ${i + 1}`,
        role: 'layer',
        ...(i === 0 ? {} : { lies: { on: `layer-${i}` } }),
        shows: { far: 'ground' },
      },
      ring,
      0,
      'above',
      () => ({ joint: 'free' }),
    ),
  );
  return {
    objects: [{ id: 'shape', name: 'Shape', count: 1, faces }],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Layers over their whole faces, grain turned; trim to the lowest when dry.',
        bodyIds: faces.map(({ id }) => id),
      },
    ],
    rests: faces.slice(1).map(({ id }, i) => ({ bodyId: id, on: [`layer-${i + 1}`] })),
    facts: [{ label: 'Area of a layer', value: Math.abs(signedMm2(ring)), unit: 'mm²' }],
  };
}
