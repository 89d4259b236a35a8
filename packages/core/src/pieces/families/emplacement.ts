import { z } from 'zod';
import type { Point } from '../../base/geometry';
import { ok } from '../../base/result';
import { mm, oneOf, whole, within, yesOrNo } from '../../fields';
import type { Bar, Face, Opening } from '../../shell';
import { LIFT_MM, PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../asks';
import { CORNER_TEXTS, levelFace, wallOf, walled } from '../enclosure';
import { type ClearSpan, type PieceShape, pieceFamily, rectangleRing, refused } from '../family';
import { doorAt } from '../openings';

const settings = z.strictObject({
  /** Bases side by side behind the front. */
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  slackMm: mm(SIZES.slackMm),
  /** How far the outer fronts are turned back, and what part of the width they take together. */
  splayDeg: within({ min: 10, max: 80 }, '°'),
  frontPct: within({ min: 10, max: 90 }, '%'),
  wallMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt', 'v-fold', 'score-fold']),
  embrasures: yesOrNo(),
  embrasureMm: mm(SIZES.openingMm),
  embrasureHeightMm: mm({ min: 1, max: 60 }),
  embrasureSillMm: mm(SIZES.openingMm),
  embrasureSplayDeg: within({ min: 0, max: 45 }, '°'),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  roof: oneOf(['none', 'on-walls', 'on-ledge']),
  overhangMm: mm(SIZES.overhangMm),
  columns: whole({ min: 0, max: 6 }),
});
type Emplacement = z.infer<typeof settings>;
const hasEmbrasures = ({ embrasures }: Emplacement): boolean => embrasures;

export const emplacement = pieceFamily('emplacement', settings, {
  name: 'Emplacement',
  says: 'A faceted post with splayed fronts and embrasures, a door behind, and a roof that lifts off.',
  fields: [
    askNumber('basesWide', 'Bases wide', SIZES.bases, '', 0.5),
    askNumber('basesDeep', 'Bases deep', SIZES.bases, '', 0.5),
    askLength('slackMm', 'Slack beside the bases', SIZES.slackMm),
    askNumber('splayDeg', 'Outer fronts turned back', { min: 10, max: 80 }, '°'),
    askNumber('frontPct', 'Middle front, of the width', { min: 10, max: 90 }, '%'),
    askLength('wallMm', 'Wall', SIZES.wallMm),
    askChoice('corners', 'Corners', CORNER_TEXTS),
    askTick('embrasures', 'Embrasures in the fronts'),
    askLength('embrasureMm', 'Embrasure, width', SIZES.openingMm, when<Emplacement>(hasEmbrasures)),
    askLength('embrasureHeightMm', 'Embrasure, height', { min: 1, max: 60 }, when<Emplacement>(hasEmbrasures)),
    askLength('embrasureSillMm', 'Embrasure, sill', SIZES.openingMm, when<Emplacement>(hasEmbrasures)),
    askNumber('embrasureSplayDeg', 'Embrasure, splay', { min: 0, max: 45 }, '°', 1, when<Emplacement>(hasEmbrasures)),
    askLength('doorWidthMm', 'Door behind, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door behind, height', SIZES.openingMm),
    askChoice('roof', 'Roof', { none: 'open', 'on-walls': 'on the walls', 'on-ledge': 'on a ledge between them' }),
    askLength(
      'overhangMm',
      'Overhang',
      SIZES.overhangMm,
      when<Emplacement>(({ roof }) => roof === 'on-walls'),
    ),
    askNumber('columns', 'Columns under the roof', { min: 0, max: 6 }),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'floor', name: 'Floor', sold: 'sheet', usual: 'floor' },
    { role: 'roof', name: 'Roof', sold: 'sheet', usual: 'roof' },
    { role: 'ledge', name: 'Ledges', sold: 'length', usual: 'strip' },
    { role: 'column', name: 'Columns', sold: 'length', usual: 'post' },
  ],
  clads: [
    { shows: 'walls', name: 'Walls outside' },
    { shows: 'roof', name: 'Roof' },
  ],
  fresh: ({ figureMm, baseMm }): Emplacement => ({
    basesWide: 4,
    basesDeep: 3,
    slackMm: 2,
    splayDeg: 40,
    frontPct: 50,
    wallMm: Math.round(figureMm * 1.4),
    corners: 'mitre',
    embrasures: true,
    embrasureMm: Math.round(figureMm * 0.5),
    embrasureHeightMm: Math.round(figureMm * 0.2),
    embrasureSillMm: Math.round(figureMm * 0.6),
    embrasureSplayDeg: 30,
    doorWidthMm: Math.round(baseMm * 1.1),
    doorHeightMm: Math.round(figureMm * 1.1),
    roof: 'on-ledge',
    overhangMm: 3,
    columns: 0,
  }),
  shape: (own, { baseMm }) => refusal(own, baseMm) ?? ok(shapeOf(own, baseMm)),
});

