import { ok } from '../../../../base/result';
import type { Bar, EdgeJoint, Face, Opening, Vec } from '../../../shell';
import { PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../../asks';
import { type OrderStep, type PieceShape, type StandingLevel, pieceFamily, rectangleRing, refused } from '../../family';
import { doorAt, spreadMm, windowAt } from '../../openings';
import { frameOf, ledgesOf } from './shed-frame';
import { type Tops, roofOf } from './shed-roof';
import { FREE, type Shed, type Side, type Sizes, WALL_NAMES, settings, sizesOf } from './shed-settings';

const isSloped = ({ roof }: Shed): boolean => roof !== 'flat';

export const shed = pieceFamily('shed', settings, {
  name: 'Shed or hut',
  says: 'Four walls with a removable roof: gable, lean-to, flat or hipped.',
  fields: [
    askNumber('basesWide', 'Width in bases', SIZES.bases, { step: 0.5 }),
    askNumber('basesDeep', 'Depth in bases', SIZES.bases, { step: 0.5 }),
    askLength('slackMm', 'Clearance around bases', SIZES.slackMm),
    askChoice('sized', 'Sizes are', { inside: 'internal', outside: 'external' }),
    askLength('wallMm', 'Wall height to the eaves', SIZES.wallMm),
    askChoice('corners', 'Corners', { butt: 'butt (mitred under hips)', mitre: 'mitred', fold: 'folded in a V-cut' }),
    askChoice('roof', 'Roof', { gable: 'gable', 'lean-to': 'lean-to', flat: 'flat', hipped: 'hipped' }),
    askNumber('pitchDeg', 'Pitch', SIZES.pitchDeg, { unit: '°', ...when<Shed>(isSloped) }),
    askChoice(
      'seat',
      'Roof rests',
      { 'on-walls': 'on the walls', 'on-ledge': 'on a ledge between them' },
      when<Shed>(({ roof }) => roof === 'flat'),
    ),
    askLength('overhangMm', 'Overhang', SIZES.overhangMm),
    askLength('doorWidthMm', 'Door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door, height', SIZES.openingMm),
    askLength('doorOffMm', 'Door offset from the centre', { min: -1_000, max: 1_000 }),
    askNumber('windowsFront', 'Front windows', SIZES.count),
    askNumber('windowsBack', 'Rear windows', SIZES.count),
    askNumber('windowsEnds', 'Windows per end', SIZES.count),
    askLength('windowWidthMm', 'Window, width', SIZES.openingMm),
    askLength('windowHeightMm', 'Window, height', SIZES.openingMm),
    askLength('sillMm', 'Sill height', SIZES.openingMm),
    askTick('floor', 'Floor'),
    askNumber('baseLayers', 'Base layers', { min: 0, max: 8 }),
    askLength(
      'baseMarginMm',
      'Base margin per layer',
      { min: 1, max: 60 },
      when<Shed>(({ baseLayers }) => baseLayers > 0),
    ),
    askLength(
      'treadMm',
      'Step in front of the door',
      { min: 3, max: 60 },
      when<Shed>(({ baseLayers }) => baseLayers > 0),
    ),
    askTick('lined', 'Line openings'),
    askTick('frame', 'Outer timber frame'),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'roof', name: 'Roof', sold: 'sheet', usual: 'roof' },
    { role: 'floor', name: 'Floor and base', sold: 'sheet', usual: 'floor' },
    { role: 'ledge', name: 'Ledge', sold: 'length', usual: 'strip' },
    { role: 'frame', name: 'Frame', sold: 'length', usual: 'lath' },
    { role: 'lining', name: 'Lining of reveals', sold: 'sheet', usual: 'card' },
  ],
  clads: [
    { shows: 'walls', name: 'Walls outside' },
    { shows: 'roof', name: 'Roof' },
    { shows: 'floor', name: 'Floor' },
  ],
  fresh: ({ figureMm, baseMm }): Shed => ({
    basesWide: 3,
    basesDeep: 2,
    slackMm: 2,
    sized: 'inside',
    wallMm: Math.round(figureMm * 1.5),
    corners: 'butt',
    roof: 'gable',
    pitchDeg: 35,
    overhangMm: 5,
    seat: 'on-walls',
    doorWidthMm: Math.round(baseMm * 1.1),
    doorHeightMm: Math.round(figureMm * 1.25),
    doorOffMm: 0,
    windowsFront: 0,
    windowsBack: 1,
    windowsEnds: 1,
    windowWidthMm: Math.round(figureMm * 0.5),
    windowHeightMm: Math.round(figureMm * 0.5),
    sillMm: Math.round(figureMm * 0.5),
    // At small scales a floor is a step that figures do not climb.
    floor: figureMm >= 25,
    baseLayers: 0,
    baseMarginMm: 6,
    treadMm: Math.round(baseMm * 0.4),
    lined: false,
    frame: false,
  }),
  shape: (shedSettings, { baseMm }) => {
    const own = sizesOf(shedSettings, baseMm);
    return refusal(shedSettings, own) ?? ok(shapeOf(shedSettings, own));
  },
});

