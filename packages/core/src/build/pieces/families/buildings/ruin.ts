import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { seeded } from '../../../../base/random';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole, within } from '../../../../plan/fields';
import type { Face, Opening } from '../../../shell';
import { SIZES, askChoice, askLength, askNumber } from '../../asks';
import { brokenLine } from '../../break';
import { levelFace, wallOf, walled } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';
import { spreadMm, windowAt } from '../../openings';

const settings = z.strictObject({
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  storeys: whole(SIZES.storeys),
  storeyMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt']),
  /** How much is left of the wall at the corner that fell first. */
  leftPct: within({ min: 5, max: 90 }, '%'),
  windows: whole({ min: 0, max: 8 }),
  windowMm: mm(SIZES.openingMm),
  seed: whole({ min: 1, max: 9_999 }),
});
type Ruin = z.infer<typeof settings>;

export const ruin = pieceFamily('ruin', settings, {
  name: 'Ruin',
  says: 'A building broken along a random line, with stubs of its floors.',
  fields: [
    askNumber('basesWide', 'Width in bases', SIZES.bases, { step: 0.5 }),
    askNumber('basesDeep', 'Depth in bases', SIZES.bases, { step: 0.5 }),
    askNumber('storeys', 'Original storeys', SIZES.storeys),
    askLength('storeyMm', 'Floor to floor', SIZES.wallMm),
    askChoice('corners', 'Corners', { mitre: 'mitred', butt: 'butt, each wall covers the next' }),
    askNumber('leftPct', 'Height left at the lowest corner', { min: 5, max: 90 }, { unit: '%' }),
    askNumber('windows', 'Windows per wall and storey', { min: 0, max: 8 }),
    askLength('windowMm', 'Window', SIZES.openingMm),
    askNumber('seed', 'Break number', { min: 1, max: 9_999 }),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'floor', name: 'Floors', sold: 'sheet', usual: 'floor' },
  ],
  clads: [
    { shows: 'walls', name: 'Walls outside' },
    { shows: 'floor', name: 'Floors' },
  ],
  fresh: ({ figureMm }): Ruin => ({
    basesWide: 5,
    basesDeep: 4,
    storeys: 2,
    storeyMm: Math.round(figureMm * 1.7),
    corners: 'mitre',
    leftPct: 15,
    windows: 2,
    windowMm: Math.round(figureMm * 0.5),
    seed: 5,
  }),
  shape: (own, { baseMm }) => {
    const short = Math.min(own.basesWide, own.basesDeep) * baseMm;
    if (short < 20) return refused('basesDeep', `the room is only ${short.toFixed(0)} mm. Enter ${Math.ceil(20 / baseMm)} bases or more`);
    return ok(shapeOf(own, baseMm));
  },
});