/** Front left, front, front right, right side, back, left side: counter-clockwise from above. */
function planOf(own: Emplacement, baseMm: number): readonly Point[] {
  const [wide, deep] = [own.basesWide * baseMm + own.slackMm, own.basesDeep * baseMm + own.slackMm];
  const front = (wide * own.frontPct) / 100;
  const back = backMm(own, baseMm);
  const x = wide / 2;
  return [
    { x: -x, y: back },
    { x: -front / 2, y: 0 },
    { x: front / 2, y: 0 },
    { x, y: back },
    { x, y: deep },
    { x: -x, y: deep },
  ];
}
/** How far behind the middle front the outer fronts end. */
const backMm = (own: Emplacement, baseMm: number): number =>
  (((own.basesWide * baseMm + own.slackMm) * (1 - own.frontPct / 100)) / 2) * Math.tan((own.splayDeg * Math.PI) / 180);

function refusal(own: Emplacement, baseMm: number): ReturnType<typeof refused> | null {
  const [wide, deep] = [own.basesWide * baseMm + own.slackMm, own.basesDeep * baseMm + own.slackMm];
  if (backMm(own, baseMm) > deep - 10) {
    const most = (Math.atan((deep - 10) / ((wide * (1 - own.frontPct / 100)) / 2)) * 180) / Math.PI;
    return refused('splayDeg', `the fronts would run out behind the post; up to ${Math.floor(most)}° would do`);
  }
  if (own.doorWidthMm > wide - 2 * PIER_MM)
    return refused('doorWidthMm', `wider than the back wall; up to ${Math.floor(wide - 2 * PIER_MM)} mm would do`);
  if (own.doorHeightMm > own.wallMm - PIER_MM)
    return refused('doorHeightMm', `taller than its wall of ${own.wallMm} mm; up to ${Math.floor(own.wallMm - PIER_MM)} mm would do`);
  if (own.embrasures) {
    if (own.embrasureSillMm + own.embrasureHeightMm > own.wallMm - 3 * PIER_MM)
      return refused(
        'embrasureSillMm',
        `the embrasure rises over the wall; up to ${Math.max(3, Math.floor(own.wallMm - 3 * PIER_MM - own.embrasureHeightMm))} mm would do`,
      );
    const least = Math.min(...[0, 1, 2].map((i) => lengthOf(planOf(own, baseMm), i)));
    if (own.embrasureMm > least - 3 * PIER_MM)
      return refused(
        'embrasureMm',
        `the shortest front is ${least.toFixed(1)} mm; up to ${Math.max(3, Math.floor(least - 3 * PIER_MM))} mm would do`,
      );
  }
  if (own.columns > 0 && own.roof === 'none') return refused('columns', 'columns carry a roof; none, or a roof, would do');
  return null;
}
const lengthOf = (ring: readonly Point[], i: number): number =>
  Math.hypot(ring[(i + 1) % ring.length]!.x - ring[i]!.x, ring[(i + 1) % ring.length]!.y - ring[i]!.y);
const NAMES = ['Left front', 'Middle front', 'Right front', 'Right side', 'Back', 'Left side'];

