import { type Point, boxAround, intersection } from '../../../../base/geometry';
import { type Result, ok } from '../../../../base/result';
import type { Bar, Face } from '../../../shell';
import { LIFT_MM, PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../../asks';
import { askOutline } from '../../measures/corners';
import { CORNER_TEXTS, levelFace, wallOf, walled } from '../../measures/enclosure';
import { type ClearSpan, type FieldProblem, type PieceShape, type StandingLevel, pieceFamily, rectangleRing, refused } from '../../family';
import { type EmplacementPlan, drawnPlan, outOver, sideMm, splayedPlan } from './emplacement-plan';
import { type Emplacement, settings, blindWalls, type Platform } from './emplacement-settings';
import { columnsAt, ledgeOf, columnsOf, stepOf, buttressesOf, openingsOf } from './emplacement-parts';

const isSplayed = ({ plan }: Emplacement): boolean => plan === 'splayed';
const hasEmbrasures = ({ embrasures }: Emplacement): boolean => embrasures;

export const emplacement = pieceFamily('emplacement', settings, {
  name: 'Emplacement',
  says: 'A post with splayed fronts or any plan: embrasures, rear door, platform, buttresses and a removable roof.',
  fields: [
    askChoice('plan', 'Plan', { splayed: 'three fronts, the outer ones angled back', drawn: 'drawn' }),
    askOutline({ key: 'trace', label: 'Corners inside, mm', ...when<Emplacement>(({ plan }) => plan === 'drawn') }),
    askNumber('basesWide', 'Width in bases', SIZES.bases, { step: 0.5, ...when<Emplacement>(isSplayed) }),
    askNumber('basesDeep', 'Depth in bases', SIZES.bases, { step: 0.5, ...when<Emplacement>(isSplayed) }),
    askLength('slackMm', 'Clearance around bases', SIZES.slackMm, when<Emplacement>(isSplayed)),
    askNumber('splayDeg', 'Angle of the outer fronts', { min: 10, max: 80 }, { unit: '°', ...when<Emplacement>(isSplayed) }),
    askNumber('frontPct', 'Middle front, share of the width', { min: 10, max: 90 }, { unit: '%', ...when<Emplacement>(isSplayed) }),
    askLength('wallMm', 'Wall', SIZES.wallMm),
    askChoice('corners', 'Corners', CORNER_TEXTS),
    askTick('embrasures', 'Embrasures in the fronts'),
    askLength('embrasureMm', 'Embrasure, width', SIZES.openingMm, when<Emplacement>(hasEmbrasures)),
    askLength('embrasureHeightMm', 'Embrasure, height', { min: 1, max: 60 }, when<Emplacement>(hasEmbrasures)),
    askLength('embrasureSillMm', 'Embrasure, sill', SIZES.openingMm, when<Emplacement>(hasEmbrasures)),
    askNumber('embrasureSplayDeg', 'Embrasure, splay', { min: 0, max: 45 }, { unit: '°', ...when<Emplacement>(hasEmbrasures) }),
    askLength('doorWidthMm', 'Rear door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Rear door, height', SIZES.openingMm),
    askChoice('roof', 'Roof', { none: 'open', 'on-walls': 'on the walls', 'on-ledge': 'on a ledge between them' }),
    askLength(
      'overhangMm',
      'Overhang',
      SIZES.overhangMm,
      when<Emplacement>(({ roof }) => roof === 'on-walls'),
    ),
    askTick(
      'isRoofFixed',
      'Glue roof on',
      when<Emplacement>(({ roof }) => roof !== 'none'),
    ),
    askNumber('columns', 'Columns under the roof', { min: 0, max: 6 }),
    askLength('platformMm', 'Platform height', { min: 0, max: 120 }),
    askLength(
      'platformDeepMm',
      'Platform depth',
      { min: 5, max: 300 },
      when<Emplacement>(({ platformMm }) => platformMm > 0),
    ),
    askNumber('buttresses', 'Buttresses per blind wall', { min: 0, max: 6 }),
    askLength(
      'buttressMm',
      'Buttress, depth',
      { min: 3, max: 80 },
      when<Emplacement>(({ buttresses }) => buttresses > 0),
    ),
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
    isRoofFixed: false,
    columns: 0,
    platformMm: 0,
    platformDeepMm: Math.round(baseMm * 1.6),
    buttresses: 0,
    buttressMm: Math.round(figureMm * 0.3),
    plan: 'splayed',
    trace: drawnTrace(baseMm),
  }),
  shape: (own, { baseMm }) => {
    const plan = planOf(own, baseMm);
    if (!plan.ok) return plan;
    const no = refusal(own, plan.value);
    if (no !== null) return no;
    const platform = platformOf(own, plan.value);
    return platform.ok ? ok(shapeOf(own, baseMm, plan.value, platform.value)) : platform;
  },
});

