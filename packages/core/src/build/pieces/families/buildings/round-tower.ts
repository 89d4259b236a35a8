import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { ok } from '../../../../base/result';
import { mm, whole, within } from '../../../../plan/fields';
import type { Bend, Face, Opening, Vec } from '../../../shell';
import { LIFT_MM, PIER_MM, SIZES, askLength, askNumber } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';

/** Wider ones leave a bent wall too flat to tell its flats from its round. */
const BASES_ACROSS = { min: 1, max: 10 } as const;
const settings = z.strictObject({
  basesAcross: within(BASES_ACROSS, 'bases'),
  slackMm: mm(SIZES.slackMm),
  storeys: whole(SIZES.storeys),
  /** From the underside of one floor to the next. */
  storeyMm: mm(SIZES.wallMm),
  parapetMm: mm({ min: 0, max: 120 }),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  /** Slits round every storey, none over the door. */
  slits: whole({ min: 0, max: 12 }),
  slitMm: mm({ min: 1, max: 30 }),
  /** Arcs of card that the floors lie on. */
  hoopMm: mm({ min: 2, max: 30 }),
  footOutMm: mm({ min: 0, max: 40 }),
});
type RoundTower = z.infer<typeof settings>;

export const roundTower = pieceFamily('round-tower', settings, {
  name: 'Round tower',
  says: 'A card tube, bought or rolled, with removable floors on hoops.',
  fields: [
    askNumber('basesAcross', 'Diameter in bases', BASES_ACROSS, { step: 0.5 }),
    askLength('slackMm', 'Clearance around bases', SIZES.slackMm),
    askNumber('storeys', 'Storeys', SIZES.storeys),
    askLength('storeyMm', 'Floor to floor', SIZES.wallMm),
    askLength('parapetMm', 'Parapet', { min: 0, max: 120 }),
    askLength('doorWidthMm', 'Door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door, height', SIZES.openingMm),
    askNumber('slits', 'Slits per storey', { min: 0, max: 12 }),
    askLength('slitMm', 'Slit, width', { min: 1, max: 30 }),
    askLength('hoopMm', 'Hoops, height', { min: 2, max: 30 }),
    askLength('footOutMm', 'Foot overhang', { min: 0, max: 40 }),
  ],
  roles: [
    { role: 'wall', name: 'Wall', sold: 'sheet', usual: 'roof' },
    { role: 'floor', name: 'Foot and floors', sold: 'sheet', usual: 'floor' },
    { role: 'hoop', name: 'Hoops', sold: 'sheet', usual: 'card' },
  ],
  clads: [{ shows: 'walls', name: 'Wall outside' }],
  fresh: ({ figureMm, baseMm }): RoundTower => ({
    basesAcross: 3,
    slackMm: 2,
    storeys: 2,
    storeyMm: Math.round(figureMm * 1.7),
    parapetMm: Math.round(figureMm * 0.5),
    doorWidthMm: Math.round(baseMm) + 1,
    doorHeightMm: Math.round(figureMm * 1.2),
    slits: 4,
    slitMm: 2,
    hoopMm: 4,
    footOutMm: 4,
  }),
  shape: (own, { baseMm }) => refusal(own, baseMm) ?? ok(shapeOf(own, baseMm)),
});

const radiusMm = ({ basesAcross, slackMm }: RoundTower, baseMm: number): number => (basesAcross * baseMm + slackMm) / 2;

function refusal(own: RoundTower, baseMm: number): ReturnType<typeof refused> | null {
  const round = 2 * Math.PI * radiusMm(own, baseMm);
  // A door wider than this takes the curve with it.
  const widest = Math.floor(round / 4);
  if (own.doorWidthMm > widest) return refused('doorWidthMm', `at most a quarter of the wall. Enter up to ${widest} mm`);
  const highest = Math.floor(own.storeyMm - own.hoopMm - PIER_MM);
  if (own.doorHeightMm > highest)
    return refused('doorHeightMm', `reaches the hoop above it. Enter up to ${Math.max(3, highest)} mm, or raise the storey`);
  const most = Math.floor(round / (own.slitMm + PIER_MM) / 2);
  if (own.slits > most) return refused('slits', `${most} fit round the wall. Enter up to ${most}`);
  if (own.slits > 0 && own.storeyMm * 0.75 > own.storeyMm - own.hoopMm - 1)
    return refused('hoopMm', `reaches the slits. Enter up to ${Math.max(2, Math.floor(own.storeyMm / 4 - 1))} mm`);
  return null;
}