function shapeOf(own: Emplacement, baseMm: number): PieceShape {
  const ring = planOf(own, baseMm);
  const [wide, deep] = [own.basesWide * baseMm + own.slackMm, own.basesDeep * baseMm + own.slackMm];
  const onLedge = own.roof === 'on-ledge';
  const roofs: Face[] =
    own.roof === 'none'
      ? []
      : [
          levelFace({ id: 'roof', name: 'Roof', role: 'roof', shows: { far: 'roof' } }, ring, own.wallMm, 'above', (i) =>
            onLedge
              ? { joint: 'against', to: wallOf('wall', i), gapMm: LIFT_MM }
              : { joint: 'over', to: wallOf('wall', i), beyondMm: own.overhangMm },
          ),
        ];
  const walls = walled({
    id: 'wall',
    name: (i) => NAMES[i]!,
    role: 'wall',
    ring,
    topMm: () => own.wallMm,
    corners: own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor' },
    top: () => (own.roof === 'none' ? { joint: 'free' } : onLedge ? { joint: 'past', to: 'roof' } : { joint: 'against', to: 'roof' }),
    openings: (i, longMm) => openingsOf(own, i, longMm),
    shows: { far: 'walls', drawn: 'inside' },
  });
  const floor = levelFace({ id: 'floor', name: 'Floor', role: 'floor', shows: { drawn: 'floor' } }, ring, 0, 'below', (i) => ({
    joint: 'against',
    to: wallOf('wall', i),
  }));
  const ledges = onLedge ? [3, 5].map((wall) => ledgeOf(own, ring, wall)) : [];
  const columns = Array.from({ length: own.columns }, (_, i): Bar => {
    const x = -wide / 2 + (wide * (i + 1)) / (own.columns + 1);
    const y = (backMm(own, baseMm) + deep) / 2;
    return {
      id: `column-${i + 1}`,
      name: `Column ${i + 1}`,
      role: 'column',
      from: [x, y, 0],
      to: [x, y, own.wallMm],
      across: [1, 0, 0],
      ends: [
        { joint: 'against', to: 'floor' },
        { joint: 'against', to: 'roof' },
      ],
    };
  });
  return {
    objects: [{ id: 'post', name: 'Emplacement', count: 1, faces: [floor, ...walls, ...roofs], bars: [...ledges, ...columns] }],
    clear: clearOf(own, wide, deep),
    levels: [{ name: 'Floor', objectId: 'post', atMm: 0, ring, headroomMm: own.roof === 'none' ? null : own.wallMm, raisedBy: 'wallMm' }],
    waysIn: [
      {
        name: 'Door',
        objectId: 'post',
        widthMm: own.doorWidthMm,
        heightMm: own.doorHeightMm,
        madeBy: { width: 'doorWidthMm', height: 'doorHeightMm' },
        at: [0, deep, 0],
        out: [0, 1, 0],
      },
    ],
    order: [
      { does: 'dry-fit', says: 'Embrasures and the door are cut after the bevels.', bodyIds: [] },
      { does: 'glue', says: 'Back wall on the floor first.', bodyIds: ['floor', wallOf('wall', 4)] },
      { does: 'glue', says: 'The two sides, square to it.', bodyIds: [wallOf('wall', 3), wallOf('wall', 5)] },
      { does: 'glue', says: 'The middle front.', bodyIds: [wallOf('wall', 1)] },
      {
        does: 'glue',
        says: 'The splayed fronts last, into what is left; fill the folds that open.',
        bodyIds: [wallOf('wall', 0), wallOf('wall', 2)],
      },
      ...(columns.length > 0
        ? [{ does: 'glue' as const, says: 'Columns, on a line along the middle.', bodyIds: columns.map(({ id }) => id) }]
        : []),
      ...(ledges.length > 0
        ? [{ does: 'glue' as const, says: 'Ledges one roof thickness under the top.', bodyIds: ledges.map(({ id }) => id) }]
        : []),
      ...(roofs.length > 0 ? [{ does: 'place' as const, says: 'The roof stays loose.', bodyIds: ['roof'] }] : []),
    ],
    liftsOff: roofs.length > 0 ? [{ name: 'Roof', bodyIds: ['roof'] }] : [],
    rests: roofs.length > 0 ? [{ bodyId: 'roof', on: onLedge ? ledges.map(({ id }) => id) : [wallOf('wall', 3), wallOf('wall', 5)] }] : [],
    handles: [
      {
        key: 'basesWide',
        label: 'Bases wide',
        objectId: 'post',
        at: [wide / 2, deep / 2, 0],
        along: [1, 0, 0],
        perUnitMm: baseMm / 2,
        step: 0.5,
      },
      { key: 'basesDeep', label: 'Bases deep', objectId: 'post', at: [0, deep, 0], along: [0, 1, 0], perUnitMm: baseMm, step: 0.5 },
      { key: 'wallMm', label: 'Wall', objectId: 'post', at: [wide / 2, deep, own.wallMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
    ],
  };
}
function clearOf(own: Emplacement, wide: number, deep: number): readonly ClearSpan[] {
  // Between the two sides, under every ledge and behind the fronts.
  const across: ClearSpan = { name: 'Inside, wide', objectId: 'post', from: [-wide / 2, deep - 0.5, 0.6], to: [wide / 2, deep - 0.5, 0.6] };
  // Within the middle front, beside the door; columns stand about the middle.
  const x = (wide * own.frontPct) / 200 - 0.5;
  if (own.columns > 0 || own.doorWidthMm / 2 > x - 1) return [across];
  return [across, { name: 'Inside, deep', objectId: 'post', from: [x, 0, 0.6], to: [x, deep, 0.6] }];
}

function openingsOf(own: Emplacement, wall: number, longMm: number): readonly Opening[] {
  if (wall === 4) return [doorAt('door', 'Door', longMm / 2, own.doorWidthMm, own.doorHeightMm)];
  if (!own.embrasures || wall > 2) return [];
  const [half, sill] = [own.embrasureMm / 2, own.embrasureSillMm];
  return [
    {
      id: `embrasure-${wall + 1}`,
      name: `Embrasure, ${NAMES[wall]!.toLowerCase()}`,
      kind: 'slit',
      ring: rectangleRing(longMm / 2 - half, sill, longMm / 2 + half, sill + own.embrasureHeightMm),
      splayDeg: own.embrasureSplayDeg,
      isLined: true,
    },
  ];
}

/** A strip along one wall for the roof to lie on. */
function ledgeOf(own: Emplacement, ring: readonly Point[], wall: number): Bar {
  const n = ring.length;
  const [a, b] = [ring[wall]!, ring[(wall + 1) % n]!];
  return {
    id: `ledge-${wall + 1}`,
    name: `Ledge, ${NAMES[wall]!.toLowerCase()}`,
    role: 'ledge',
    from: [a.x, a.y, own.wallMm],
    to: [b.x, b.y, own.wallMm],
    across: [-(b.y - a.y), b.x - a.x, 0],
    runs: [-1, 1],
    ends: [
      { joint: 'against', to: wallOf('wall', (wall + n - 1) % n) },
      { joint: 'against', to: wallOf('wall', (wall + 1) % n) },
    ],
  };
}
