import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole } from '../../../../plan/fields';
import { SIZES, askChoice, askLength, askNumber } from '../../asks';
import { levelFace, wallOf, walled } from '../../measures/enclosure';
import type { Mesh } from '../../../shell';
import { merged, prism } from '../../making/loose';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';

const settings = z.strictObject({
  widthMm: mm(SIZES.lengthMm),
  depthMm: mm(SIZES.lengthMm),
  heightMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt']),
  /** Ridges from side to side, with as many furrows between. */
  furrows: whole({ min: 0, max: 40 }),
  furrowMm: mm({ min: 0.5, max: 20 }),
  /** Filled with foam up to here, with soil over it. */
  soilMm: mm({ min: 1, max: 40 }),
});
type Bed = z.infer<typeof settings>;

export const raisedBed = pieceFamily('raised-bed', settings, {
  name: 'Raised bed',
  says: 'Boards round furrowed soil over a cheap core.',
  fields: [
    askLength('widthMm', 'Wide, inside', SIZES.lengthMm),
    askLength('depthMm', 'Deep, inside', SIZES.lengthMm),
    askLength('heightMm', 'Boards, height', SIZES.wallMm),
    askChoice('corners', 'Corners', { mitre: 'mitred', butt: 'butt, each wall covers the next' }),
    askNumber('furrows', 'Furrows', { min: 0, max: 40 }),
    askLength('furrowMm', 'Furrow, depth', { min: 0.5, max: 20 }),
    askLength('soilMm', 'Soil over the core', { min: 1, max: 40 }),
  ],
  roles: [
    { role: 'wall', name: 'Boards round it', sold: 'sheet', usual: 'card' },
    { role: 'floor', name: 'Floor', sold: 'sheet', usual: 'floor' },
  ],
  clads: [{ shows: 'walls', name: 'Boards outside' }],
  fresh: ({ figureMm, baseMm }): Bed => ({
    widthMm: Math.round(baseMm * 3),
    depthMm: Math.round(baseMm * 1.4),
    heightMm: Math.max(5, Math.round(figureMm * 0.35)),
    corners: 'butt',
    furrows: 4,
    furrowMm: 2,
    soilMm: 5,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** A furrow narrower than this closes again while it is drawn. */
const FURROW_MM = 3;
function refusal(own: Bed): ReturnType<typeof refused> | null {
  if (own.soilMm > own.heightMm) return refused('soilMm', `higher than its boards. Enter up to ${Math.floor(own.heightMm)} mm`);
  if (own.furrows > 0 && own.furrowMm > own.soilMm)
    return refused('furrowMm', `deeper than the soil. Enter up to ${own.soilMm.toFixed(1)} mm`);
  const most = Math.floor(own.depthMm / FURROW_MM);
  if (own.furrows > most) return refused('furrows', `the furrows are closer than ${FURROW_MM} mm. Enter up to ${most}`);
  return null;
}

/** Soil with a furrow in the middle of every stretch: a level bed, and two slopes a stretch. */
function soilOf({ widthMm: w, depthMm: d, soilMm, furrows, furrowMm }: Bed): Mesh {
  const low = furrows === 0 ? soilMm : soilMm - furrowMm;
  const pitch = d / Math.max(1, furrows);
  const block = (outline: readonly (readonly [number, number])[]): Mesh => prism(outline, 0, w);
  return merged([
    ...(low > 0
      ? [
          block([
            [0, 0],
            [d, 0],
            [d, low],
            [0, low],
          ]),
        ]
      : []),
    ...Array.from({ length: furrows }, (_, i): Mesh[] => {
      const [from, middle, to] = [i * pitch, (i + 0.5) * pitch, (i + 1) * pitch];
      return [
        block([
          [from, low],
          [middle, low],
          [from, soilMm],
        ]),
        block([
          [middle, low],
          [to, low],
          [to, soilMm],
        ]),
      ];
    }).flat(),
  ]);
}

function shapeOf(own: Bed): PieceShape {
  const { widthMm: w, depthMm: d } = own;
  const ring = rectangleRing(0, 0, w, d);
  const floor = levelFace({ id: 'floor', name: 'Floor', role: 'floor' }, ring, 0, 'below', (i) => ({
    joint: 'against',
    to: wallOf('wall', i),
  }));
  const walls = walled({
    id: 'wall',
    name: (i) => `Board ${i + 1}`,
    role: 'wall',
    ring,
    topMm: () => own.heightMm,
    corners: own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor' },
    top: () => ({ joint: 'free' }),
    shows: { far: 'walls' },
  });
  // Furrows are triangles: half of what a box as deep would take.
  const soilMm3 = w * d * (own.soilMm - (own.furrows > 0 ? own.furrowMm / 2 : 0));
  return {
    objects: [{ id: 'bed', name: 'Bed', count: 1, faces: [floor, ...walls] }],
    clear: [
      { name: 'Inside, wide', objectId: 'bed', from: [0, d / 2, own.heightMm / 2], to: [w, d / 2, own.heightMm / 2] },
      { name: 'Inside, deep', objectId: 'bed', from: [w / 2, 0, own.heightMm / 2], to: [w / 2, d, own.heightMm / 2] },
    ],
    levels: [],
    waysIn: [],
    order: [
      { does: 'glue', says: 'Glue the boards round the floor.', bodyIds: ['floor', ...walls.map(({ id }) => id)] },
      {
        does: 'fill',
        says: 'Use foam scraps for the core. Cover them with soil in glue and draw the furrows while it is wet.',
        bodyIds: [],
      },
      { does: 'place', says: 'Plant the ridges last, after the last spray.', bodyIds: [] },
    ],
    loose: [{ id: 'soil', name: 'Soil', objectId: 'bed', mesh: soilOf(own) }],
    fills: [{ usual: 'soil', objectId: 'bed', ml: soilMm3 / 1_000 }],
    facts: own.furrows === 0 ? [] : [{ label: 'Furrow spacing', value: d / own.furrows, unit: 'mm' }],
    handles: [
      { key: 'widthMm', label: 'Width', objectId: 'bed', at: [w, d / 2, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
      { key: 'depthMm', label: 'Depth', objectId: 'bed', at: [w / 2, d, 0], along: [0, 1, 0], perUnitMm: 1, step: 1 },
    ],
  };
}