/** Corners of a floor that stands for a round one. */
const FLOOR_CORNERS = 48;
const disc = (outMm: number): readonly Point[] =>
  Array.from({ length: FLOOR_CORNERS }, (_, i) => {
    const turn = (2 * Math.PI * i) / FLOOR_CORNERS;
    return { x: outMm * Math.cos(turn), y: outMm * Math.sin(turn) };
  });
/** Behind the door, where the seam of the wall lies. */
const SEAM: Vec = [0, 1, 0];
/** How far an arc goes that carries a floor: whole flats of the wall it lies in. */
const HOOP_DEG = 105;
/** So far round from the seam. */
const turnedFrom = (deg: number): Vec => [-Math.sin((deg * Math.PI) / 180), Math.cos((deg * Math.PI) / 180), 0];

function shapeOf(own: RoundTower, baseMm: number): PieceShape {
  const radius = radiusMm(own, baseMm);
  const round = 2 * Math.PI * radius;
  const topMm = own.storeys * own.storeyMm + own.parapetMm;
  const [left, right] = [round / 2 - own.doorWidthMm / 2, round / 2 + own.doorWidthMm / 2];
  // Two arcs across from each other: a floor on edge between them comes out past those above it.
  const hoop = (i: number, side: 'left' | 'right'): Bend => ({
    ...ringAt(`hoop-${i}-${side}`, `Hoop ${i}, ${side}`, 'hoop', i * own.storeyMm - own.hoopMm, radius),
    start: turnedFrom(side === 'left' ? 90 - HOOP_DEG / 2 : 270 - HOOP_DEG / 2),
    turnDeg: HOOP_DEG,
    outline: rectangleRing(0, 0, (round * HOOP_DEG) / 360, own.hoopMm),
    grows: 'in',
  });
  const wall: Bend = wallOf(own, { radius, left, right, round, topMm });
  const free = (): { readonly joint: 'free' } => ({ joint: 'free' });
  const foot = levelFace({ id: 'foot', name: 'Foot', role: 'floor' }, disc(radius + FOOT_MM + own.footOutMm), 0, 'below', free);
  const floors = Array.from({ length: own.storeys }, (_, i): Face =>
    levelFace(
      { id: `floor-${i + 2}`, name: `Floor ${i + 2}`, role: 'floor', shows: { far: 'floor' } },
      disc(radius - LIFT_MM),
      (i + 1) * own.storeyMm,
      'above',
      free,
    ),
  );
  const hoops = floors.flatMap((_, i) => (['left', 'right'] as const).map((side) => hoop(i + 1, side)));
  return {
    objects: [{ id: 'tower', name: 'Round tower', count: 1, faces: [foot, ...floors], bends: [wall, ...hoops] }],
    clear: [{ name: 'Inside, across', objectId: 'tower', from: [-radius, 0, 0.6], to: [radius, 0, 0.6] }],
    levels: levelsOf(own, radius),
    waysIn: [
      {
        name: 'Door',
        objectId: 'tower',
        widthMm: own.doorWidthMm,
        heightMm: own.doorHeightMm,
        madeBy: { width: 'doorWidthMm', height: 'doorHeightMm' },
        at: [0, -radius, 0],
        out: [0, -1, 0],
      },
    ],
    order: orderOf(hoops, floors),
    liftsOff: floors.map(({ id, name }) => ({ name, bodyIds: [id] })),
    rests: floors.map(({ id }, i) => ({ bodyId: id, on: [`hoop-${i + 1}-left`, `hoop-${i + 1}-right`] })),
    facts: [
      { label: 'Inner circumference', value: round, unit: 'mm' },
      { label: 'Or buy a tube of', value: 2 * radius, unit: 'mm' },
    ],
    handles: handlesOf(baseMm, own, { radius }),
  };
}

