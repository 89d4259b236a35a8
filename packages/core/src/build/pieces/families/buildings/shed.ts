import { z } from 'zod';
import { mm, oneOf, whole, within, yesOrNo } from '../../../../plan/fields';
import { ok } from '../../../../base/result';
import type { Bar, EdgeJoint, Face, Opening, Vec } from '../../../shell';
import { LIFT_MM, PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../../asks';
import { type OrderStep, type PieceShape, type StandingLevel, pieceFamily, rectangleRing, refused } from '../../family';
import { doorAt, spreadMm, windowAt } from '../../openings';

const settings = z.strictObject({
  /** Room for so many bases side by side, and one behind the other. */
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  slackMm: mm(SIZES.slackMm),
  /** Whether the sizes are those of the room, or those it takes up. */
  sized: oneOf(['inside', 'outside']),
  wallMm: mm(SIZES.wallMm),
  corners: oneOf(['butt', 'mitre', 'fold']),
  roof: oneOf(['gable', 'lean-to', 'flat', 'hipped']),
  pitchDeg: within(SIZES.pitchDeg, '°'),
  overhangMm: mm(SIZES.overhangMm),
  /** A flat roof lies on the walls, or on a ledge between them one roof thickness down. */
  seat: oneOf(['on-walls', 'on-ledge']),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  /** Off the middle of the front, to the right. */
  doorOffMm: mm({ min: -1_000, max: 1_000 }),
  windowsFront: whole(SIZES.count),
  windowsBack: whole(SIZES.count),
  windowsEnds: whole(SIZES.count),
  windowWidthMm: mm(SIZES.openingMm),
  windowHeightMm: mm(SIZES.openingMm),
  sillMm: mm(SIZES.openingMm),
  floor: yesOrNo(),
  /** Layers under the floor, each a step: the lowest is the widest. */
  baseLayers: whole({ min: 0, max: 8 }),
  baseMarginMm: mm({ min: 1, max: 60 }),
  treadMm: mm({ min: 3, max: 60 }),
  lined: yesOrNo(),
  /** Sills, posts and plates on the outside. */
  frame: yesOrNo(),
});
type Shed = z.infer<typeof settings>;

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

interface Sizes {
  readonly wideMm: number;
  readonly deepMm: number;
  /** The ridge runs along x. */
  readonly ridgeAlong: boolean;
  readonly riseMm: number;
}
function sizesOf({ basesWide, basesDeep, slackMm, roof, pitchDeg }: Shed, baseMm: number): Sizes {
  const [wideMm, deepMm] = [basesWide * baseMm + slackMm, basesDeep * baseMm + slackMm];
  const ridgeAlong = wideMm >= deepMm;
  const tan = Math.tan((pitchDeg * Math.PI) / 180);
  const spanMm = roof === 'lean-to' ? deepMm : Math.min(wideMm, deepMm) / 2;
  return { wideMm, deepMm, ridgeAlong, riseMm: roof === 'flat' ? 0 : spanMm * tan };
}

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

const FREE: EdgeJoint = { joint: 'free' };

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
    clear: spans
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
      : [],
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
    handles: [
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
    ],
  };
}

/** The line along the top of each wall, from its first to its last upper corner, with the roof each stretch of it lies under. */
interface Top {
  /** Between its two upper corners, right to left as seen from outside. */
  readonly peak: readonly Vec[];
  readonly under: readonly string[];
  readonly ends: readonly [rightMm: number, leftMm: number];
}
type Side = 'front' | 'right' | 'back' | 'left';
type Tops = Readonly<Record<Side, Top>>;

