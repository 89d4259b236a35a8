import { z } from 'zod';
import {
  adhesiveRef,
  airRef,
  batteryRef,
  cautionRef,
  coatingRef,
  joinRef,
  fillRef,
  layingRef,
  lampRef,
  lengthRef,
  materialRef,
  methodRef,
  paintRef,
  placeKindRef,
  toolRef,
} from './refs';
import { everyGroundKind } from '../plan/surfaces';
import { COATING_WORK, Coating, Hex, Method, Paint, Pattern, StarterSurface, StarterCoats, Stuff } from './coating-schema';
import { Estimate, Id, Life, Name, Pack, notNegative, positive } from './entry';

const Grip = z.enum(['open', 'smooth', 'waxy']);

const Material = z.strictObject({
  id: Id,
  name: Name,
  hatch: z.enum(['stipple', 'beads', 'fibre', 'grain', 'flutes', 'solid']),
  densityKgPerM3: Estimate,
  youngMPa: Estimate,
  swellingPct: Estimate,
  waterPassage: z.enum(['yes', 'slowly', 'no']),
  isHurtBySolvent: z.boolean(),
  /** What a glue finds on its face: pores, a closed skin, or a waxy one that most glues let go of. */
  grip: Grip,
  /** Bends and breaks more easily one way than the other; sheets have it along their width. */
  hasGrain: z.boolean(),
  /** Leans one way: no piece may lie turned, not even by half. */
  isOneWay: z.boolean(),
  uses: z.array(z.enum(['substrate', 'ground', 'facing', 'piece'])),
  /** What it may be cut with, the usual one first. */
  toolIds: z.array(toolRef).min(1),
  /** Metres that one fresh edge of a knife cuts in it. */
  edgeLifeM: positive,
  /** The first, guiding score; the rest is cut in passes of `passMm`. */
  scoreMm: notNegative,
  passMm: positive,
  remark: z.string().max(200),
});

const Sheet = z.strictObject({
  id: Id,
  materialId: materialRef,
  thicknessMm: positive,
  widthMm: positive,
  depthMm: positive,
  priceMinor: z.number().int().positive(),
  /** Edges that are not straight as they come, seen with the width across; left out where all are factory-straight. */
  roughEdges: z.array(z.enum(['left', 'top', 'right', 'bottom'])).optional(),
  /** Sold in nominal inches, and only where those are usual; left out where it is to be had everywhere. */
  soldIn: z.enum(['in']).optional(),
  /** What is cut off each rough edge; left out where it is the usual trim. */
  trimMm: notNegative.optional(),
});

const Adhesive = z.strictObject({
  id: Id,
  name: Name,
  gPerM2: Estimate,
  openMin: notNegative,
  handleMin: Estimate,
  fullMin: positive,
  minC: z.number().nullable(),
  /** How much faster it sets 10 °C warmer; 1 where warmth does not matter. */
  speedPer10C: z.number().min(1).max(4),
  /** Dries by giving off water, so one of the faces must let water through. */
  needsWaterPath: z.boolean(),
  /** Between two sealed faces it dries from the rim: the time at one half-width; it grows with the square. */
  rimDry: z.strictObject({ halfWidthMm: positive, min: positive }).nullable(),
  hasSolvent: z.boolean(),
  family: z.enum(['water', 'hot', 'construction', 'polyurethane', 'contact', 'spray', 'drops', 'epoxy']),
  /** Share of what is spread that is water and goes into the faces. */
  waterPct: Estimate,
  /** Share of what is spread that is still there once it has cured; the rest dries off. */
  staysPct: Estimate,
  /** The faces it holds on. */
  grips: z.array(Grip).min(1),
  fillsGaps: z.boolean(),
  /** Whether a knife goes cleanly through the cured line. */
  cutsCleanly: z.boolean(),
  /** How it may be laid on, the usual way first. */
  spreads: z.array(z.enum(['full', 'beads', 'vented'])).min(1),
  /** One bead, in grams a metre; null where it is never laid in beads. */
  beadGPerM: Estimate.nullable(),
  /** A layer thinner than this buckles over it; 0 where none does. */
  leastSkinMm: notNegative,
  /** Pressure that closes the joint while it sets. */
  pressKPa: Estimate,
  spreadMinPerM2: positive,
  /** One joint of a piece fitted, glued and held; as any other where nothing is said. */
  jointMin: Estimate.optional(),
  weightsMin: notNegative,
  packsG: z.array(Pack).min(1),
  /** How long it keeps, closed and once opened; nothing said for what keeps. */
  life: Life.optional(),
  cautionIds: z.array(cautionRef),
  remark: z.string().max(200),
});