function refusal(shed: Shed, { wideMm, deepMm }: Sizes): ReturnType<typeof refused> | null {
  const fits = wideMm / 2 - shed.doorWidthMm / 2 - PIER_MM;
  if (fits < 0)
    return refused('doorWidthMm', `${shed.doorWidthMm} mm is wider than the front. Enter up to ${Math.floor(wideMm - 2 * PIER_MM)} mm`);
  if (Math.abs(shed.doorOffMm) > fits)
    return refused(
      'doorOffMm',
      `the door does not fit on the front at ${shed.doorOffMm} mm. Enter up to ${Math.floor(fits)} mm either way`,
    );
  if (shed.doorHeightMm > shed.wallMm - PIER_MM)
    return refused(
      'doorHeightMm',
      `${shed.doorHeightMm} mm is taller than its wall of ${shed.wallMm} mm. Enter up to ${Math.floor(shed.wallMm - PIER_MM)} mm`,
    );
  const windows = shed.windowsFront + shed.windowsBack + shed.windowsEnds;
  if (windows > 0 && shed.sillMm + shed.windowHeightMm > shed.wallMm - PIER_MM) {
    const most = Math.floor(shed.wallMm - PIER_MM - shed.sillMm);
    return most >= SIZES.openingMm.min
      ? refused('windowHeightMm', `with a sill at ${shed.sillMm} mm it is higher than the wall. Enter up to ${most} mm`)
      : refused(
          'sillMm',
          `no window fits above a sill at ${shed.sillMm} mm. Enter up to ${Math.floor(shed.wallMm - PIER_MM - shed.windowHeightMm)} mm`,
        );
  }
  for (const [key, longMm] of [
    ['windowsBack', wideMm],
    ['windowsEnds', deepMm],
  ] as const) {
    const most = Math.floor(longMm / (shed.windowWidthMm + 2 * PIER_MM));
    if (shed[key] > most) return refused(key, `${shed[key]} of ${shed.windowWidthMm} mm do not fit. Enter up to ${most}`);
  }
  const besides = frontWindows(shed, wideMm);
  if (besides.length < shed.windowsFront)
    return refused('windowsFront', `${shed.windowsFront} do not fit beside the door. Enter up to ${besides.length}`);
  if (shed.roof === 'hipped' && Math.abs(wideMm - deepMm) < 1 && wideMm !== deepMm)
    return refused('basesWide', 'a hipped roof needs a ridge of 1 mm at least, or a square room');
  return null;
}

/** Middles of windows in the front: as many as asked for, spread over what the door leaves on either side. */
function frontWindows({ windowsFront, windowWidthMm, doorWidthMm, doorOffMm }: Shed, wideMm: number): readonly number[] {
  if (windowsFront === 0) return [];
  const door = wideMm / 2 + doorOffMm;
  const sides = [
    [0, door - doorWidthMm / 2],
    [door + doorWidthMm / 2, wideMm],
  ] as const;
  const room = sides.map(([from, to]) => Math.max(0, Math.floor((to - from) / (windowWidthMm + 2 * PIER_MM))));
  const counts = [0, 0];
  for (let i = 0; i < windowsFront; i++) {
    const [left, right] = [room[0]! - counts[0]!, room[1]! - counts[1]!];
    if (left <= 0 && right <= 0) break;
    counts[left >= right && left > 0 ? 0 : 1]! += 1;
  }
  return sides.flatMap(([from, to], side) => spreadMm(counts[side]!, to - from).map((at) => from + at));
}

