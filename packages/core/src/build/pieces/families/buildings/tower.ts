import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole, within, yesOrNo } from '../../../../plan/fields';
import type { Bar, EdgeJoint, Face, Opening, Row, Vec } from '../../../shell';
import { LIFT_MM, PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../../asks';
import { CORNER_TEXTS, inFaceOf, levelFace, regularRing, wallOf, walled } from '../../measures/enclosure';
import { type ClearSpan, type PieceShape, type StandingLevel, pieceFamily, rectangleRing, refused } from '../../family';
import { gapDeg } from '../../measures/tolerance';
import { doorAt, windowAt } from '../../openings';

const settings = z.strictObject({
  sides: whole(SIZES.sides),
  /** Room across the flats for so many bases. */
  basesAcross: within(SIZES.bases, 'bases'),
  slackMm: mm(SIZES.slackMm),
  storeys: whole(SIZES.storeys),
  /** From floor to floor. */
  storeyMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt', 'v-fold', 'score-fold']),
  top: oneOf(['open', 'pitched']),
  pitchDeg: within(SIZES.pitchDeg, '°'),
  overhangMm: mm(SIZES.overhangMm),
  parapetMm: mm({ min: 0, max: 120 }),
  /** Gaps between merlons on each side; 0 for a plain parapet. */
  crenels: whole({ min: 0, max: 12 }),
  crenelMm: mm(SIZES.openingMm),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  /** A slit in every side of every storey but the door's. */
  slits: yesOrNo(),
  slitMm: mm({ min: 1, max: 30 }),
  ladders: yesOrNo(),
});
type Tower = z.infer<typeof settings>;

const isOpen = ({ top }: Tower): boolean => top === 'open';

export const tower = pieceFamily('tower', settings, {
  name: 'Tower',
  says: '3 to 16 sides, removable floors, and a parapet or pitched cap. With many sides it becomes a round tower of staves.',
  fields: [
    askNumber('sides', 'Sides', SIZES.sides),
    askNumber('basesAcross', 'Diameter in bases', SIZES.bases, { step: 0.5 }),
    askLength('slackMm', 'Clearance around bases', SIZES.slackMm),
    askNumber('storeys', 'Storeys', SIZES.storeys),
    askLength('storeyMm', 'Floor to floor', SIZES.wallMm),
    askChoice('corners', 'Corners', CORNER_TEXTS),
    askChoice('top', 'Top', { open: 'open, with a parapet', pitched: 'removable pitched cap' }),
    askLength('parapetMm', 'Parapet', { min: 0, max: 120 }, when<Tower>(isOpen)),
    askNumber('crenels', 'Parapet gaps per side', { min: 0, max: 12 }, { ...when<Tower>(isOpen) }),
    askLength(
      'crenelMm',
      'Gap, depth',
      SIZES.openingMm,
      when<Tower>((one) => isOpen(one) && one.crenels > 0),
    ),
    askNumber('pitchDeg', 'Pitch', SIZES.pitchDeg, { unit: '°', ...when<Tower>((one) => !isOpen(one)) }),
    askLength(
      'overhangMm',
      'Overhang',
      SIZES.overhangMm,
      when<Tower>((one) => !isOpen(one)),
    ),
    askLength('doorWidthMm', 'Door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door, height', SIZES.openingMm),
    askTick('slits', 'Slits on every side'),
    askLength(
      'slitMm',
      'Slit, width',
      { min: 1, max: 30 },
      when<Tower>(({ slits }) => slits),
    ),
    askTick('ladders', 'Ladders from floor to floor'),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'floor', name: 'Floors', sold: 'sheet', usual: 'floor' },
    { role: 'roof', name: 'Cap', sold: 'sheet', usual: 'roof' },
    { role: 'ledge', name: 'Ledges', sold: 'length', usual: 'strip' },
    { role: 'ladder', name: 'Ladders', sold: 'length', usual: 'stick' },
  ],
  clads: [
    { shows: 'walls', name: 'Walls outside' },
    { shows: 'roof', name: 'Cap' },
    { shows: 'floor', name: 'Floors' },
  ],
  fresh: ({ figureMm, baseMm }): Tower => ({
    sides: 6,
    basesAcross: 3,
    slackMm: 2,
    storeys: 2,
    storeyMm: Math.round(figureMm * 1.7),
    corners: 'mitre',
    top: 'open',
    pitchDeg: 50,
    overhangMm: 4,
    parapetMm: Math.round(figureMm * 0.6),
    crenels: 1,
    crenelMm: Math.round(figureMm * 0.3),
    doorWidthMm: Math.round(baseMm) + 1,
    doorHeightMm: Math.round(figureMm * 1.2),
    slits: true,
    slitMm: 3,
    ladders: true,
  }),
  shape: (own, { baseMm }) => refusal(own, baseMm) ?? ok(shapeOf(own, baseMm)),
});