function roofOf(shed: Shed, { wideMm: w, deepMm: d, ridgeAlong, riseMm }: Sizes): { readonly roofs: readonly Face[]; readonly tops: Tops } {
  const h = shed.wallMm;
  const over = (to: Side, square = true): EdgeJoint =>
    square ? { joint: 'over', to, beyondMm: shed.overhangMm, square: true } : { joint: 'over', to, beyondMm: shed.overhangMm };
  const mitre = (to: string): EdgeJoint => ({ joint: 'mitre', to });
  const face = (id: string, name: string, corners: readonly Vec[], edges: readonly EdgeJoint[]): Face => ({
    id,
    name,
    role: 'roof',
    corners,
    edges,
    grows: 'out',
    shows: { far: 'roof' },
  });
  const level = (under: string): Top => ({ peak: [], under: [under], ends: [h, h] });
  if (shed.roof === 'flat') {
    const corners: Vec[] = [
      [0, 0, h],
      [w, 0, h],
      [w, d, h],
      [0, d, h],
    ];
    if (shed.seat === 'on-walls')
      return {
        roofs: [face('roof', 'Roof', corners, [over('front'), over('right'), over('back'), over('left')])],
        tops: { front: level('roof'), right: level('roof'), back: level('roof'), left: level('roof') },
      };
    const edges = (['front', 'right', 'back', 'left'] as const).map((to): EdgeJoint => ({ joint: 'against', to, gapMm: LIFT_MM }));
    // The walls go on up past a roof that lies between them.
    return {
      roofs: [face('roof', 'Roof', corners, edges)],
      tops: { front: level('roof'), right: level('roof'), back: level('roof'), left: level('roof') },
    };
  }
  if (shed.roof === 'lean-to') {
    const corners: Vec[] = [
      [0, 0, h],
      [w, 0, h],
      [w, d, h + riseMm],
      [0, d, h + riseMm],
    ];
    return {
      roofs: [face('roof', 'Roof', corners, [over('front'), over('right', false), over('back'), over('left', false)])],
      tops: {
        front: level('roof'),
        right: { peak: [], under: ['roof'], ends: [h + riseMm, h] },
        back: { peak: [], under: ['roof'], ends: [h + riseMm, h + riseMm] },
        left: { peak: [], under: ['roof'], ends: [h, h + riseMm] },
      },
    };
  }
  const p = h + riseMm;
  if (shed.roof === 'gable' && ridgeAlong)
    return {
      roofs: [
        face(
          'roof-front',
          'Roof, front slope',
          [
            [0, 0, h],
            [w, 0, h],
            [w, d / 2, p],
            [0, d / 2, p],
          ],
          [over('front'), over('right', false), mitre('roof-back'), over('left', false)],
        ),
        face(
          'roof-back',
          'Roof, back slope',
          [
            [w, d, h],
            [0, d, h],
            [0, d / 2, p],
            [w, d / 2, p],
          ],
          [over('back'), over('left', false), mitre('roof-front'), over('right', false)],
        ),
      ],
      tops: {
        front: level('roof-front'),
        back: level('roof-back'),
        right: { peak: [[w, d / 2, p]], under: ['roof-back', 'roof-front'], ends: [h, h] },
        left: { peak: [[0, d / 2, p]], under: ['roof-front', 'roof-back'], ends: [h, h] },
      },
    };
  if (shed.roof === 'gable')
    return {
      roofs: [
        face(
          'roof-right',
          'Roof, right slope',
          [
            [w, 0, h],
            [w, d, h],
            [w / 2, d, p],
            [w / 2, 0, p],
          ],
          [over('right'), over('back', false), mitre('roof-left'), over('front', false)],
        ),
        face(
          'roof-left',
          'Roof, left slope',
          [
            [0, d, h],
            [0, 0, h],
            [w / 2, 0, p],
            [w / 2, d, p],
          ],
          [over('left'), over('front', false), mitre('roof-right'), over('back', false)],
        ),
      ],
      tops: {
        right: level('roof-right'),
        left: level('roof-left'),
        front: { peak: [[w / 2, 0, p]], under: ['roof-right', 'roof-left'], ends: [h, h] },
        back: { peak: [[w / 2, d, p]], under: ['roof-left', 'roof-right'], ends: [h, h] },
      },
    };
  const half = Math.min(w, d) / 2;
  const ridge: readonly [Vec, Vec] = ridgeAlong
    ? [
        [half, d / 2, p],
        [w - half, d / 2, p],
      ]
    : [
        [w / 2, half, p],
        [w / 2, d - half, p],
      ];
  const [a, b] = ridge;
  const isPoint = w === d;
  const slope = (
    side: Side,
    [from, to]: readonly [Vec, Vec],
    tops: readonly Vec[],
    [right, left, across]: readonly [Side, Side, Side],
  ): Face =>
    face(
      `roof-${side}`,
      `Roof, ${side} slope`,
      [from, to, ...tops],
      [over(side), mitre(`roof-${right}`), ...(tops.length === 2 ? [mitre(`roof-${across}`)] : []), mitre(`roof-${left}`)],
    );
  const long = (one: Vec, other: Vec): readonly Vec[] => (isPoint ? [one] : [one, other]);
  const front = ridgeAlong ? long(b, a) : [a];
  const back = ridgeAlong ? long(a, b) : [b];
  const right = ridgeAlong ? [b] : long(b, a);
  const left = ridgeAlong ? [a] : long(a, b);
  return {
    roofs: [
      slope(
        'front',
        [
          [0, 0, h],
          [w, 0, h],
        ],
        front,
        ['right', 'left', 'back'],
      ),
      slope(
        'right',
        [
          [w, 0, h],
          [w, d, h],
        ],
        right,
        ['back', 'front', 'left'],
      ),
      slope(
        'back',
        [
          [w, d, h],
          [0, d, h],
        ],
        back,
        ['left', 'right', 'front'],
      ),
      slope(
        'left',
        [
          [0, d, h],
          [0, 0, h],
        ],
        left,
        ['front', 'back', 'right'],
      ),
    ],
    tops: { front: level('roof-front'), right: level('roof-right'), back: level('roof-back'), left: level('roof-left') },
  };
}

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
const WALL_NAMES: Readonly<Record<Side, string>> = { front: 'Front wall', right: 'Right wall', back: 'Back wall', left: 'Left wall' };

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

