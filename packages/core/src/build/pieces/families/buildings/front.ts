import type { Point } from '../../../../base/geometry';
import { seeded } from '../../../../base/random';
import { ok } from '../../../../base/result';
import type { Bar, Face, Opening, Vec } from '../../../shell';
import { PIER_MM, SIZES, askChoice, askLength, askNumber, askTick, when } from '../../asks';
import { levelFace, wallOf, walled } from '../../measures/enclosure';
import { type PieceShape, type StandingLevel, type Strung, pieceFamily, rectangleRing, refused } from '../../family';
import { doorAt } from '../../openings';
import { STAIRS_IN_MM, LANDING_SHARE, BETWEEN_MM, BEHIND, settings, type Front } from './front-settings';
import { stairsOf } from './front-stairs';

export const front = pieceFamily('front', settings, {
  name: 'Upright front',
  says: 'A standing panel with boxes whose lids are platforms, with holes, tubes or galleries between them and stairs at the side.',
  fields: [
    askLength('widthMm', 'Width', SIZES.lengthMm),
    askLength('heightMm', 'Height', SIZES.lengthMm),
    askNumber('columns', 'Boxes side by side', { min: 1, max: 12 }),
    askNumber('rows', 'Boxes one above the other', { min: 1, max: 8 }),
    askLength('boxWideMm', 'Box width', SIZES.openingMm),
    askLength('boxHighMm', 'Box height', SIZES.openingMm),
    askLength('boxDeepMm', 'Depth of the deepest box', SIZES.openingMm),
    askLength('doorWidthMm', 'Door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door, height', SIZES.openingMm),
    askLength('overhangMm', 'Lid overhang', { min: 0, max: 20 }),
    askNumber('filledPct', 'Places with a box', { min: 10, max: 100 }, { unit: '%' }),
    askNumber('strayPct', 'Variation in box depth', { min: 0, max: 50 }, { unit: '%' }),
    askChoice('free', 'Other places', {
      nothing: 'nothing',
      holes: 'round holes',
      tubes: 'projecting tubes',
      galleries: 'galleries on skewers',
    }),
    askTick('stairs', 'Stairs with landings up the right side'),
    askLength(
      'stairsMm',
      'Stair width',
      { min: 20, max: 400 },
      when<Front>(({ stairs }) => stairs),
    ),
    askLength('footMm', 'Foot depth in front', { min: 10, max: 300 }),
    askNumber('seed', 'Arrangement number', { min: 1, max: 9_999 }),
  ],
  roles: [
    { role: 'panel', name: 'Panel, foot and braces', sold: 'sheet', usual: 'wall' },
    { role: 'box', name: 'Boxes', sold: 'sheet', usual: 'roof' },
    { role: 'plank', name: 'Galleries, landings, flights', sold: 'sheet', usual: 'roof' },
    { role: 'tube', name: 'Tubes', sold: 'length', section: 'tube', usual: 'tube' },
    { role: 'skewer', name: 'Skewers', sold: 'length', section: 'rod', usual: 'skewer' },
  ],
  clads: [
    { shows: 'panel', name: 'Panel' },
    { shows: 'walls', name: 'Boxes' },
    { shows: 'lids', name: 'Lids' },
  ],
  fresh: ({ figureMm, baseMm }): Front => ({
    widthMm: Math.round(baseMm * 12),
    heightMm: Math.round(figureMm * 8),
    columns: 3,
    rows: 3,
    boxWideMm: Math.round(baseMm * 1.6),
    boxHighMm: Math.round(figureMm * 1.4),
    boxDeepMm: Math.round(baseMm * 1.2),
    doorWidthMm: Math.round(baseMm * 0.5),
    doorHeightMm: Math.round(figureMm),
    overhangMm: 3,
    filledPct: 75,
    strayPct: 25,
    free: 'nothing',
    stairs: false,
    stairsMm: Math.round(baseMm * 3),
    footMm: Math.round(baseMm * 2.4),
    seed: 4,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** The panel without the strip that stairs go up. */
const boxedMm = ({ widthMm, stairs, stairsMm }: Front): number => widthMm - (stairs ? stairsMm : 0);
function refusal(own: Front): ReturnType<typeof refused> | null {
  if (own.stairs && own.stairsMm > own.widthMm * 0.6)
    return refused('stairsMm', `leave no room for boxes. Enter up to ${Math.max(20, Math.floor(own.widthMm * 0.6))} mm`);
  const pitch = boxedMm(own) / own.columns - BETWEEN_MM - 2 * own.overhangMm;
  if (own.boxWideMm > pitch)
    return refused('boxWideMm', `${own.columns} side by side leave ${Math.max(0, Math.floor(pitch))} mm each. Use fewer, or a wider panel`);
  const storey = own.heightMm / own.rows - BETWEEN_MM;
  if (own.boxHighMm > storey)
    return refused(
      'boxHighMm',
      `${own.rows} over one another leave ${Math.max(0, Math.floor(storey))} mm each. Use fewer, or a higher panel`,
    );
  if (own.doorWidthMm > own.boxWideMm - 2 * PIER_MM)
    return refused('doorWidthMm', `wider than its box. Enter up to ${Math.max(3, Math.floor(own.boxWideMm - 2 * PIER_MM))} mm`);
  if (own.doorHeightMm > own.boxHighMm - PIER_MM)
    return refused('doorHeightMm', `taller than its box. Enter up to ${Math.max(3, Math.floor(own.boxHighMm - PIER_MM))} mm`);
  if (own.footMm < own.boxDeepMm + own.overhangMm)
    return refused(
      'footMm',
      `the boxes overhang the foot and the panel falls forward. Enter ${Math.ceil(own.boxDeepMm + own.overhangMm)} mm or more`,
    );
  return null;
}

interface Box {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  readonly ring: readonly Point[];
  readonly lowMm: number;
  readonly deepMm: number;
}
/** Every place of the panel, and how deep a box is there: the same number gives the same. One box there always is. */
function placesOf(own: Front): readonly (Box & { readonly isTaken: boolean })[] {
  const random = seeded(own.seed);
  const [pitch, storey] = [boxedMm(own) / own.columns, own.heightMm / own.rows];
  return Array.from({ length: own.rows * own.columns }, (_, i) => {
    const [row, column] = [Math.floor(i / own.columns), i % own.columns];
    const [isTaken, stray] = [random() * 100 < own.filledPct, random()];
    const deepMm = own.boxDeepMm * (1 - (stray * own.strayPct) / 100);
    const left = (column + 0.5) * pitch - own.boxWideMm / 2;
    const ring = rectangleRing(left, -deepMm, left + own.boxWideMm, 0);
    const at = `${row + 1}.${column + 1}`;
    const lowMm = row * storey + BETWEEN_MM / 2;
    return { id: `box-${row + 1}-${column + 1}`, name: `Box ${at}`, at, ring, lowMm, deepMm, isTaken: isTaken || i === 0 };
  });
}

function facesOf(own: Front, { id, name, ring, lowMm, deepMm }: Box): readonly Face[] {
  const walls = walled({
    id,
    name: (i) => `${name}, ${['front', 'right side', 'back', 'left side'][i]!}`,
    role: 'box',
    ring,
    fromMm: lowMm,
    topMm: () => own.boxHighMm,
    corners: 'butt',
    grows: 'out',
    bottom: { joint: 'free' },
    top: () => ({ joint: 'free' }),
    without: [BEHIND],
    openings: (i, longMm) => (i === 0 && deepMm > 0 ? [doorAt(`${id}-door`, 'Door', longMm / 2, own.doorWidthMm, own.doorHeightMm)] : []),
    shows: { far: 'walls' },
  });
  const plate = (what: string, text: string, atMm: number, thickness: 'above' | 'below', beyondMm: number): Face =>
    levelFace(
      { id: `${id}-${what}`, name: `${name}, ${text}`, role: 'box', shows: thickness === 'above' ? { far: 'lids' } : {} },
      ring,
      atMm,
      thickness,
      (i) => (i === BEHIND ? { joint: 'free' } : { joint: 'over', to: wallOf(id, i), beyondMm, square: true }),
    );
  return [...walls, plate('lid', 'lid', lowMm + own.boxHighMm, 'above', own.overhangMm), plate('floor', 'floor', lowMm, 'below', 0)];
}

/** Lids and galleries that figures stand on: not those right under a box. Under a gallery there is the height of a row. */
function platformsOf(own: Front, places: ReturnType<typeof placesOf>, galleries: readonly Box[]): readonly StandingLevel[] {
  const storey = own.heightMm / own.rows;
  return places.flatMap((place, i): StandingLevel[] => {
    const above = places[i + own.columns];
    if (above?.isTaken === true || !(place.isTaken || galleries.includes(place))) return [];
    const headroomMm = above !== undefined && galleries.includes(above) ? storey : null;
    return [{ name: `Platform ${place.at}`, objectId: 'front', atMm: place.lowMm + own.boxHighMm, ring: place.ring, headroomMm }];
  });
}

/** What the places without a box have. */
interface Free {
  readonly holes: readonly Opening[];
  readonly tubes: readonly Bar[];
  readonly galleries: readonly Box[];
}
function freeOf(own: Front, places: readonly Box[]): Free {
  const middle = ({ ring, lowMm }: Box): Point => ({ x: (ring[0]!.x + ring[1]!.x) / 2, y: lowMm + own.boxHighMm / 2 });
  const radius = Math.min(own.boxWideMm, own.boxHighMm) * HOLE_SHARE;
  return {
    holes:
      own.free !== 'holes'
        ? []
        : places.map((place) => ({
            id: `hole-${place.at}`,
            name: `Hole ${place.at}`,
            kind: 'hole',
            ring: Array.from({ length: HOLE_FLATS }, (_, i) => {
              const turn = (2 * Math.PI * i) / HOLE_FLATS;
              return { x: middle(place).x + radius * Math.cos(turn), y: middle(place).y + radius * Math.sin(turn) };
            }),
          })),
    tubes:
      own.free !== 'tubes'
        ? []
        : places.map((place): Bar => {
            const { x, y } = middle(place);
            return {
              id: `tube-${place.at}`,
              name: `Tube ${place.at}`,
              role: 'tube',
              from: [x, -place.deepMm * TUBE_SHARE, y],
              to: [x, 0, y],
              across: [1, 0, 0],
              ends: [{ joint: 'free' }, { joint: 'against', to: 'panel' }],
            };
          }),
    galleries: own.free === 'galleries' ? places : [],
  };
}
const HOLE_SHARE = 0.35;
const HOLE_FLATS = 24;
const TUBE_SHARE = 0.5;
/** A gallery is a board against the panel, at the height of the lids beside it. */
const galleryOf = (own: Front, { at, ring, lowMm }: Box): Face =>
  levelFace(
    { id: `gallery-${at}`, name: `Gallery ${at}`, role: 'plank', shows: { far: 'lids' } },
    ring,
    lowMm + own.boxHighMm,
    'above',
    (i) => (i === BEHIND ? { joint: 'against', to: 'panel' } : { joint: 'free' }),
  );

function shapeOf(own: Front): PieceShape {
  const places = placesOf(own);
  const boxes = places.filter(({ isTaken }) => isTaken);
  const { holes, tubes, galleries } = freeOf(
    own,
    places.filter(({ isTaken }) => !isTaken),
  );
  const { landings, flights } = stairsOf(own);
  const planks = [...galleries.map((place) => galleryOf(own, place)), ...landings, ...flights];
  const { widthMm: w, heightMm: h } = own;
  const panel: Face = {
    id: 'panel',
    name: 'Panel',
    role: 'panel',
    corners: [
      [0, 0, 0],
      [w, 0, 0],
      [w, 0, h],
      [0, 0, h],
    ],
    edges: Array.from({ length: 4 }, () => ({ joint: 'free' as const })),
    openings: holes,
    grows: 'in',
    shows: { drawn: 'panel' },
  };
  const back = Math.max(BRACE_MM, h / 4);
  const foot = levelFace({ id: 'foot', name: 'Foot', role: 'panel' }, rectangleRing(0, -own.footMm, w, back + 1), 0, 'below', () => ({
    joint: 'free',
  }));
  const braces = bracesOf({ w, back, h });
  const middle = ({ ring, lowMm, deepMm }: Box): Vec => [(ring[0]!.x + ring[1]!.x) / 2, -deepMm, lowMm + own.boxHighMm * 0.9];
  const carried = carriedSkewers(own, galleries);
  const strung = boxSkewers(boxes, middle);
  return {
    objects: [
      {
        id: 'front',
        name: 'Front',
        count: 1,
        faces: [panel, foot, ...braces, ...boxes.flatMap((box) => facesOf(own, box)), ...planks],
        bars: tubes,
      },
    ],
    clear: [],
    levels: platformsOf(own, places, galleries),
    // Boxes are closed: their doors are for the eye.
    waysIn: [],
    strung: [...strung, ...carried],
    order: orderOf(own, { boxes, planks, tubes }),
    facts: factsOf(own, { boxes, galleries, flights, h }),
    handles: [
      { key: 'widthMm', label: 'Width', objectId: 'front', at: [w, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
      { key: 'heightMm', label: 'Height', objectId: 'front', at: [0, 0, h], along: [0, 0, 1], perUnitMm: 1, step: 1 },
    ],
  };
}

const bracesOf = ({ w, back, h }: { readonly w: number; readonly back: number; readonly h: number }): readonly Face[] =>
  [0.15, 0.85].map((share, i): Face => {
    const x = w * share;
    return {
      id: `brace-${i + 1}`,
      name: `Brace ${i + 1}`,
      role: 'panel',
      corners: [
        [x, 0, 0],
        [x, back, 0],
        [x, 0, h / 2],
      ],
      edges: [{ joint: 'free' }, { joint: 'free' }, { joint: 'against', to: 'panel' }],
      grows: 'in',
    };
  });

const factsOf = (
  own: Front,
  {
    boxes,
    galleries,
    flights,
    h,
  }: {
    readonly boxes: (Box & { readonly isTaken: boolean })[];
    readonly galleries: readonly Box[];
    readonly flights: readonly Face[];
    readonly h: number;
  },
): PieceShape['facts'] => [
  { label: 'Boxes', value: boxes.length, unit: '1' },
  ...(galleries.length > 0 ? [{ label: 'Galleries', value: galleries.length, unit: '1' as const }] : []),
  ...(flights.length > 0
    ? [
        {
          label: 'Flight angle',
          value: (Math.atan(h / own.rows / ((own.stairsMm - STAIRS_IN_MM) * (1 - LANDING_SHARE))) * 180) / Math.PI,
          unit: '°' as const,
        },
      ]
    : []),
  { label: 'Hand clearance between platforms', value: h / own.rows, unit: 'mm' },
  { label: 'Reach past the deepest box', value: own.boxDeepMm + own.overhangMm, unit: 'mm' },
];

const boxSkewers = (boxes: (Box & { readonly isTaken: boolean })[], middle: ({ ring, lowMm, deepMm }: Box) => Vec): readonly Strung[] =>
  boxes.map((box): Strung => {
    const [x, y, up] = middle(box);
    return {
      id: `skewer-${box.id}`,
      name: `Skewer, ${box.name.toLowerCase()}`,
      role: 'skewer',
      objectId: 'front',
      lengthMm: box.deepMm + SKEWER_IN_MM,
      isInside: true,
      places: [
        [x, y, up],
        [x, y + box.deepMm, up],
      ],
    };
  });

const carriedSkewers = (own: Front, galleries: readonly Box[]): readonly Strung[] =>
  galleries.flatMap((place) =>
    [0.25, 0.75].map((share, i): Strung => {
      const x = place.ring[0]!.x + own.boxWideMm * share;
      const up = place.lowMm + own.boxHighMm;
      return {
        id: `skewer-gallery-${place.at}-${i + 1}`,
        name: `Skewer, gallery ${place.at}`,
        role: 'skewer',
        objectId: 'front',
        lengthMm: place.deepMm + SKEWER_IN_MM,
        isInside: true,
        places: [
          [x, -place.deepMm, up],
          [x, 0, up],
        ],
      };
    }),
  );

const orderOf = (
  own: Front,
  {
    boxes,
    planks,
    tubes,
  }: { readonly boxes: (Box & { readonly isTaken: boolean })[]; readonly planks: readonly Face[]; readonly tubes: readonly Bar[] },
): PieceShape['order'] => [
  {
    does: 'glue',
    says: 'Glue the panel to its foot with both braces behind it, square.',
    bodyIds: ['panel', 'foot', 'brace-1', 'brace-2'],
  },
  {
    does: 'paint',
    says: 'Paint the panel where boxes will hide it, and the inside of every box: you cannot reach there later.',
    bodyIds: [],
  },
  {
    does: 'glue',
    says: 'Assemble each box first, then add them from the lowest row up.',
    bodyIds: boxes.flatMap((box) => facesOf(own, box).map(({ id }) => id)),
  },
  ...(planks.length > 0
    ? [
        {
          does: 'glue' as const,
          says: 'Fit galleries and landings on two skewers each, pushed into the panel. Add the flights last.',
          bodyIds: planks.map(({ id }) => id),
        },
      ]
    : []),
  ...(tubes.length > 0
    ? [{ does: 'glue' as const, says: 'Paint the tubes inside, then glue them square to the panel.', bodyIds: tubes.map(({ id }) => id) }]
    : []),
  { does: 'pin', says: 'Push a skewer through every box into the panel, so that it survives handling.', bodyIds: [] },
  { does: 'place', says: 'Leave out railings where your hand must reach in.', bodyIds: [] },
];
/** A brace is at least so deep, whatever the panel is made of. */
const BRACE_MM = 20;
/** A skewer goes so far into what is behind the box. */
const SKEWER_IN_MM = 12;