const acrossMm = ({ basesAcross, slackMm }: Tower, baseMm: number): number => (basesAcross * baseMm + slackMm) / 2;
/** Length of a side on the inside. @source 2 R tan(180° / n) */
const sideMm = (own: Tower, baseMm: number): number => 2 * acrossMm(own, baseMm) * Math.tan(Math.PI / own.sides);

function refusal(own: Tower, baseMm: number): ReturnType<typeof refused> | null {
  const side = sideMm(own, baseMm);
  if (own.doorWidthMm > side - 2 * PIER_MM)
    return refused(
      'doorWidthMm',
      `a side is only ${side.toFixed(1)} mm inside. Enter up to ${Math.floor(side - 2 * PIER_MM)} mm, or use fewer sides`,
    );
  if (own.doorHeightMm > own.storeyMm - PIER_MM)
    return refused(
      'doorHeightMm',
      `${own.doorHeightMm} mm is taller than its storey. Enter up to ${Math.floor(own.storeyMm - PIER_MM)} mm`,
    );
  if (own.slits && own.slitMm > side - 2 * PIER_MM)
    return refused('slitMm', `a side is only ${side.toFixed(1)} mm inside. Enter up to ${Math.floor(side - 2 * PIER_MM)} mm`);
  if (own.top === 'open' && own.crenels > 0) {
    if (own.crenelMm > own.parapetMm - 1)
      return refused('crenelMm', `deeper than the parapet. Enter up to ${Math.floor(own.parapetMm - 1)} mm`);
    const most = Math.floor(side / 6);
    if (own.crenels > most) return refused('crenels', `a side of ${side.toFixed(1)} mm has room for ${most}. Enter up to ${most}`);
  }
  if (own.ladders && ladderRoomMm(own, baseMm) < LADDER_MM)
    return refused('basesAcross', `a ladder needs ${LADDER_MM * 3} mm across. Enter ${Math.ceil((LADDER_MM * 3) / baseMm)} bases across`);
  return null;
}
const LADDER_MM = 8;
const ladderRoomMm = (own: Tower, baseMm: number): number => (acrossMm(own, baseMm) * 2) / 3;