const Tool = z.strictObject({
  id: Id,
  name: Name,
  kerfMm: Estimate,
  mPerMin: Estimate,
  cautionIds: z.array(cautionRef),
  /** `through`: straight from edge to edge; `free`: along any outline. */
  cuts: z.enum(['through', 'free']),
  /** Cuts its whole thickness in one pass, whatever the material says of a blade's passes. */
  isOnePass: z.boolean(),
  /** Whether it spends snap-off edges. */
  spendsEdges: z.boolean(),
  /** The widest piece that passes between cut and frame, the tallest under it, and the farthest its fence stands; null without such a limit. */
  throatMm: positive.nullable(),
  tallestMm: positive.nullable(),
  fenceMm: positive.nullable(),
  /** What a shop asks for one cut; 0 at one's own bench. */
  perCutMinor: notNegative,
  /** Heard through a wall: kept to the hours for noise. */
  isNoisy: z.boolean(),
});
/** How many equal parts are cut: what is set up once a distance, and what each cut and each part then takes. */
const BatchWay = z.strictObject({
  id: Id,
  name: Name,
  setUpMin: Estimate,
  cutMin: Estimate,
  partMin: Estimate,
  /** Strips are cut across on one another up to this; null one by one. */
  stackMm: positive.nullable(),
  /** The thickest stock it takes, and the longest side of a part; null for any. */
  thickestMm: positive.nullable(),
  longestMm: positive.nullable(),
  /** Pressed out: no blade travels. */
  isPressed: z.boolean(),
  /** What has to be bought for each size. */
  priceMinor: notNegative,
  remark: z.string().max(200),
});
/** Air that is moved. */
const Air = z.strictObject({
  id: Id,
  name: Name,
  factor: Estimate,
  /** On films up to this it helps, mm; a thicker one only skins over. Null for any. */
  thinMm: positive.nullable(),
  /** It takes one of the fans that there are. */
  needsFan: z.boolean(),
});
const DayCurve = z.strictObject({ lowC: z.number(), highC: z.number(), lowPct: positive, highPct: positive });
/** A sort of place to work and dry in: its usual air, and how much colder its floor is. */
const PlaceKind = z.strictObject({
  id: Id,
  name: Name,
  isOutside: z.boolean(),
  floorColderC: Estimate,
  seasons: z.strictObject({ winter: DayCurve, spring: DayCurve, summer: DayCurve, autumn: DayCurve }),
  /** So many times longer than its air says things dry and set there; not known of kinds that were made before it was asked. */
  slower: z.strictObject({ inWinter: Estimate, inSpring: Estimate, inSummer: Estimate, inAutumn: Estimate }).optional(),
});
const Caution = z.strictObject({
  id: Id,
  text: z.string().min(1).max(300),
  /** In a word or two, for someone who keeps off it. */
  name: Name,
  /** Not for children, not even with care. */
  notForChildren: z.boolean(),
});