/** A bent trace to begin a drawn one with. */
const drawnTrace = (baseMm: number): string => {
  const b = Math.round(baseMm);
  return `0,${b} ${2 * b},0 ${4 * b},${b} ${4 * b},${3 * b} 0,${3 * b}`;
};
const insideOf = ({ basesWide, basesDeep, slackMm }: Emplacement, baseMm: number): readonly [wide: number, deep: number] => [
  basesWide * baseMm + slackMm,
  basesDeep * baseMm + slackMm,
];
function planOf(own: Emplacement, baseMm: number): Result<EmplacementPlan, FieldProblem> {
  if (own.plan === 'drawn') return drawnPlan(own.trace);
  const [wide, deep] = insideOf(own, baseMm);
  const outer = (wide * (1 - own.frontPct / 100)) / 2;
  const backMm = outer * Math.tan((own.splayDeg * Math.PI) / 180);
  if (backMm > deep - 10) {
    const most = (Math.atan((deep - 10) / outer) * 180) / Math.PI;
    return refused('splayDeg', `the fronts would extend behind the post. Enter up to ${Math.floor(most)}°`);
  }
  return ok(splayedPlan({ wide, deep, frontPct: own.frontPct, backMm }));
}

function refusal(own: Emplacement, plan: EmplacementPlan): ReturnType<typeof refused> | null {
  const { ring, back, fronts } = plan;
  const wide = sideMm(ring, back);
  if (own.doorWidthMm > wide - 2 * PIER_MM)
    return refused('doorWidthMm', `wider than the back wall. Enter up to ${Math.floor(wide - 2 * PIER_MM)} mm`);
  if (own.doorHeightMm > own.wallMm - PIER_MM)
    return refused('doorHeightMm', `taller than its wall of ${own.wallMm} mm. Enter up to ${Math.floor(own.wallMm - PIER_MM)} mm`);
  if (own.embrasures && fronts.length > 0) {
    if (own.embrasureSillMm + own.embrasureHeightMm > own.wallMm - 3 * PIER_MM)
      return refused(
        'embrasureSillMm',
        `the embrasure is higher than the wall. Enter up to ${Math.max(3, Math.floor(own.wallMm - 3 * PIER_MM - own.embrasureHeightMm))} mm`,
      );
    const least = Math.min(...fronts.map((i) => sideMm(ring, i)));
    if (own.embrasureMm > least - 3 * PIER_MM)
      return refused(
        'embrasureMm',
        `the shortest front is ${least.toFixed(1)} mm. Enter up to ${Math.max(3, Math.floor(least - 3 * PIER_MM))} mm`,
      );
  }
  if (own.columns > 0 && own.roof === 'none') return refused('columns', 'columns need a roof. Enter 0, or add a roof');
  if (own.roof === 'on-ledge' && plan.across === null)
    return refused('roof', 'no two walls of this plan face each other to hold a roof between them. Choose “on the walls”');
  if (own.buttresses > 0 && blindWalls(own, plan).length === 0) return refused('buttresses', 'every wall has an opening. Enter 0');
  return null;
}
/** Left of the floor behind a platform. */
const BEHIND_MM = 10;
function platformOf(own: Emplacement, { ring }: EmplacementPlan): Result<Platform | null, FieldProblem> {
  if (own.platformMm === 0) return ok(null);
  const { left, right, top, bottom } = boxAround(ring);
  const most = Math.floor((own.columns > 0 ? columnsAt(ring) - COLUMN_MM : bottom - BEHIND_MM) - top);
  if (own.platformDeepMm > most)
    return refused(
      'platformDeepMm',
      `leaves no floor ${own.columns > 0 ? 'in front of the columns' : 'behind it'}. Enter up to ${Math.max(5, most)} mm`,
    );
  if (own.platformMm > own.wallMm - 10)
    return refused('platformMm', `as high as the wall. Enter up to ${Math.max(1, Math.floor(own.wallMm - 10))} mm`);
  const y = top + own.platformDeepMm;
  const { rings } = intersection({ rings: [ring] }, { rings: [rectangleRing(left - 1, top - 1, right + 1, y)] });
  const [only] = rings;
  if (only === undefined || rings.length > 1)
    return refused('platformDeepMm', `would be in ${rings.length} pieces in this plan. Enter a greater depth, or height 0`);
  const corners = only.filter((at, i) => apartMm(at, only[(i + 1) % only.length]!) > 0.05);
  const along = corners.map((a, i) => wallAlong(ring, a, corners[(i + 1) % corners.length]!));
  const free = along.filter((wall) => wall === null).length;
  if (free !== 1) return refused('platformDeepMm', `has ${free} free edges in this plan. Change its depth`);
  const edge = along.indexOf(null);
  const beside = [edge + 1, edge + corners.length - 1].map((i) => sideMm(corners, i % corners.length));
  if (Math.min(...beside) < RISER_MM)
    return refused(
      'platformDeepMm',
      `its edge ends ${Math.min(...beside).toFixed(1)} mm behind a corner. Enter ${Math.ceil(own.platformDeepMm + RISER_MM)} mm, or reduce the depth`,
    );
  return ok({ ring: corners, along });
}
const apartMm = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
/** A wall runs on so far before a free edge, so that any riser under it meets that wall alone. */
const RISER_MM = 10;
/** Kept free before a row of columns. */
const COLUMN_MM = 8;
/** The wall of a ring that a stretch lies in; null where it crosses the inside. */
function wallAlong(ring: readonly Point[], a: Point, b: Point): number | null {
  const on = [...ring.keys()].filter((i) => {
    const [out, from] = [outOver(ring, i), ring[i]!];
    return [a, b].every(({ x, y }) => Math.abs((x - from.x) * out.x + (y - from.y) * out.y) < 0.02);
  });
  return on[0] ?? null;
}

