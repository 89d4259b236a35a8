import { z } from 'zod';
import { ok } from '../../../base/result';
import { mm, whole, within } from '../../../plan/fields';
import type { Assembly } from '../../shell';
import { SIZES, askNumber } from '../asks';
import { levelFace } from '../measures/enclosure';
import { type PieceScale, type PieceShape, pieceFamily, rectangleRing, refused } from '../family';

/** In real life, cm. */
const REAL_CM = { min: 5, max: 2_000 };
const sort = { count: whole(SIZES.count), wideCm: within(REAL_CM, 'cm'), highCm: within(REAL_CM, 'cm') };
const settings = z.strictObject({
  posters: sort.count,
  posterWideCm: sort.wideCm,
  posterHighCm: sort.highCm,
  signs: sort.count,
  signWideCm: sort.wideCm,
  signHighCm: sort.highCm,
  covers: sort.count,
  coverCm: sort.wideCm,
  slabs: sort.count,
  slabWideCm: sort.wideCm,
  slabHighCm: sort.highCm,
  /** Posters hang so much off straight, either way, at most. */
  offDeg: within({ min: 0, max: 5 }, '°'),
  borderMm: mm({ min: 0, max: 5 }),
});
type Printed = z.infer<typeof settings>;

export const printed = pieceFamily('printed', settings, {
  name: 'Printed details',
  says: 'Posters, signs, covers and paving at real size, scaled and arranged on a sheet of paper.',
  fields: [
    askNumber('posters', 'Posters', SIZES.count),
    askNumber('posterWideCm', 'Poster, real width', REAL_CM, { unit: 'cm' }),
    askNumber('posterHighCm', 'Poster, real height', REAL_CM, { unit: 'cm' }),
    askNumber('signs', 'Signs', SIZES.count),
    askNumber('signWideCm', 'Sign, real width', REAL_CM, { unit: 'cm' }),
    askNumber('signHighCm', 'Sign, real height', REAL_CM, { unit: 'cm' }),
    askNumber('covers', 'Manhole covers', SIZES.count),
    askNumber('coverCm', 'Cover, real diameter', REAL_CM, { unit: 'cm' }),
    askNumber('slabs', 'Pieces of paving', SIZES.count),
    askNumber('slabWideCm', 'Paving, real width', REAL_CM, { unit: 'cm' }),
    askNumber('slabHighCm', 'Paving, real length', REAL_CM, { unit: 'cm' }),
    askNumber('offDeg', 'Poster tilt, up to', { min: 0, max: 5 }, { unit: '°', step: 0.5 }),
    askNumber('borderMm', 'Cutting margin', { min: 0, max: 5 }, { unit: 'mm', step: 0.5 }),
  ],
  roles: [{ role: 'paper', name: 'Printed on', sold: 'sheet', usual: 'print' }],
  clads: [],
  fresh: (): Printed => ({
    posters: 8,
    posterWideCm: 60,
    posterHighCm: 85,
    signs: 4,
    signWideCm: 180,
    signHighCm: 40,
    covers: 4,
    coverCm: 65,
    slabs: 2,
    slabWideCm: 200,
    slabHighCm: 300,
    offDeg: 3,
    borderMm: 1,
  }),
  shape: (own, scale) => refusal(own) ?? ok(shapeOf(own, scale)),
});

function refusal({ posters, signs, covers, slabs }: Printed): ReturnType<typeof refused> | null {
  return posters + signs + covers + slabs === 0 ? refused('posters', 'the sheet is empty. Enter at least one') : null;
}

const MM_PER_CM = 10;
function shapeOf(own: Printed, { ratio }: PieceScale): PieceShape {
  const scaled = (cm: number): number => cm * MM_PER_CM * ratio;
  const sorts = [
    { id: 'poster', name: 'Poster', count: own.posters, wide: scaled(own.posterWideCm), high: scaled(own.posterHighCm) },
    { id: 'sign', name: 'Sign', count: own.signs, wide: scaled(own.signWideCm), high: scaled(own.signHighCm) },
    { id: 'cover', name: 'Cover', count: own.covers, wide: scaled(own.coverCm), high: scaled(own.coverCm) },
    { id: 'slab', name: 'Paving', count: own.slabs, wide: scaled(own.slabWideCm), high: scaled(own.slabHighCm) },
  ].filter(({ count }) => count > 0);
  const objects = sorts.map(({ id, name, count, wide, high }): Assembly => ({
    id,
    name,
    count,
    faces: [
      levelFace({ id, name, role: 'paper' }, rectangleRing(0, 0, wide + 2 * own.borderMm, high + 2 * own.borderMm), 0, 'above', () => ({
        joint: 'free',
      })),
    ],
  }));
  return {
    objects,
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'paint',
        says: 'Seal the print with matt varnish before you cut it, or the ink runs under the glue.',
        bodyIds: objects.map(({ id }) => id),
      },
      {
        does: 'place',
        says: `Cut along the border and darken the edges. Tilt posters a little, by up to ${own.offDeg}° either way. Wash and dust them together with the wall.`,
        bodyIds: [],
      },
    ],
    facts: sorts.flatMap(({ name, wide, high }) => [
      { label: `${name}, printed width`, value: wide, unit: 'mm' as const },
      { label: `${name}, printed height`, value: high, unit: 'mm' as const },
    ]),
  };
}