const STEPS = 6;
function shapeOf(own: Ruin, baseMm: number): PieceShape {
  const [w, d] = [own.basesWide * baseMm, own.basesDeep * baseMm];
  const ring = rectangleRing(0, 0, w, d);
  const topMm = own.storeys * own.storeyMm;
  const random = seeded(own.seed);
  const low = (topMm * own.leftPct) / 100;
  const middle = (): number => low + (topMm - low) * (0.45 + 0.35 * random());
  // Front left, front right, back right, back left: it fell at the front right and stands whole at the back left.
  const heights = [middle(), low, middle(), topMm];
  const breaks = ring.map((from, i) => {
    const to = ring[(i + 1) % 4]!;
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    return brokenLine(random, { from: [0, heights[i]!], to: [long, heights[(i + 1) % 4]!], count: STEPS, roughMm: own.storeyMm * 0.12 });
  });
  const heightAt = (wall: number, x: number): number => {
    const line = breaks[wall]!;
    const i = Math.max(
      1,
      line.findIndex(([at]) => at >= x - 1e-9),
    );
    const [[x0, z0], [x1, z1]] = [line[i - 1]!, line[i]!];
    return x1 === x0 ? Math.min(z0, z1) : z0 + ((z1 - z0) * (x - x0)) / (x1 - x0);
  };
  const walls = walled({
    id: 'wall',
    name: (i) => ['Front wall', 'Right wall', 'Back wall', 'Left wall'][i]!,
    role: 'wall',
    ring,
    topMm: (corner) => heights[corner]!,
    corners: own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor' },
    top: () => ({ joint: 'free' }),
    profile: (i) =>
      [...breaks[i]!]
        .slice(1, -1)
        .reverse()
        .map(([x, y]): Point => ({ x, y })),
    openings: (i, longMm) => openingsOf(own, i, longMm, (x) => heightAt(i, x)),
    shows: { far: 'walls', drawn: 'inside' },
  });
  const floor = levelFace({ id: 'floor', name: 'Ground floor', role: 'floor', shows: { drawn: 'floor' } }, ring, 0, 'below', (i) => ({
    joint: 'against',
    to: wallOf('wall', i),
  }));
  const stubs = Array.from({ length: own.storeys - 1 }, (_, k) => stubOf(own, k + 1, { w, d, heightAt })).flat();
  const missingMm2 = breaks.reduce(
    (sum, line) => sum + line.slice(1).reduce((area, [x, z], i) => area + (x - line[i]![0]) * (topMm - (z + line[i]![1]) / 2), 0),
    0,
  );
  return {
    objects: [{ id: 'ruin', name: 'Ruin', count: 1, faces: [floor, ...walls, ...stubs] }],
    clear: [
      { name: 'Inside, wide', objectId: 'ruin', from: [0, d - 0.5, 1], to: [w, d - 0.5, 1] },
      { name: 'Inside, deep', objectId: 'ruin', from: [0.5, 0, 1], to: [0.5, d, 1] },
    ],
    levels: [{ name: 'Ground floor', objectId: 'ruin', atMm: 0, ring, headroomMm: null }],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Cut the whole walls, break their tops along the line, then glue them round the floor.',
        bodyIds: ['floor', ...walls.map(({ id }) => id)],
      },
      ...(stubs.length > 0
        ? [{ does: 'glue' as const, says: 'Glue the floor stubs into the corner, level.', bodyIds: stubs.map(({ id }) => id) }]
        : []),
      { does: 'fill', says: 'Add rubble where the walls fell: place it dry, adjust it, then lock it.', bodyIds: [] },
    ],
    facts: [{ label: 'Missing wall', value: missingMm2, unit: 'mm²' }],
    handles: [
      { key: 'basesWide', label: 'Width in bases', objectId: 'ruin', at: [w, d / 2, 0], along: [1, 0, 0], perUnitMm: baseMm, step: 0.5 },
      { key: 'basesDeep', label: 'Depth in bases', objectId: 'ruin', at: [w / 2, d, 0], along: [0, 1, 0], perUnitMm: baseMm, step: 0.5 },
      { key: 'storeyMm', label: 'Floor to floor', objectId: 'ruin', at: [0, d, topMm], along: [0, 0, 1], perUnitMm: own.storeys, step: 1 },
    ],
  };
}

const PIER_MM = 3;
/** Windows that the break has left whole. */
function openingsOf(own: Ruin, wall: number, longMm: number, heightAt: (x: number) => number): readonly Opening[] {
  const count = Math.min(own.windows, Math.floor(longMm / (own.windowMm + 2 * PIER_MM)));
  return Array.from({ length: own.storeys }, (_, storey) => {
    const sill = storey * own.storeyMm + own.storeyMm * 0.35;
    const high = own.storeyMm * 0.4;
    return spreadMm(count, longMm).flatMap((x, i): Opening[] => {
      const half = own.windowMm / 2 + PIER_MM;
      const least = Math.min(...Array.from({ length: 9 }, (_, k) => heightAt(x - half + (half * k) / 4)));
      return least < sill + high + PIER_MM
        ? []
        : [
            windowAt(`window-${wall + 1}-${storey + 1}-${i + 1}`, `Window ${wall + 1}.${storey + 1}.${i + 1}`, {
              middleMm: x,
              sillMm: sill,
              widthMm: own.windowMm,
              heightMm: high,
            }),
          ];
    });
  }).flat();
}

interface Room {
  readonly w: number;
  readonly d: number;
  readonly heightAt: (wall: number, x: number) => number;
}
/** What is left of a floor in the corner that stands: as far along both walls as they still carry it. */
function stubOf(own: Ruin, storey: number, { w, d, heightAt }: Room): readonly Face[] {
  const z = storey * own.storeyMm;
  const reach = (long: number, at: (x: number) => number): number => {
    let x = 0;
    while (x + 2 < long * 0.85 && at(x + 2) > z + 2) x += 2;
    return x;
  };
  // The back wall runs from the right to the left corner, the left wall from the back to the front.
  const [along, out] = [reach(w, (x) => heightAt(2, w - x)), reach(d, (x) => heightAt(3, x))];
  if (along < 10 || out < 10) return [];
  const jag = [0.35, 0.6, 0.8];
  const ring: Point[] = [
    { x: 0, y: d - out },
    { x: along * jag[0]! * 0.6, y: d - out * 0.9 },
    { x: along * jag[1]!, y: d - out * 0.55 },
    { x: along * jag[2]!, y: d - out * 0.45 },
    { x: along, y: d },
    { x: 0, y: d },
  ];
  return [
    levelFace(
      { id: `stub-${storey}`, name: `Floor ${storey + 1}, remaining part`, role: 'floor', shows: { drawn: 'floor' } },
      ring,
      z,
      'below',
      (i) =>
        i === 4 ? { joint: 'against', to: wallOf('wall', 2) } : i === 5 ? { joint: 'against', to: wallOf('wall', 3) } : { joint: 'free' },
    ),
  ];
}