function shapeOf(own: Emplacement, baseMm: number, plan: EmplacementPlan, platform: Platform | null): PieceShape {
  const { ring, names, back } = plan;
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
  const walls = wallsOf(own, plan, { names, ring, onLedge });
  const floor = levelFace({ id: 'floor', name: 'Floor', role: 'floor', shows: { drawn: 'floor' } }, ring, 0, 'below', (i) => ({
    joint: 'against',
    to: wallOf('wall', i),
  }));
  const ledges = onLedge ? plan.across!.map((wall) => ledgeOf(own, plan, wall)) : [];
  const columns = columnsOf(own, ring);
  const step = platform === null ? [] : stepOf(own, platform);
  const buttresses = buttressesOf(own, plan);
  const middle = { x: (ring[back]!.x + ring[(back + 1) % ring.length]!.x) / 2, y: (ring[back]!.y + ring[(back + 1) % ring.length]!.y) / 2 };
  const out = outOver(ring, back);
  const isLoose = roofs.length > 0 && !own.isRoofFixed;
  return {
    objects: [
      {
        id: 'post',
        name: 'Emplacement',
        count: 1,
        faces: [floor, ...walls, ...roofs, ...step, ...buttresses],
        bars: [...ledges, ...columns],
      },
    ],
    clear: clearOf(own, baseMm, plan, platform),
    levels: levelsOf(own, plan, platform),
    waysIn: [
      {
        name: 'Door',
        objectId: 'post',
        widthMm: own.doorWidthMm,
        heightMm: own.doorHeightMm,
        madeBy: { width: 'doorWidthMm', height: 'doorHeightMm' },
        at: [middle.x, middle.y, 0],
        out: [out.x, out.y, 0],
      },
    ],
    order: orderOf(own, plan, { step, columns, buttresses, ledges, isLoose, roofs }),
    liftsOff: isLoose ? [{ name: 'Roof', bodyIds: ['roof'] }] : [],
    rests: roofs.length > 0 ? [{ bodyId: 'roof', on: onLedge ? ledges.map(({ id }) => id) : [wallOf('wall', back)] }] : [],
    handles: handlesOf(own, baseMm, { middle }),
  };
}

const wallsOf = (
  own: Emplacement,
  plan: EmplacementPlan,
  { names, ring, onLedge }: { readonly names: readonly string[]; readonly ring: readonly Point[]; readonly onLedge: boolean },
): readonly Face[] =>
  walled({
    id: 'wall',
    name: (i) => names[i]!,
    role: 'wall',
    ring,
    topMm: () => own.wallMm,
    corners: own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor' },
    top: () => (own.roof === 'none' ? { joint: 'free' } : onLedge ? { joint: 'past', to: 'roof' } : { joint: 'against', to: 'roof' }),
    openings: (i, longMm) => openingsOf(own, plan, i, longMm),
    shows: { far: 'walls', drawn: 'inside' },
  });