function shapeOf(shed: Shed, sizes: Sizes): PieceShape {
  const { wideMm, deepMm } = sizes;
  const { roofs, tops } = roofOf(shed, sizes);
  const walls = wallsOf(shed, sizes, tops);
  const base = baseOf(shed, sizes);
  const ledges = shed.roof === 'flat' && shed.seat === 'on-ledge' ? ledgesOf(shed, sizes) : [];
  const frame = shed.frame ? frameOf(shed, sizes, roofs) : [];
  const roofIds = roofs.map(({ id }) => id);
  const inset = 0.5;
  // Under every sill.
  const clearAt = 1;
  const level: StandingLevel = {
    name: 'Floor',
    objectId: 'shed',
    atMm: 0,
    ring: rectangleRing(0, 0, wideMm, deepMm),
    headroomMm: shed.wallMm,
    raisedBy: 'wallMm',
  };
  const spans = shed.sized === 'inside';
  return {
    objects: [{ id: 'shed', name: 'Shed', count: 1, faces: [...base, ...walls, ...roofs], bars: [...ledges, ...frame] }],
    clear: clearOf(shed, { spans, deepMm, inset, clearAt, wideMm }),
    levels: [level],
    ...(shed.lined ? { liningRole: 'lining' } : {}),
    waysIn: [
      {
        name: 'Door',
        objectId: 'shed',
        widthMm: shed.doorWidthMm,
        heightMm: shed.doorHeightMm,
        madeBy: { width: 'doorWidthMm', height: 'doorHeightMm' },
        risers: shed.baseLayers + Number(hasFloorBetween(shed)),
        ...(shed.floor ? { loweredBy: { change: { floor: false }, label: 'Remove the floor' } } : {}),
        at: [wideMm / 2 + shed.doorOffMm, 0, 0],
        out: [0, -1, 0],
      },
    ],
    order: orderOf(shed, { base, walls, roofs, ledges, frame }),
    liftsOff: [{ name: 'Roof', bodyIds: roofIds }],
    rests: roofIds.length > 1 ? [] : [{ bodyId: 'roof', on: ledges.length > 0 ? ledges.map(({ id }) => id) : ['front', 'back'] }],
    handles: handlesOf(shed, { wideMm, deepMm }),
  };
}

const clearOf = (
  shed: Shed,
  {
    spans,
    deepMm,
    inset,
    clearAt,
    wideMm,
  }: { readonly spans: boolean; readonly deepMm: number; readonly inset: 0.5; readonly clearAt: 1; readonly wideMm: number },
): PieceShape['clear'] =>
  spans
    ? [
        { name: 'Inside, wide', objectId: 'shed', from: [0, deepMm - inset, clearAt], to: [wideMm, deepMm - inset, clearAt] },
        { name: 'Inside, deep', objectId: 'shed', from: [inset, 0, clearAt], to: [inset, deepMm, clearAt] },
        ...(shed.roof === 'flat' && (shed.floor || shed.baseLayers > 0)
          ? [
              {
                name: 'Headroom',
                objectId: 'shed',
                from: [wideMm / 2, deepMm / 2, 0] as const,
                to: [wideMm / 2, deepMm / 2, shed.wallMm] as const,
              },
            ]
          : []),
      ]
    : [];