/** Strips between the walls that a flat roof comes to lie on. */
function ledgesOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes): readonly Bar[] {
  const h = shed.wallMm;
  const bar = (id: string, name: string, [from, to]: readonly [Vec, Vec], across: Vec, ends: readonly [EdgeJoint, EdgeJoint]): Bar => ({
    id,
    name,
    role: 'ledge',
    from,
    to,
    across,
    runs: [-1, 1],
    ends,
  });
  const against = (to: string): EdgeJoint => ({ joint: 'against', to });
  const bars = [
    bar(
      'ledge-front',
      'Ledge, front',
      [
        [0, 0, h],
        [w, 0, h],
      ],
      [0, 1, 0],
      [against('left'), against('right')],
    ),
    bar(
      'ledge-back',
      'Ledge, back',
      [
        [w, d, h],
        [0, d, h],
      ],
      [0, -1, 0],
      [against('right'), against('left')],
    ),
    bar(
      'ledge-right',
      'Ledge, right',
      [
        [w, 0, h],
        [w, d, h],
      ],
      [-1, 0, 0],
      [against('ledge-front'), against('ledge-back')],
    ),
    bar(
      'ledge-left',
      'Ledge, left',
      [
        [0, d, h],
        [0, 0, h],
      ],
      [1, 0, 0],
      [against('ledge-back'), against('ledge-front')],
    ),
  ];
  const into: Readonly<Record<string, readonly [Side, Vec]>> = {
    'ledge-front': ['front', [0, -1, 0]],
    'ledge-back': ['back', [0, 1, 0]],
    'ledge-right': ['right', [1, 0, 0]],
    'ledge-left': ['left', [-1, 0, 0]],
  };
  return bars.map((one) => ({ ...one, touches: [{ bodies: [into[one.id]![0]], along: into[one.id]![1] }] }));
}