const handlesOf = (own: Emplacement, baseMm: number, { middle }: { readonly middle: { x: number; y: number } }): PieceShape['handles'] => [
  ...(isSplayed(own)
    ? [
        {
          key: 'basesWide',
          label: 'Width in bases',
          objectId: 'post',
          at: [insideOf(own, baseMm)[0] / 2, insideOf(own, baseMm)[1] / 2, 0] as const,
          along: [1, 0, 0] as const,
          perUnitMm: baseMm / 2,
          step: 0.5,
        },
        {
          key: 'basesDeep',
          label: 'Depth in bases',
          objectId: 'post',
          at: [0, insideOf(own, baseMm)[1], 0] as const,
          along: [0, 1, 0] as const,
          perUnitMm: baseMm,
          step: 0.5,
        },
      ]
    : []),
  { key: 'wallMm', label: 'Wall', objectId: 'post', at: [middle.x, middle.y, own.wallMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
];

const orderOf = (
  own: Emplacement,
  plan: EmplacementPlan,
  {
    step,
    columns,
    buttresses,
    ledges,
    isLoose,
    roofs,
  }: {
    readonly step: readonly Face[];
    readonly columns: readonly Bar[];
    readonly buttresses: readonly Face[];
    readonly ledges: readonly Bar[];
    readonly isLoose: boolean;
    readonly roofs: readonly Face[];
  },
): PieceShape['order'] => [
  { does: 'dry-fit', says: 'Cut the embrasures and the door after the bevels.', bodyIds: [] },
  ...gluingOf(own, plan),
  ...glue('Glue the platform on its riser, behind the fronts.', step),
  ...glue('Set the columns on a line along the middle.', columns),
  ...glue('Glue the buttresses upright and evenly spaced on every blind wall.', buttresses),
  ...glue('Glue the ledges one roof thickness below the top.', ledges),
  ...(isLoose ? [{ does: 'place' as const, says: 'Leave the roof loose.', bodyIds: ['roof'] }] : []),
  ...(roofs.length > 0 && own.isRoofFixed
    ? [
        { does: 'paint' as const, says: 'Paint the inside before the roof is on.', bodyIds: [] },
        { does: 'glue' as const, says: 'Glue the roof and weigh it down until it holds.', bodyIds: ['roof'] },
      ]
    : []),
];
const glue = (says: string, bodies: readonly { readonly id: string }[]): PieceShape['order'] =>
  bodies.length === 0 ? [] : [{ does: 'glue', says, bodyIds: bodies.map(({ id }) => id) }];

/** Faceted shells: the back on the floor, the sides, the middle, and the splayed ones last, into what is left. */
function gluingOf(own: Emplacement, { ring, back }: EmplacementPlan): PieceShape['order'] {
  const walls = (...which: readonly number[]) => which.map((i) => ({ id: wallOf('wall', i) }));
  const first: PieceShape['order'] = [
    { does: 'glue', says: 'Glue the back wall to the floor first.', bodyIds: ['floor', wallOf('wall', back)] },
  ];
  if (!isSplayed(own)) {
    const rest = [...ring.keys()].filter((i) => i !== back);
    return [...first, ...glue('Add the other walls from the back on both sides, the front ones last. Fill open gaps.', walls(...rest))];
  }
  return [
    ...first,
    ...glue('Add the two sides, square to it.', walls(3, 5)),
    ...glue('Add the middle front.', walls(1)),
    ...glue('Fit the splayed fronts last. Fill open folds.', walls(0, 2)),
  ];
}

const OPENED: Pick<StandingLevel, 'openedBy'> = { openedBy: { change: { isRoofFixed: false }, label: 'Make the roof removable' } };
function levelsOf(own: Emplacement, { ring }: EmplacementPlan, platform: Platform | null): readonly StandingLevel[] {
  const headroom = (fromMm: number): number | null => (own.roof === 'none' ? null : own.wallMm - fromMm);
  const floor: StandingLevel = { name: 'Floor', objectId: 'post', atMm: 0, ring, headroomMm: headroom(0), raisedBy: 'wallMm', ...OPENED };
  if (platform === null) return [floor];
  const { left, right, top, bottom } = boxAround(ring);
  const behind = intersection({ rings: [ring] }, { rings: [rectangleRing(left - 1, top + own.platformDeepMm, right + 1, bottom + 1)] })
    .rings[0]!;
  return [
    { ...floor, ring: behind },
    {
      name: 'Platform',
      objectId: 'post',
      atMm: own.platformMm,
      ring: platform.ring,
      headroomMm: headroom(own.platformMm),
      raisedBy: 'wallMm',
      ...OPENED,
      climb: { mm: own.platformMm, by: 'platformMm' },
    },
  ];
}

function clearOf(own: Emplacement, baseMm: number, { ring }: EmplacementPlan, platform: Platform | null): readonly ClearSpan[] {
  if (!isSplayed(own)) return [];
  const [wide, deep] = insideOf(own, baseMm);
  // Between the two sides, under every ledge and behind the fronts.
  const across: ClearSpan = { name: 'Inside, wide', objectId: 'post', from: [-wide / 2, deep - 0.5, 0.6], to: [wide / 2, deep - 0.5, 0.6] };
  // Within the middle front, beside the door; columns stand about the middle.
  const x = (wide * own.frontPct) / 200 - 0.5;
  if (own.columns > 0 || platform !== null || own.doorWidthMm / 2 > x - 1) return [across];
  return [across, { name: 'Inside, deep', objectId: 'post', from: [x, ring[1]!.y, 0.6], to: [x, deep, 0.6] }];
}