const handlesOf = (shed: Shed, { wideMm, deepMm }: { readonly wideMm: number; readonly deepMm: number }): PieceShape['handles'] => [
  {
    key: 'basesWide',
    label: 'Width in bases',
    objectId: 'shed',
    at: [wideMm, deepMm / 2, 0],
    along: [1, 0, 0],
    perUnitMm: (wideMm - shed.slackMm) / shed.basesWide,
    step: 0.5,
  },
  {
    key: 'basesDeep',
    label: 'Depth in bases',
    objectId: 'shed',
    at: [wideMm / 2, deepMm, 0],
    along: [0, 1, 0],
    perUnitMm: (deepMm - shed.slackMm) / shed.basesDeep,
    step: 0.5,
  },
  {
    key: 'wallMm',
    label: 'Wall height to the eaves',
    objectId: 'shed',
    at: [wideMm, 0, shed.wallMm],
    along: [0, 0, 1],
    perUnitMm: 1,
    step: 1,
  },
  {
    key: 'doorHeightMm',
    label: 'Door, height',
    objectId: 'shed',
    at: [wideMm / 2 + shed.doorOffMm, 0, shed.doorHeightMm],
    along: [0, 0, 1],
    perUnitMm: 1,
    step: 1,
  },
];

function wallsOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes, tops: Tops): readonly Face[] {
  const isLedge = shed.roof === 'flat' && shed.seat === 'on-ledge';
  const bottom: EdgeJoint = hasFloorBetween(shed) ? { joint: 'over', to: 'floor' } : FREE;
  const places: Readonly<Record<Side, readonly [Vec, Vec]>> = {
    front: [
      [0, 0, 0],
      [w, 0, 0],
    ],
    right: [
      [w, 0, 0],
      [w, d, 0],
    ],
    back: [
      [w, d, 0],
      [0, d, 0],
    ],
    left: [
      [0, d, 0],
      [0, 0, 0],
    ],
  };
  const next: Readonly<Record<Side, readonly [before: Side, after: Side]>> = {
    front: ['left', 'right'],
    right: ['front', 'back'],
    back: ['right', 'left'],
    left: ['back', 'front'],
  };
  const corner = (side: Side, to: Side): EdgeJoint => {
    const isCover = side === 'front' || side === 'back';
    const butt: EdgeJoint = isCover ? { joint: 'over', to } : { joint: 'against', to };
    // Under a hipped roof a covering end would stand into the next slope: the walls meet where the slopes do.
    if (shed.corners === 'butt' && shed.roof !== 'hipped') return butt;
    // A folded ring is closed by one mitre.
    const isSeam = [side, to].every((one) => one === 'front' || one === 'left');
    return shed.corners !== 'fold' || isSeam ? { joint: 'mitre', to } : { joint: 'fold', to, by: 'v-cut' };
  };
  return (Object.keys(places) as Side[]).map((side): Face => {
    const [from, to] = places[side];
    const { peak, under, ends } = tops[side];
    const [before, after] = next[side];
    const topEdges = under.map((roof): EdgeJoint => (isLedge ? { joint: 'past', to: roof } : { joint: 'against', to: roof }));
    const up = (at: Vec, high: number): Vec => [at[0], at[1], high];
    return {
      id: side,
      name: WALL_NAMES[side],
      role: 'wall',
      corners: [from, to, up(to, ends[0]), ...peak, up(from, ends[1])],
      edges: [bottom, corner(side, after), ...topEdges, corner(side, before)],
      openings: openingsOf(side, shed, w, d),
      grows: shed.sized === 'inside' ? 'out' : 'in',
      shows: { far: shed.sized === 'inside' ? 'walls' : 'inside', drawn: shed.sized === 'inside' ? 'inside' : 'walls' },
    };
  });
}

function openingsOf(side: Side, shed: Shed, wideMm: number, deepMm: number): readonly Opening[] {
  const { sillMm, windowWidthMm, windowHeightMm } = shed;
  const windows = (middles: readonly number[]): Opening[] =>
    middles.map((at, i) =>
      windowAt(`${side}-window-${i + 1}`, `${WALL_NAMES[side]}, window ${i + 1}`, {
        middleMm: at,
        sillMm,
        widthMm: windowWidthMm,
        heightMm: windowHeightMm,
      }),
    );
  if (side === 'front')
    return [
      doorAt('door', 'Door', wideMm / 2 + shed.doorOffMm, shed.doorWidthMm, shed.doorHeightMm),
      ...windows(frontWindows(shed, wideMm)),
    ];
  if (side === 'back') return windows(spreadMm(shed.windowsBack, wideMm));
  return windows(spreadMm(shed.windowsEnds, deepMm));
}