/** A way of holding tiles together. */
const Join = z.strictObject({
  id: Id,
  name: Name,
  /** Fixings on each tile's side of every inner seam, and pieces for each tile whatever its edges. */
  perEdge: z.number().int().min(0).max(12),
  perTile: z.number().int().min(0).max(12),
  /** Pocket each fixing sits in; 0 deep for none. */
  pocketDepthMm: notNegative,
  pocketWidthMm: notNegative,
  /** Its two ends differ, so each edge must give +x one and −x the other. */
  hasPoles: z.boolean(),
  massG: notNegative,
  minEach: notNegative,
  packs: z.array(Pack),
  cautionIds: z.array(cautionRef),
  remark: z.string().max(200),
});
/** What tiles are carried through or kept in. */
const Passage = z.strictObject({ id: Id, name: Name, widthMm: positive, heightMm: positive, depthMm: positive.nullable() });
const Battery = z.strictObject({
  id: Id,
  name: Name,
  widthMm: positive,
  depthMm: positive,
  heightMm: positive,
  volts: positive,
  mAh: Estimate,
  priceMinor: z.number().int().positive(),
});
const Lamp = z.strictObject({ id: Id, name: Name, volts: positive, milliamps: positive, priceMinor: z.number().int().positive() });
/** Real things a builder checks the scale by. */
const Yardstick = z.strictObject({
  id: Id,
  name: Name,
  form: z.enum(['person', 'door', 'step', 'post']),
  tallMm: positive,
  wideMm: positive,
});

/** Strips, rods and tubes, sold by length and cut across. */
const LengthStock = z
  .strictObject({
    id: Id,
    name: Name,
    section: z.enum(['strip', 'rod', 'tube']),
    widthMm: positive,
    /** Of a rod or a tube, across it, as its width. */
    thicknessMm: positive,
    /** The hole along a tube; 0 for what is solid. */
    boreMm: notNegative,
    lengthMm: positive,
    densityKgPerM3: Estimate,
    priceMinor: z.number().int().positive(),
    /** What a glue finds on it; bare wood or card where nothing is said. */
    face: z.strictObject({ grip: Grip, passesWater: z.boolean(), isHurtBySolvent: z.boolean() }).optional(),
  })
  .refine(
    ({ section, widthMm, thicknessMm }) => section === 'strip' || widthMm === thicknessMm,
    'expected a round section as wide as it is thick',
  );

/** What surfaces of pieces are clad with: units laid in courses. */
const Cladding = z
  .strictObject({
    id: Id,
    name: Name,
    /** One of it, and several. */
    unitName: Name,
    unitsName: Name,
    longMm: positive,
    highMm: positive,
    deepMm: positive,
    jointMm: notNegative,
    /** So much of a unit lies under the course over it, and under its neighbour. */
    lapMm: notNegative,
    sideLapMm: notNegative,
    /** In every other course it runs past the corner by so much, as logs cross. */
    pastMm: notNegative,
    bond: z.enum(['running', 'stacked', 'english']),
    startsDouble: z.boolean(),
    /** Courses lie level, or run up the surface side by side. */
    runs: z.enum(['along', 'up']),
    wastePct: Estimate,
    densityKgPerM3: Estimate,
    packs: z.array(Pack).min(1),
    /** Ways it may be put on, the usual one first. */
    layingIds: z.array(layingRef).min(1),
  })
  .refine(({ highMm, lapMm }) => lapMm < highMm, 'expected a lap shorter than the unit is high')
  .refine(({ longMm, sideLapMm }) => sideLapMm < longMm, 'expected a side lap shorter than the unit is long');
/** A way of giving a surface the look of a cladding. */
const Laying = z.strictObject({
  id: Id,
  name: Name,
  rate: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('count'), perH: Estimate }),
    z.strictObject({ by: z.literal('area'), m2PerH: Estimate }),
  ]),
  /** Units are laid; else the surface itself is worked. */
  usesUnits: z.boolean(),
  /** What units are glued on with; null where nothing is glued. */
  adhesiveId: adhesiveRef.nullable(),
  setUpMin: Estimate,
  cautionIds: z.array(cautionRef),
  remark: z.string().max(200),
});