function shapeOf(own: Tower, baseMm: number): PieceShape {
  const ring = regularRing(own.sides, acrossMm(own, baseMm));
  const side = sideMm(own, baseMm);
  const topMm = own.storeys * own.storeyMm;
  const isPitched = own.top === 'pitched';
  const caps = isPitched ? capOf(own, ring, topMm) : [];
  const walls = wallsOf(own, { ring, isPitched, topMm, side });
  const levels = own.storeys + (isPitched ? 0 : 1);
  const hatch = rectangleRing(-LADDER_MM / 2, -LADDER_MM - 1, LADDER_MM / 2, -1);
  const floors = floorsOf(own, { levels, ring, hatch });
  const ledges = Array.from({ length: levels - 1 }, (_, i) => ledgesOf(ring, i + 1)).flat();
  const ladders = own.ladders ? Array.from({ length: levels - 1 }, (_, i) => ladderOf(own, i)).flat() : [];
  return {
    objects: [{ id: 'tower', name: 'Tower', count: 1, faces: [...floors, ...caps, ...walls], bars: [...ledges, ...ladders] }],
    clear: clearOf(own, baseMm),
    levels: floors.map((_, i): StandingLevel => ({
      name: i === 0 ? 'Ground floor' : i < own.storeys ? `Floor ${i + 1}` : 'Top',
      objectId: 'tower',
      atMm: i * own.storeyMm,
      ring,
      headroomMm: i < own.storeys ? own.storeyMm : null,
      raisedBy: 'storeyMm',
    })),
    waysIn: [
      {
        name: 'Door',
        objectId: 'tower',
        widthMm: own.doorWidthMm,
        heightMm: own.doorHeightMm,
        madeBy: { width: 'doorWidthMm', height: 'doorHeightMm' },
        at: [0, -acrossMm(own, baseMm), 0],
        out: [0, -1, 0],
      },
    ],
    order: orderOf({ walls, ledges, floors, ladders, isPitched, caps }),
    liftsOff: [
      ...(isPitched ? [{ name: 'Cap', bodyIds: caps.map(({ id }) => id) }] : []),
      ...floors
        .slice(1)
        .map(({ id, name }, i) => ({ name, bodyIds: [id, ...(own.ladders && i + 2 < levels ? ladderIds(own, i + 1) : [])] })),
    ],
    rests: floors.slice(1).map(({ id }, i) => ({ bodyId: id, on: ledgesOf(ring, i + 1).map((ledge) => ledge.id) })),
    facts: [
      { label: 'Bevel of every wall', value: own.corners === 'butt' ? 0 : 180 / own.sides, unit: '°' },
      { label: 'Side, inside', value: side, unit: 'mm' },
      { label: 'Gap if every mitre is half a degree off', value: gapDeg(own.sides, 0.5), unit: '°' },
    ],
    handles: handlesOf(own, baseMm),
  };
}

const floorsOf = (
  own: Tower,
  { levels, ring, hatch }: { readonly levels: number; readonly ring: readonly Point[]; readonly hatch: readonly Point[] },
): readonly Face[] =>
  Array.from({ length: levels }, (_, i): Face => {
    const hasHatch = own.ladders && i > 0;
    return levelFace(
      {
        id: `floor-${i + 1}`,
        name: i === 0 ? 'Ground floor' : `Floor ${i + 1}`,
        role: 'floor',
        shows: { drawn: 'floor' },
        ...(hasHatch
          ? { openings: [{ id: `hatch-${i + 1}`, name: `Hatch ${i + 1}`, kind: 'hole' as const, ring: inFaceOf(ring, hatch) }] }
          : {}),
      },
      ring,
      i * own.storeyMm,
      'below',
      (wall) => ({ joint: 'against', to: wallOf('wall', wall), ...(i === 0 ? {} : { gapMm: LIFT_MM }) }),
    );
  });

const wallsOf = (
  own: Tower,
  {
    ring,
    isPitched,
    topMm,
    side,
  }: { readonly ring: readonly Point[]; readonly isPitched: boolean; readonly topMm: number; readonly side: number },
): readonly Face[] =>
  walled({
    id: 'wall',
    name: (i) => `Wall ${i + 1}`,
    role: 'wall',
    ring,
    topMm: () => (isPitched ? topMm : topMm + own.parapetMm),
    // Under a cap a covering end would stand into the next slope.
    corners: isPitched && own.corners === 'butt' ? 'mitre' : own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor-1' },
    top: (i) => (isPitched ? { joint: 'against', to: `cap-${i + 1}` } : { joint: 'free' }),
    openings: (i) => openingsOf(own, i, side),
    ...(own.top === 'open' && own.crenels > 0
      ? { profile: (_: number, longMm: number) => crenelsOf(own, longMm, topMm + own.parapetMm) }
      : {}),
    shows: { far: 'walls', drawn: 'inside' },
  });

const handlesOf = (own: Tower, baseMm: number): PieceShape['handles'] => [
  {
    key: 'basesAcross',
    label: 'Diameter in bases',
    objectId: 'tower',
    at: [acrossMm(own, baseMm), 0, 0],
    along: [1, 0, 0],
    perUnitMm: baseMm / 2,
    step: 0.5,
  },
  {
    key: 'storeyMm',
    label: 'Floor to floor',
    objectId: 'tower',
    at: [0, -acrossMm(own, baseMm), own.storeyMm],
    along: [0, 0, 1],
    perUnitMm: 1,
    step: 1,
  },
];

