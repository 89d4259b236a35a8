import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { ok } from '../../../../base/result';
import { mm } from '../../../../plan/fields';
import { askLength } from '../../asks';
import { inFaceOf, levelFace, regularRing } from '../../measures/enclosure';
import { turned } from '../../making/loose';
import { type PieceShape, pieceFamily, refused } from '../../family';

const ACROSS = { min: 20, max: 500 };
const settings = z.strictObject({
  /** Over the foot of its rim. */
  acrossMm: mm(ACROSS),
  /** The hollow, from crest to crest. */
  hollowMm: mm({ min: 8, max: 480 }),
  rimMm: mm({ min: 2, max: 60 }),
  /** The board under it, beyond the foot of the rim. */
  boardOutMm: mm({ min: 0, max: 30 }),
});
type Pad = z.infer<typeof settings>;

export const craterPad = pieceFamily('crater-pad', settings, {
  name: 'Crater pad',
  says: 'A loose crater: a foam ring on a thin board with a modelled rim.',
  fields: [
    askLength('acrossMm', 'Diameter at the foot of the rim', ACROSS),
    askLength('hollowMm', 'Hollow, crest to crest', { min: 8, max: 480 }),
    askLength('rimMm', 'Rim, height', { min: 2, max: 60 }),
    askLength('boardOutMm', 'Board margin', { min: 0, max: 30 }),
  ],
  roles: [
    { role: 'board', name: 'Board', sold: 'sheet', usual: 'board' },
    { role: 'ring', name: 'Ring in the rim', sold: 'sheet', usual: 'floor' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Pad => ({
    acrossMm: Math.round(baseMm * 4),
    hollowMm: Math.round(baseMm * 2),
    rimMm: Math.max(6, Math.round(figureMm * 0.3)),
    boardOutMm: 3,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** The ring under the crest is this much narrower than the rim, at either side. */
const COVER_SHARE = 0.3;
const MIN_MM = 6;
function refusal({ acrossMm, hollowMm }: Pad): ReturnType<typeof refused> | null {
  if (acrossMm - hollowMm < 2 * MIN_MM)
    return refused('hollowMm', `leaves no rim. Enter up to ${Math.max(8, Math.floor(acrossMm - 2 * MIN_MM))} mm`);
  return null;
}

const FLATS = 24;
function shapeOf(own: Pad): PieceShape {
  const round = (acrossMm: number): readonly Point[] => regularRing(FLATS, acrossMm / 2);
  const rim = (own.acrossMm - own.hollowMm) / 2;
  const board = levelFace(
    { id: 'board', name: 'Board', role: 'board', shows: { far: 'ground' } },
    round(own.acrossMm + 2 * own.boardOutMm),
    0,
    'above',
    () => ({ joint: 'free' }),
  );
  const outer = round(own.acrossMm - 2 * rim * COVER_SHARE);
  const hole = round(own.hollowMm + 2 * rim * COVER_SHARE);
  const ring = levelFace(
    {
      id: 'ring',
      name: 'Ring',
      role: 'ring',
      lies: { on: 'board' },
      openings: [{ id: 'hollow', name: 'Hollow', kind: 'hole', ring: inFaceOf(outer, hole) }],
    },
    outer,
    0,
    'above',
    () => ({ joint: 'free' }),
  );
  // A triangle turned about the middle (Pappus): its area by the way its middle goes, through the crest.
  const crest = own.hollowMm / 2 + rim * CREST_SHARE;
  const middle = (own.hollowMm / 2 + crest + own.acrossMm / 2) / 3;
  const rimMm3 = (rim * own.rimMm * 2 * Math.PI * middle) / 2;
  return {
    objects: [{ id: 'pad', name: 'Crater', count: 1, faces: [board, ring] }],
    clear: [],
    levels: [],
    waysIn: [],
    isWalkedOver: true,
    order: [
      {
        does: 'glue',
        says: 'Glue the ring to its board and weigh it down: a thin board bows when one face gets wet.',
        bodyIds: ['board', 'ring'],
      },
      {
        does: 'fill',
        says: 'Model the rim over the ring, steep inside and flat outside. Brush rays outwards with a stiff brush.',
        bodyIds: [],
      },
    ],
    rests: [{ bodyId: 'ring', on: ['board'] }],
    loose: [
      {
        id: 'rim',
        name: 'Rim',
        objectId: 'pad',
        mesh: turned(
          [
            { outMm: own.hollowMm / 2, upMm: 0 },
            { outMm: own.acrossMm / 2, upMm: 0 },
            { outMm: crest, upMm: own.rimMm },
          ],
          2 * FLATS,
        ),
      },
    ],
    fills: [{ usual: 'clay', objectId: 'pad', ml: rimMm3 / 1_000 }],
    facts: [{ label: 'Rim modelled over the ring, dry', value: rimMm3 / 1_000, unit: 'ml' }],
    handles: [
      { key: 'acrossMm', label: 'Width', objectId: 'pad', at: [own.acrossMm / 2, 0, 0], along: [1, 0, 0], perUnitMm: 0.5, step: 1 },
    ],
  };
}
/** The crest lies nearer to the hollow: steep inside. */
const CREST_SHARE = 0.3;
