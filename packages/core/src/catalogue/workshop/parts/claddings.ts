import type { Catalogue, Cladding } from '../../schema';
import { about } from '../estimate';

const FOAM = about(33, 30, 38);
const CARD = about(700, 600, 800);
const WOOD = about(180, 130, 260);
const LAID = ['one-by-one', 'on-paper'];
const BRICK = {
  unitName: 'brick',
  unitsName: 'bricks',
  lapMm: 0,
  pastMm: 0,
  sideLapMm: 0,
  startsDouble: false,
  runs: 'along',
  wastePct: about(8, 4, 12),
  densityKgPerM3: FOAM,
  layingIds: ['one-by-one', 'on-paper', 'rolled', 'scored'],
} as const;

/** General trade knowledge at 28 mm figures; prices invented. */
export const claddings: Catalogue['claddings'] = [
  {
    ...BRICK,
    id: 'small-bricks',
    name: 'Small foam bricks',
    longMm: 10,
    highMm: 4,
    deepMm: 2.5,
    jointMm: 0.5,
    bond: 'running',
    packs: pack(1_000, 690),
    layingIds: [...BRICK.layingIds],
  },
  {
    ...BRICK,
    id: 'english-bricks',
    name: 'Small foam bricks, headers every other course',
    longMm: 10,
    highMm: 4,
    deepMm: 2.5,
    jointMm: 0.5,
    bond: 'english',
    packs: pack(1_000, 690),
    layingIds: [...BRICK.layingIds],
  },
  {
    ...BRICK,
    id: 'stone-blocks',
    name: 'Foam stone blocks',
    unitName: 'block',
    unitsName: 'blocks',
    longMm: 22,
    highMm: 11,
    deepMm: 4,
    jointMm: 0.8,
    bond: 'running',
    packs: pack(250, 640),
    layingIds: [...BRICK.layingIds],
  },
  {
    ...BRICK,
    id: 'half-logs',
    name: 'Half-round logs, crossing at the corners',
    unitName: 'log',
    unitsName: 'logs',
    longMm: 250,
    highMm: 5,
    deepMm: 2.5,
    jointMm: 0.2,
    pastMm: 6,
    bond: 'stacked',
    densityKgPerM3: WOOD,
    packs: pack(20, 420),
    layingIds: ['one-by-one'],
  },
  {
    ...BRICK,
    id: 'flags',
    name: 'Card flags',
    unitName: 'flag',
    unitsName: 'flags',
    longMm: 20,
    highMm: 20,
    deepMm: 1,
    jointMm: 0.8,
    bond: 'stacked',
    densityKgPerM3: CARD,
    packs: pack(200, 380),
    layingIds: [...BRICK.layingIds],
  },
  lapped({
    id: 'slates',
    name: 'Card slates',
    unitName: 'slate',
    unitsName: 'slates',
    longMm: 8,
    highMm: 14,
    deepMm: 0.5,
    lapMm: 7,
    startsDouble: true,
    packs: pack(1_000, 520),
  }),
  lapped({
    id: 'shingles',
    name: 'Wood shingles',
    unitName: 'shingle',
    unitsName: 'shingles',
    longMm: 7,
    highMm: 16,
    deepMm: 0.8,
    lapMm: 8,
    startsDouble: true,
    densityKgPerM3: WOOD,
    packs: pack(500, 490),
  }),
  lapped({
    id: 'corrugated',
    name: 'Corrugated sheets of card',
    unitName: 'sheet',
    unitsName: 'sheets',
    longMm: 18,
    highMm: 50,
    deepMm: 1.5,
    lapMm: 4,
    pastMm: 0,
    sideLapMm: 3,
    jointMm: 0,
    bond: 'stacked',
    densityKgPerM3: about(350, 250, 450),
    packs: pack(60, 420),
    layingIds: ['in-courses'],
  }),
  lapped({
    id: 'thatch',
    name: 'Fur thatch in strips',
    unitName: 'strip',
    unitsName: 'strips',
    longMm: 120,
    highMm: 30,
    deepMm: 6,
    lapMm: 15,
    jointMm: 0,
    densityKgPerM3: about(90, 60, 130),
    packs: pack(10, 480),
    layingIds: ['combed'],
  }),
  boards('boards', 'Boards, upright', 'up'),
  boards('weatherboards', 'Boards, level', 'along'),
];

type Own = Pick<Cladding, 'id' | 'name' | 'unitName' | 'unitsName' | 'longMm' | 'highMm' | 'deepMm' | 'lapMm' | 'packs'> &
  Partial<Cladding>;
function lapped(own: Own): Cladding {
  return {
    jointMm: 0.4,
    pastMm: 0,
    sideLapMm: 0,
    bond: 'running',
    startsDouble: false,
    runs: 'along',
    wastePct: about(10, 5, 15),
    densityKgPerM3: CARD,
    layingIds: LAID,
    ...own,
  };
}
function boards(id: string, name: string, runs: Cladding['runs']): Cladding {
  const own = { unitName: 'board', unitsName: 'boards', longMm: 150, highMm: 6, deepMm: 1, lapMm: 0, jointMm: 0.3 };
  return lapped({ id, name, ...own, runs, densityKgPerM3: WOOD, packs: pack(100, 350), layingIds: ['in-courses', 'scored'] });
}
function pack(amount: number, priceMinor: number): Cladding['packs'] {
  return [
    { amount, priceMinor },
    { amount: amount / 5, priceMinor: Math.round(priceMinor * 0.26) },
  ];
}

const NOTHING = { cautionIds: [], remark: '' };
/** Hours: figures of one careful person. */
export const layings: Catalogue['layings'] = [
  {
    ...NOTHING,
    id: 'one-by-one',
    name: 'One by one',
    rate: { by: 'count', perH: about(150, 110, 200) },
    usesUnits: true,
    adhesiveId: 'white-glue',
    setUpMin: about(8, 5, 12),
  },
  {
    ...NOTHING,
    id: 'on-paper',
    name: 'On paper sheets first',
    rate: { by: 'count', perH: about(320, 240, 420) },
    usesUnits: true,
    adhesiveId: 'white-glue',
    setUpMin: about(12, 8, 18),
    remark: 'Glue the courses to ruled paper first. Then glue the whole sheet to the wall and close the corners.',
  },
  {
    ...NOTHING,
    id: 'rolled',
    name: 'Rolled or stamped',
    rate: { by: 'area', m2PerH: about(0.35, 0.25, 0.5) },
    usesUnits: false,
    adhesiveId: null,
    setUpMin: about(8, 5, 12),
  },
  {
    ...NOTHING,
    id: 'scored',
    name: 'Scored with a pencil',
    rate: { by: 'area', m2PerH: about(0.12, 0.08, 0.18) },
    usesUnits: false,
    adhesiveId: null,
    setUpMin: about(5, 3, 8),
  },
  {
    ...NOTHING,
    id: 'in-courses',
    name: 'Course by course',
    rate: { by: 'count', perH: about(60, 40, 90) },
    usesUnits: true,
    adhesiveId: 'white-glue',
    setUpMin: about(8, 5, 12),
  },
  {
    ...NOTHING,
    id: 'combed',
    name: 'Glued in courses, soaked and combed',
    rate: { by: 'count', perH: about(12, 8, 16) },
    usesUnits: true,
    adhesiveId: 'white-glue',
    setUpMin: about(12, 8, 18),
    remark:
      'Work from the eaves up over a stiff under-roof. Trim in courses, then work in equal parts of paint, glue and water while it is wet.',
  },
];