const orderOf = ({
  walls,
  ledges,
  floors,
  ladders,
  isPitched,
  caps,
}: {
  readonly walls: readonly Face[];
  readonly ledges: readonly Bar[];
  readonly floors: readonly Face[];
  readonly ladders: (Bar | Row)[];
  readonly isPitched: boolean;
  readonly caps: readonly Face[];
}): PieceShape['order'] => [
  {
    does: 'dry-fit',
    says: 'Cut all walls first, then all mitres at one blade setting. Tape them flat in a row and roll them up without glue.',
    bodyIds: [],
  },
  { does: 'glue', says: 'Use the ground floor to position the walls.', bodyIds: ['floor-1', ...walls.map(({ id }) => id)] },
  { does: 'paint', says: 'Paint the inside before you glue the ledges.', bodyIds: [] },
  { does: 'glue', says: 'Glue the ledges level: the floors rest on them.', bodyIds: ledges.map((one) => one.id) },
  { does: 'place', says: 'Leave the floors loose; ladders stand on them.', bodyIds: [...floors.slice(1), ...ladders].map(({ id }) => id) },
  ...(isPitched ? [{ does: 'place' as const, says: 'Glue the cap only to itself.', bodyIds: caps.map(({ id }) => id) }] : []),
];

function openingsOf(own: Tower, wall: number, longMm: number): readonly Opening[] {
  const slit = (storey: number): Opening => ({
    ...windowAt(`slit-${wall + 1}-${storey + 1}`, `Slit ${wall + 1}, storey ${storey + 1}`, {
      middleMm: longMm / 2,
      sillMm: storey * own.storeyMm + own.storeyMm * 0.4,
      widthMm: own.slitMm,
      heightMm: own.storeyMm * 0.3,
    }),
    kind: 'slit',
  });
  const door = doorAt('door', 'Door', longMm / 2, own.doorWidthMm, own.doorHeightMm);
  const slits = own.slits ? Array.from({ length: own.storeys }, (_, i) => i).flatMap((i) => (wall === 0 && i === 0 ? [] : [slit(i)])) : [];
  return wall === 0 ? [door, ...slits] : slits;
}

/** Gaps and merlons of equal width along the top, right to left. */
function crenelsOf({ crenels, crenelMm }: Tower, longMm: number, topMm: number): readonly { readonly x: number; readonly y: number }[] {
  const each = longMm / (2 * crenels + 1);
  return Array.from({ length: crenels }, (_, i) => longMm - each * (2 * i + 1)).flatMap((x) => [
    { x, y: topMm },
    { x, y: topMm - crenelMm },
    { x: x - each, y: topMm - crenelMm },
    { x: x - each, y: topMm },
  ]);
}

/** Slopes of a cap from the walls to a point over the middle. */
function capOf(own: Tower, ring: readonly { readonly x: number; readonly y: number }[], topMm: number): readonly Face[] {
  const n = ring.length;
  const across = Math.hypot(...middleOfSide(ring));
  const peak: Vec = [0, 0, topMm + across * Math.tan((own.pitchDeg * Math.PI) / 180)];
  return ring.map((from, i): Face => {
    const to = ring[(i + 1) % n]!;
    return {
      id: `cap-${i + 1}`,
      name: `Cap, slope ${i + 1}`,
      role: 'roof',
      corners: [[from.x, from.y, topMm], [to.x, to.y, topMm], peak],
      edges: [
        { joint: 'over', to: wallOf('wall', i), beyondMm: own.overhangMm, square: true },
        { joint: 'mitre', to: `cap-${((i + 1) % n) + 1}` },
        { joint: 'mitre', to: `cap-${((i + n - 1) % n) + 1}` },
      ],
      grows: 'out',
      shows: { far: 'roof' },
    };
  });
}
const middleOfSide = ([a, b]: readonly { readonly x: number; readonly y: number }[]): readonly [number, number] => [
  (a!.x + b!.x) / 2,
  (a!.y + b!.y) / 2,
];