const CastStuff = { name: Name, densityGPerMl: Estimate, packs: z.array(Pack).min(1) };
/** A way of making copies of one master: its mould round it, and what is poured in. Packs by the gram. */
const Casting = z.strictObject({
  id: Id,
  name: Name,
  mould: z.strictObject({ ...CastStuff, wallMm: positive }),
  cast: z.strictObject(CastStuff),
  lossPct: Estimate,
  /** Copies that one mould gives before it tears. */
  perMould: z.number().int().positive(),
  /** To build a frame, pour and open one mould, and until it has cured. */
  mouldWorkMin: Estimate,
  mouldCureMin: Estimate,
  /** To mix, pour, take out and clean one copy, and until it may be taken out. */
  workMin: Estimate,
  settingMin: Estimate,
  cautionIds: z.array(cautionRef),
  remark: z.string().max(200),
});
/** Stuff that is heaped, pressed or modelled. */
const Fill = z.strictObject({
  id: Id,
  name: Name,
  densityGPerMl: Estimate,
  /** Of its volume, while it dries. */
  shrinksPct: Estimate,
  packsMl: z.array(Pack).min(1),
});

/** Every sort of work there is at the bench. */
const DOINGS = ['cut', 'trim', 'carve', 'glue', 'seal', 'assemble', 'clad', 'mould', 'cast', 'fix', 'mend', ...COATING_WORK] as const;
/** What a builder looks for at a sort of work: how it is when it is good, what usually goes wrong, and a try that shows the hand. */
const Guide = z.strictObject({
  does: z.enum(DOINGS),
  goodLooks: z.string().min(1).max(200),
  usualMistake: z.string().min(1).max(200),
  practice: z.string().min(1).max(240),
});