const levelsOf = (own: RoundTower, radius: number): PieceShape['levels'] =>
  Array.from({ length: own.storeys + 1 }, (_, i) => ({
    name: i === 0 ? 'Ground floor' : i < own.storeys ? `Floor ${i + 1}` : 'Top',
    objectId: 'tower',
    atMm: i * own.storeyMm,
    ring: disc(radius),
    headroomMm: i < own.storeys ? own.storeyMm : null,
    raisedBy: 'storeyMm',
  }));

const wallOf = (
  own: RoundTower,
  {
    radius,
    left,
    right,
    round,
    topMm,
  }: { readonly radius: number; readonly left: number; readonly right: number; readonly round: number; readonly topMm: number },
): Bend => ({
  ...ringAt('wall', 'Wall', 'wall', 0, radius),
  outline: [
    { x: 0, y: 0 },
    { x: left, y: 0 },
    { x: left, y: own.doorHeightMm },
    { x: right, y: own.doorHeightMm },
    { x: right, y: 0 },
    { x: round, y: 0 },
    { x: round, y: topMm },
    { x: 0, y: topMm },
  ],
  openings: slitsOf(own, round),
  grows: 'out',
  shows: { far: 'walls', drawn: 'inside' },
});

const handlesOf = (baseMm: number, own: RoundTower, { radius }: { readonly radius: number }): PieceShape['handles'] => [
  {
    key: 'basesAcross',
    label: 'Diameter in bases',
    objectId: 'tower',
    at: [radius, 0, 0],
    along: [1, 0, 0],
    perUnitMm: baseMm / 2,
    step: 0.5,
  },
  { key: 'storeyMm', label: 'Floor to floor', objectId: 'tower', at: [0, -radius, own.storeyMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
];

const orderOf = (hoops: readonly Bend[], floors: readonly Face[]): PieceShape['order'] => [
  {
    does: 'dry-fit',
    says: 'Cut the door and slits while the wall lies flat, then roll it over a bottle until it keeps its bend.',
    bodyIds: [],
  },
  { does: 'glue', says: 'Close the seam over a strip inside and glue the wall to its foot.', bodyIds: ['wall', 'foot'] },
  { does: 'glue', says: 'Glue the hoops level: the floors rest on them.', bodyIds: hoops.map(({ id }) => id) },
  { does: 'paint', says: 'Paint the inside before you fit the floors.', bodyIds: [] },
  { does: 'place', says: 'Floors lift out on edge by a thread through the middle.', bodyIds: floors.map(({ id }) => id) },
];
/** The foot reaches under any wall. */
const FOOT_MM = 6;

const ringAt = (id: string, name: string, role: string, z: number, radius: number): Omit<Bend, 'outline' | 'grows'> => ({
  id,
  name,
  role,
  centre: [0, 0, z],
  axis: [0, 0, 1],
  start: SEAM,
  radiusMm: radius,
  turnDeg: 360,
});

/** Slits between the seam and the door, and up every storey; none where the door is. */
function slitsOf({ slits, slitMm, storeys, storeyMm, doorWidthMm }: RoundTower, round: number): readonly Opening[] {
  return Array.from({ length: storeys }, (_, storey) =>
    Array.from({ length: slits }, (__, k): Opening[] => {
      const x = (round * (2 * k + 1)) / (2 * slits);
      const isAtDoor = storey === 0 && Math.abs(x - round / 2) < (doorWidthMm + slitMm) / 2 + PIER_MM;
      const ring = rectangleRing(x - slitMm / 2, storeyMm * (storey + 0.4), x + slitMm / 2, storeyMm * (storey + 0.7));
      return isAtDoor ? [] : [{ id: `slit-${storey + 1}-${k + 1}`, name: `Slit ${storey + 1}.${k + 1}`, kind: 'slit', ring }];
    }),
  ).flat(2);
}