/** Sills along the foot, plates under the eaves and posts between them, on the outside of each wall; the sill stops at the door. */
function frameOf(shed: Shed, { wideMm: w, deepMm: d }: Sizes, roofs: readonly Face[]): readonly Bar[] {
  const h = shed.wallMm;
  const walls: readonly {
    readonly side: Side;
    readonly from: Vec;
    readonly along: Vec;
    readonly longMm: number;
    readonly out: Vec;
    readonly next: readonly [Side, Side];
  }[] = [
    { side: 'front', from: [0, 0, 0], along: [1, 0, 0], longMm: w, out: [0, -1, 0], next: ['left', 'right'] },
    { side: 'right', from: [w, 0, 0], along: [0, 1, 0], longMm: d, out: [1, 0, 0], next: ['front', 'back'] },
    { side: 'back', from: [w, d, 0], along: [-1, 0, 0], longMm: w, out: [0, 1, 0], next: ['right', 'left'] },
    { side: 'left', from: [0, d, 0], along: [0, -1, 0], longMm: d, out: [-1, 0, 0], next: ['back', 'front'] },
  ];
  return walls.flatMap(({ side, from, along, longMm, out, next }): Bar[] => {
    const at = (x: number, z: number): Vec => [from[0] + along[0] * x, from[1] + along[1] * x, z];
    const touches: NonNullable<Bar['touches']> = [{ bodies: [side], along: [-out[0], -out[1], 0] }];
    const end = (i: 0 | 1): EdgeJoint => ({ joint: 'past', to: next[i] });
    const bar = (
      [id, name]: readonly [string, string],
      [a, b]: readonly [Vec, Vec],
      across: Vec,
      runs: Bar['runs'],
      ends: readonly [EdgeJoint, EdgeJoint],
    ): Bar => ({
      id: `${side}-${id}`,
      name: `${WALL_NAMES[side]}, ${name}`,
      role: 'frame',
      from: a,
      to: b,
      across,
      ...(runs === undefined ? {} : { runs }),
      ends,
      touches,
    });
    const doorMm = wallDoor(side, shed, w);
    const sills = doorMm === null ? [[0, longMm] as const] : [[0, doorMm[0]] as const, [doorMm[1], longMm] as const];
    const sillEnds = (i: number): readonly [EdgeJoint, EdgeJoint] => [i === 0 ? end(0) : FREE, i === sills.length - 1 ? end(1) : FREE];
    // Pushed up under whichever slope it comes to first.
    const plate: Bar = {
      ...bar(['plate', 'plate'], [at(0, 0), at(longMm, 0)], [0, 0, 1], [1, 0], [end(0), end(1)]),
      touches: [...touches, { bodies: roofs.map(({ id }) => id), along: [0, 0, 1] }],
    };
    const bars = sills.map(([a, b], i) => bar([`sill-${i + 1}`, 'sill'], [at(a, 0), at(b, 0)], [0, 0, 1], [-1, 0], sillEnds(i)));
    const posts = [0, 1].map((i): Bar => {
      const sill = i === 0 ? bars[0]! : bars.at(-1)!;
      return bar(
        [`post-${i + 1}`, 'post'],
        [at(i * longMm, 0), at(i * longMm, h)],
        along,
        [i === 0 ? -1 : 1, 0],
        [
          { joint: 'against', to: sill.id },
          { joint: 'against', to: plate.id },
        ],
      );
    });
    return [...bars, plate, ...posts];
  });
}
const wallDoor = (side: Side, { doorOffMm, doorWidthMm }: Shed, wideMm: number): readonly [number, number] | null =>
  side === 'front' ? [wideMm / 2 + doorOffMm - doorWidthMm / 2, wideMm / 2 + doorOffMm + doorWidthMm / 2] : null;

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