/** Rules of thumb that belong to no single material. */
const Bench = z.strictObject({
  floorMinMm: Estimate,
  raisedToleranceMm: Estimate,
  sheetTrimMm: Estimate,
  glueLossPct: Estimate,
  markingMinPerLine: Estimate,
  hollowM2PerH: Estimate,
  hollowCautionIds: z.array(cautionRef),
  bowlMl: Estimate,
  cuttingSetUpMin: Estimate,
  glueSetUpMin: Estimate,
  /** Height of a person in real life, which the figure height stands for. */
  personMm: Estimate,
  /** Foam narrower than this between a pit's edge and a seam, or a strip of a feature narrower than this on a tile, breaks in the hand. */
  seamClearMm: Estimate,
  joinSetUpMin: Estimate,
  /** Beads lie this far apart. */
  beadPitchMm: Estimate,
  /** Depth to which a wetted face takes water up. */
  wetSkinMm: Estimate,
  /** Water in a wood-based skin from dry to swollen full, of its own mass. */
  saturationPct: Estimate,
  /** Share of its swelling by which a face shrinks again after it was glued wet; and that a face soaked by coats is left short by. */
  driesBackPct: Estimate,
  leftShortPct: Estimate,
  /** Share of the whole swelling that the seasons bring to a bare face. */
  seasonSharePct: Estimate,
  /** Share of the water that still gets through a sealed face. */
  sealedPassesPct: Estimate,
  /** Share of the bow that is left when the tile dries under its weights. */
  weighedLeavesPct: Estimate,
  /** A tile that bows more than this rocks on the table and opens its seams. */
  bowMostMm: Estimate,
  /** One weight, such as a full paint pot. */
  weightKg: Estimate,
  /** What lies on a square metre of glued face while it sets. */
  weightKgPerM2: Estimate,
  /** A first coat on a face that drinks dries this much faster, one over a sealed face this much slower. */
  drinksFactor: Estimate,
  sealedFactor: Estimate,
  /** Holes through the upper sheet let a glue line dry between them: how far apart. */
  ventPitchMm: Estimate,
  /** A workpiece longer than this wants two people. */
  oneHandMm: Estimate,
  /** Mould comes where card or wood stays damper than this for so long, between these temperatures. */
  mould: z.strictObject({ humidityPct: Estimate, afterMin: positive, leastC: z.number(), mostC: z.number() }),
  /** Spraying outside wants air no damper than this, and daylight. */
  sprayMostPct: Estimate,
  daylight: z.strictObject({ fromMin: notNegative, toMin: positive }),
  /** Somebody is up, and can look after what dries. */
  awake: z.strictObject({ fromMin: notNegative, toMin: positive }),
  sealMinPerM2: Estimate,
  sealerId: coatingRef,
  trimFlushMPerMin: Estimate,
  alignMinPerLayer: Estimate,
  /** Money that a joint in a part has to save to be worth its work. */
  jointWorthMinor: Estimate,
  /** Filling and sanding the joints of parts that are glued of several. */
  partJoinedMPerMin: Estimate,
  /** Joints of two layers lie at least this far apart. */
  jointStaggerMm: Estimate,
  /** Joints keep this far from pits and worked edges. */
  jointClearMm: Estimate,
  /** An offcut smaller than this either way is not worth its place in the rack. */
  leastOffcutMm: Estimate,
  /** Fitting, gluing and holding one joint of a piece, so long, the first of its sort; the tenth takes this share of it, and none less than the other. */
  pieceJointMin: Estimate,
  jointLongMm: Estimate,
  tenthJointShare: Estimate,
  leastJointShare: Estimate,
  /** Setting one piece down in its place for good: marked, roughened, glued, pressed, wiped. */
  pieceFixMin: Estimate,
  /** One cut across a strip. */
  lengthCutMin: Estimate,
  /** A cut that is marked first; one along an edge that is there; one small part laid. */
  measuredCutMin: Estimate,
  guidedCutMin: Estimate,
  /** A cut across a glued strip; and how long one lies under weights before it is cut. */
  crossCutMin: Estimate,
  laminateMin: Estimate,
  laidByHandMin: Estimate,
  /** A flat part glued on another and brought flush with it. */
  flushPartMin: Estimate,
  /** Small parts laid by hand that are more than anybody finishes. */
  manyByHand: Estimate,
  /** A figure on its base, and how far a floor under one may sag. */
  figureG: Estimate,
  sagMm: Estimate,
  wiringMinPerLamp: Estimate,
  wiringCautionIds: z.array(cautionRef),
});

/** What a new board starts with until the builder says otherwise. */
const Starter = z.strictObject({
  substrate: z.strictObject({ materialId: materialRef, thicknessMm: positive }),
  ground: z.strictObject({ materialId: materialRef, thicknessMm: positive, glueBelowId: adhesiveRef }),
  raised: z.strictObject({ materialId: materialRef, glueId: adhesiveRef }),
  /** Recipes to choose from, and which of them each kind of ground wears until the builder says otherwise. */
  surfaces: z.array(StarterSurface).min(1),
  wears: everyGroundKind(Id),
  /** Ways to make water: what is put on, how, so many times over. */
  water: z.array(z.strictObject({ id: Id, coatingId: coatingRef, methodId: methodRef, goes: positive, says: z.string().min(1).max(120) })),
  join: z.strictObject({ methodId: joinRef, offsetMm: positive }),
  /** What pieces are made of: the usual stock by what it is for, and what they are glued with. */
  pieces: z.strictObject({
    sheets: z.record(Id, z.strictObject({ materialId: materialRef, thicknessMm: positive })),
    lengths: z.record(Id, lengthRef),
    fills: z.record(Id, fillRef),
    coats: StarterCoats,
    glueId: adhesiveRef,
  }),
  /** What is stirred into a light that is too loud, and what a light starts from. */
  shades: z.strictObject({ darkId: paintRef, paleId: paintRef }),
  light: z.strictObject({ batteryId: batteryRef, lampId: lampRef }),
  play: z.strictObject({ baseHex: Hex, baseMm: positive, tiltDeg: positive, walkDeg: positive, reachMm: positive, handMm: positive }),
  places: z
    .array(
      z.strictObject({
        id: Id,
        name: Name,
        kindId: placeKindRef,
        by: z.enum(['typed', 'season']),
        airC: z.number(),
        humidityPct: positive,
        flatPlaces: z.number().int(),
        hasExtraction: z.boolean(),
      }),
    )
    .min(1),
  airId: airRef,
  personName: Name,
  noise: z.strictObject({ fromMin: notNegative, toMin: positive }),
  kit: z.strictObject({ weightsKg: positive, fans: z.number().int() }),
  hours: z.array(z.strictObject({ weekday: z.number().int().min(1).max(7), fromMin: notNegative, toMin: positive })).min(1),
});