/**
 * Walls with a strip under a floor: in pairs across from each other, no two of them side by side, and between them walls without, so that a floor
 * tilted along these comes out past the strips above it.
 */
function ledgedWalls(n: number): readonly number[] {
  if (n === 3) return [0];
  if (n % 2 === 1) return [0, (n - 1) / 2];
  return Array.from({ length: Math.floor(n / 4) }, (_, k) => [2 * k, 2 * k + n / 2]).flat();
}
/** Strips under a floor. */
function ledgesOf(ring: readonly { readonly x: number; readonly y: number }[], storey: number): readonly Bar[] {
  const n = ring.length;
  return ledgedWalls(n).map((i, k): Bar => {
    const [a, b] = [ring[i]!, ring[(i + 1) % n]!];
    return {
      id: `ledge-${storey}-${k + 1}`,
      name: `Ledge ${storey}.${k + 1}`,
      role: 'ledge',
      from: [a.x, a.y, 0],
      to: [b.x, b.y, 0],
      across: [-(b.y - a.y), b.x - a.x, 0],
      runs: [-1, 1],
      ends: [
        { joint: 'against', to: wallOf('wall', (i + n - 1) % n) },
        { joint: 'against', to: wallOf('wall', (i + 1) % n) },
      ],
      touches: [{ bodies: [`floor-${storey + 1}`], along: [0, 0, 1] }],
    };
  });
}

/** Bodies of the ladder that stands on a floor: they come out with it. */
const ladderIds = (own: Tower, storey: number): readonly string[] =>
  ladderOf(own, storey).flatMap((one) =>
    'bar' in one ? Array.from({ length: typeof one.count === 'number' ? one.count : 0 }, (_, i) => `${one.id}-${i + 1}`) : [one.id],
  );

/** A ladder that stands on one floor and ends under the next, at the edge of its hatch. */
function ladderOf(own: Tower, storey: number): readonly (Bar | Row)[] {
  const [low, high] = [storey * own.storeyMm, (storey + 1) * own.storeyMm];
  const half = LADDER_MM / 2 - 1;
  const against = (to: string): EdgeJoint => ({ joint: 'against', to });
  const stile = (id: string, name: string, x: number): Bar => ({
    id: `stile-${storey + 1}-${id}`,
    name: `Ladder ${storey + 1}, ${name}`,
    role: 'ladder',
    from: [x, BEHIND_MM, low],
    to: [x, BEHIND_MM, high],
    across: [0, 1, 0],
    ends: [against(`floor-${storey + 1}`), against(`floor-${storey + 2}`)],
  });
  const [left, right] = [stile('left', 'left stile', -half), stile('right', 'right stile', half)];
  return [
    left,
    right,
    {
      id: `rung-${storey + 1}`,
      name: `Ladder ${storey + 1}, rung`,
      count: Math.max(2, Math.floor(own.storeyMm / RUNG_MM)),
      between: { bodies: [`floor-${storey + 1}`, `floor-${storey + 2}`], along: [0, 0, 1] },
      bar: {
        role: 'ladder',
        from: [-half, BEHIND_MM, low],
        to: [half, BEHIND_MM, low],
        across: [0, 0, 1],
        ends: [against(left.id), against(right.id)],
      },
    },
  ];
}
const RUNG_MM = 6;
/** Behind the hatch, so that its stiles end under the floor. */
const BEHIND_MM = 2;

function clearOf(own: Tower, baseMm: number): readonly ClearSpan[] {
  const across = acrossMm(own, baseMm);
  const at = 0.6;
  // Opposite sides only face one another where their number is even; a ladder stands in the middle.
  if (own.sides % 2 === 1 || own.ladders) return [];
  return [{ name: 'Inside, across the flats', objectId: 'tower', ...sideToSide(own.sides, across, at) }];
}
/** From the second side straight across: the first has the door. */
function sideToSide(sides: number, across: number, z: number): { readonly from: Vec; readonly to: Vec } {
  const turn = -Math.PI / 2 + (2 * Math.PI) / sides;
  const [x, y] = [across * Math.cos(turn), across * Math.sin(turn)];
  return { from: [-x, -y, z], to: [x, y, z] };
}