/** A floor between the walls, where they do not stand on layers of base. */
const hasFloorBetween = ({ floor, baseLayers }: Shed): boolean => floor && baseLayers === 0;

function baseOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes): readonly Face[] {
  const corners: readonly Vec[] = [
    [0, 0, 0],
    [w, 0, 0],
    [w, d, 0],
    [0, d, 0],
  ];
  if (hasFloorBetween(shed)) {
    const edges = (['front', 'right', 'back', 'left'] as const).map((to): EdgeJoint => ({ joint: 'against', to }));
    return [{ id: 'floor', name: 'Floor', role: 'floor', corners, edges, grows: 'in', shows: { drawn: 'floor' } }];
  }
  const [from, to] = [w / 2 + shed.doorOffMm - shed.doorWidthMm / 2, w / 2 + shed.doorOffMm + shed.doorWidthMm / 2];
  return Array.from({ length: shed.baseLayers }, (_, i): Face => {
    const beyondMm = shed.baseMarginMm * i;
    const out = (side: Side): EdgeJoint => ({ joint: 'past', to: side, beyondMm });
    // A tread before the door for every layer under the first.
    const step: EdgeJoint = { joint: 'past', to: 'front', beyondMm: beyondMm + shed.treadMm * i };
    const isStepped = i > 0;
    const [first, ...rest] = corners;
    return {
      id: `base-${i + 1}`,
      name: i === 0 ? 'Floor' : `Base, layer ${shed.baseLayers - i}`,
      role: 'floor',
      corners: isStepped ? [first!, [from, 0, 0], [from, -1, 0], [to, -1, 0], [to, 0, 0], ...rest] : corners,
      edges: [...(isStepped ? [out('front'), FREE, step, FREE, out('front')] : [out('front')]), out('right'), out('back'), out('left')],
      grows: 'in',
      shows: { drawn: i === 0 ? 'floor' : 'base' },
      ...(i === 0 ? {} : { lies: { on: `base-${i}` } }),
    };
  });
}

interface Groups {
  readonly base: readonly Face[];
  readonly walls: readonly Face[];
  readonly roofs: readonly Face[];
  readonly ledges: readonly Bar[];
  readonly frame: readonly Bar[];
}
function orderOf(shed: Shed, { base, walls, roofs, ledges, frame }: Groups): readonly OrderStep[] {
  const ids = (all: readonly { readonly id: string }[]): string[] => all.map(({ id }) => id);
  const steps: OrderStep[] = [];
  if (base.length > 0)
    steps.push({
      does: 'glue',
      says: base.length > 1 ? 'Glue the layers of the base, widest lowest.' : 'Lay the floor flat on the bench.',
      bodyIds: ids(base),
    });
  steps.push({ does: 'dry-fit', says: 'Test the walls without glue. Cut the openings after the bevels.', bodyIds: [] });
  if (shed.corners === 'fold') steps.push({ does: 'glue', says: 'Fold the walls round and glue the last corner.', bodyIds: ids(walls) });
  else {
    steps.push({ does: 'glue', says: 'Glue the back wall and the two ends, square to each other.', bodyIds: ['back', 'right', 'left'] });
    steps.push({ does: 'paint', says: 'Paint the inside while you can still reach it.', bodyIds: [] });
    steps.push({ does: 'glue', says: 'Glue the front wall last.', bodyIds: ['front'] });
  }
  if (ledges.length > 0)
    steps.push({ does: 'glue', says: 'Glue ledge strips all round, one roof thickness below the top.', bodyIds: ids(ledges) });
  if (frame.length > 0)
    steps.push({ does: 'glue', says: 'Glue sills and plates first, then the posts between them.', bodyIds: ids(frame) });
  steps.push({ does: 'place', says: 'Glue the roof to itself, not to the walls, so that it lifts off.', bodyIds: ids(roofs) });
  return steps;
}