/** Everything the reckoning knows of materials, adhesives, coatings, methods and tools. Data only. */
export const CatalogueSchema = z.strictObject({
  version: z.literal(1),
  currency: z.string().regex(/^[A-Z]{3}$/),
  materials: z.array(Material).min(1),
  sheets: z.array(Sheet).min(1),
  adhesives: z.array(Adhesive).min(1),
  stuffs: z.array(Stuff).min(1),
  coatings: z.array(Coating).min(1),
  paints: z.array(Paint).min(1),
  patterns: z.array(Pattern),
  methods: z.array(Method).min(1),
  tools: z.array(Tool).min(1),
  batchWays: z.array(BatchWay).min(1),
  airs: z.array(Air).min(1),
  placeKinds: z.array(PlaceKind).min(1),
  cautions: z.array(Caution),
  joins: z.array(Join).min(1),
  passages: z.array(Passage),
  batteries: z.array(Battery).min(1),
  lamps: z.array(Lamp).min(1),
  yardsticks: z.array(Yardstick),
  lengths: z.array(LengthStock),
  claddings: z.array(Cladding),
  layings: z.array(Laying),
  castings: z.array(Casting),
  fills: z.array(Fill),
  guides: z.array(Guide),
  bench: Bench,
  starter: Starter,
  /** The day a week begins with, 1 Monday … 7 Sunday; Monday where nothing is said. */
  weekStartsOn: z.number().int().min(1).max(7).optional(),
  /** What a new board is measured in; metric where nothing is said. */
  measures: z.enum(['metric', 'imperial']).optional(),
  /** Entries that are not offered any more, as `materials.cork`: boards that have them keep them. */
  outOfUse: z.array(z.string().max(140)).optional(),
});

export type { Coating, Method, Paint, Pattern, StarterSurface, Stuff } from './coating-schema';
export type Catalogue = z.infer<typeof CatalogueSchema>;
export type Material = z.infer<typeof Material>;
export type Sheet = z.infer<typeof Sheet>;
export type Adhesive = z.infer<typeof Adhesive>;
export type Tool = z.infer<typeof Tool>;
export type BatchWay = z.infer<typeof BatchWay>;
export type Air = z.infer<typeof Air>;
export type PlaceKind = z.infer<typeof PlaceKind>;
export type Join = z.infer<typeof Join>;
export type Battery = z.infer<typeof Battery>;
export type Lamp = z.infer<typeof Lamp>;
export type LengthStock = z.infer<typeof LengthStock>;
export type Cladding = z.infer<typeof Cladding>;
export type Laying = z.infer<typeof Laying>;
export type Casting = z.infer<typeof Casting>;
export type Guide = z.infer<typeof Guide>;
export type Doing = Guide['does'];
export type Fill = z.infer<typeof Fill>;
export type Yardstick = z.infer<typeof Yardstick>;
export type Estimate = z.infer<typeof Estimate>;
export type Pack = z.infer<typeof Pack>;
