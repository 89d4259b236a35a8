import type { DeepReadonly } from '../base/readonly';
import {
  adhesiveRef,
  airRef,
  batchWayRef,
  castingRef,
  cautionRef,
  claddingRef,
  coatingRef,
  joinRef,
  layingRef,
  lengthRef,
  materialRef,
  methodRef,
  patternRef,
  placeKindRef,
  toolRef,
} from '../catalogue';
import { FeatureSchema } from './features';
import { Day, Id, LIMITS, listOf, MAX_FEATURES, mm, oneOf, said, text, whole, within, yesOrNo } from './fields';
import { z } from 'zod';
import { PointSchema } from './shapes';
import { PartId, sheetFields } from './workshop';
import { RELIEFS, everyGroundKind } from './surfaces';

/** Faces sealed before anything is glued to them. */
const Sealed = oneOf(['none', 'top', 'under', 'both']);
/** Adhesive over the whole face, in beads with air between them, or over the whole face under a sheet with vent holes. */
const Spread = oneOf(['full', 'beads', 'vented']);
/** Which way of the table the grain of a layer runs; null where the builder does not say. */
const Grain = oneOf(['x', 'y']).nullable();

const layer = {
  id: Id,
  materialId: materialRef,
  thicknessMm: mm(LIMITS.thicknessMm),
  /** Adhesive to what is below; not used by the lowest layer where there is no substrate. */
  glueBelowId: adhesiveRef,
  spread: Spread,
  grain: Grain,
};
const GroundLayer = z.strictObject({ ...layer, sealed: Sealed });
/** A covering glued on the surface of one kind: cork, card, cloth, a mat. */
const Facing = z.strictObject(layer);
const facings = listOf(Facing, { min: 0, max: 4 });
const Battens = z.strictObject({
  materialId: materialRef,
  /** Thickness of the board they are cut from, and how deep they stand under the tile. */
  thicknessMm: mm(LIMITS.thicknessMm),
  heightMm: mm(LIMITS.rimHeightMm),
  count: whole(LIMITS.battens),
});
const Stack = z.strictObject({
  substrate: z.strictObject({ materialId: materialRef, thicknessMm: mm(LIMITS.thicknessMm), sealed: Sealed, grain: Grain }).nullable(),
  /** Bottom to top. */
  ground: listOf(GroundLayer, { min: 1, max: 8 }),
  raised: z.strictObject({
    materialId: materialRef,
    glueId: adhesiveRef,
    spread: Spread,
    /** Every second layer lies with its grain across the one below. */
    crossGrain: yesOrNo(),
    /** Thicknesses to build from; none named: every one that is stocked. */
    atHandMm: listOf(mm(LIMITS.thicknessMm), { min: 0, max: 20 }),
    /** Build-ups chosen over the reckoned ones, for a height over the foot. */
    picks: listOf(z.strictObject({ heightMm: mm(LIMITS.heightMm), thicknessesMm: listOf(mm(LIMITS.thicknessMm), { min: 1, max: 60 }) }), {
      min: 0,
      max: 60,
    }),
  }),
  /** Coverings by kind of surface, from the ground up. */
  facings: everyGroundKind(facings),
  /** Under every tile, along its longer side; null for none. */
  battens: Battens.nullable(),
  /** Layers cut to size and then aligned, or glued oversize and trimmed flush when dry, by `allowanceMm` a side. */
  edges: oneOf(['cut-first', 'trim-after']),
  allowanceMm: mm(LIMITS.allowanceMm),
  /** Left under its weights until it is dry through, not only until it can be handled. */
  weighed: yesOrNo(),
});
/** A colour as a screen shows it. */
const Hex = z.string({ error: saidHex }).regex(/^#[0-9a-f]{6}$/, { error: saidHex });
/** Paints stirred together, in whole parts; none of them: the coating's own colour. */
const Tint = listOf(z.strictObject({ paintId: Id, parts: whole(LIMITS.parts) }), { min: 0, max: 6 });
const Coat = z.strictObject({
  id: Id,
  coatingId: coatingRef,
  methodId: methodRef,
  /** Overrides the catalogue's film. */
  filmMm: mm(LIMITS.filmMm).nullable(),
  tint: Tint,
  /** How what is under it is when it goes on: still wet, dry enough for another coat, or cured through. */
  before: oneOf(['wet', 'dry', 'cured']),
  /** Share of the surface it goes on. */
  coverPct: within(LIMITS.coverPct, '%'),
  /** So many times over, each dry before the next. */
  goes: whole(LIMITS.goes),
  /** Parts of water to one of it; 0 as it comes. */
  thin: within(LIMITS.thin, 'parts of water'),
  /** Set down one by one: overrides the catalogue's count to the square metre, how far they stand in clumps, and how far in hollows and at the feet of walls. */
  strewn: z
    .strictObject({ perM2: within(LIMITS.perM2, 'a m²'), clumpPct: within(LIMITS.sharePct, '%'), feetPct: within(LIMITS.sharePct, '%') })
    .nullable(),
});
const coats = listOf(Coat, { min: 0, max: 24 });
/** Units that ground is laid in: where the first of them lies, how far all are turned, how big they are, and in which colours. */
const Laid = z.strictObject({
  patternId: patternRef,
  at: PointSchema,
  turnDeg: within(LIMITS.turnDeg, '°'),
  /** Along a track its own middle line leads. */
  followsLine: yesOrNo(),
  longMm: mm(LIMITS.unitMm),
  wideMm: mm(LIMITS.unitMm),
  jointMm: mm(LIMITS.jointMm),
  tints: listOf(z.strictObject({ paintId: Id, parts: whole(LIMITS.parts) }), { min: 0, max: 6 }),
});
/** A named recipe: the relief, what it is laid in, and coats in order. */
const Surface = z.strictObject({ id: Id, name: text(60), relief: oneOf(RELIEFS), laid: Laid.nullable(), coats });
/** A paint of the builder's own. */
const Paint = z.strictObject({ id: Id, name: text(60), hex: Hex, tintingStrength: within(LIMITS.tinting, 'times') });
/** A swatch that was made and kept, with what was seen. */
const TestPiece = z.strictObject({
  id: Id,
  name: text(60),
  relief: oneOf(RELIEFS),
  coats,
  note: z.union([z.literal(''), text(600)]),
  imageId: z.uuid('expected the id of a picture').nullable(),
});
const tiles = listOf(mm(LIMITS.tileMm), { ...LIMITS.tilesAlong, min: 0 });

const Rim = z.strictObject({ materialId: materialRef, thicknessMm: mm(LIMITS.thicknessMm), heightMm: mm(LIMITS.rimHeightMm) });
/** Something a tile must go through (a door) or into (a shelf, a crate, a boot, whose depth counts too). */
const Passage = z.strictObject({
  id: Id,
  name: text(60),
  widthMm: mm(LIMITS.passageMm),
  heightMm: mm(LIMITS.passageMm),
  depthMm: mm(LIMITS.passageMm).nullable(),
});
/** A loose lot of pieces has no table: no columns and no rows. */
const Table = z
  .strictObject({
    columnWidthsMm: tiles,
    rowDepthsMm: tiles,
    seamAllowanceMm: mm(LIMITS.seamAllowanceMm),
    /** Battens round every tile, outside the layers; null for none. */
    rim: Rim.nullable(),
    /** How tiles are held together; the fixings of an edge sit `offsetMm` either side of its middle. */
    join: z.strictObject({ methodId: joinRef, offsetMm: mm(LIMITS.joinOffsetMm) }),
    passages: listOf(Passage, { min: 0, max: 12 }),
  })
  .superRefine(({ columnWidthsMm, rowDepthsMm }, context) => {
    if ((columnWidthsMm.length === 0) === (rowDepthsMm.length === 0)) return;
    const [path, other] = columnWidthsMm.length === 0 ? ['columnWidthsMm', 'rows'] : ['rowDepthsMm', 'columns'];
    context.addIssue({
      code: 'custom',
      path: [path],
      message: `got none beside ${other}. Enter one or more, or none of both for pieces without a table`,
    });
  });
/** A picture under the plan. Its size on the table is what two points of known distance made it. */
const Underlay = z.strictObject({
  imageId: z.uuid('expected the id of a picture'),
  widthPx: whole(LIMITS.pixels),
  heightPx: whole(LIMITS.pixels),
  at: PointSchema,
  mmPerPx: within(LIMITS.underlayPxPerMm, 'mm a pixel'),
  turnDeg: within(LIMITS.turnDeg, '°'),
  opacityPct: within(LIMITS.opacityPct, '%'),
});
const Play = z.strictObject({
  baseMm: mm(LIMITS.baseMm),
  tiltDeg: within(LIMITS.tiltDeg, '°'),
  stepUpMm: mm(LIMITS.stepUpMm),
  walkDeg: within(LIMITS.walkDeg, '°'),
  /** The colour of the figures' bases, which the ground should lie behind. */
  baseHex: Hex,
  reachMm: mm(LIMITS.reachMm),
  handMm: mm(LIMITS.handMm),
});

/** Names a job: opaque, made and compared only. */
const JobKey = text(80);
/** Where parts lie on the sheets of one job: as a longer search found them, or as they were put by hand. */
const SavedLayoutSchema = z.strictObject({
  jobKey: JobKey,
  sheets: listOf(
    z.strictObject({
      ...sheetFields,
      places: listOf(
        z.strictObject({
          blankId: PartId,
          xMm: mm(LIMITS.sheetMm),
          yMm: mm(LIMITS.sheetMm),
          turned: yesOrNo(),
          /** Turned by a further half. */
          half: yesOrNo(),
          /** Stays where it is whatever the search does with the others. */
          pinned: yesOrNo(),
        }),
        { min: 0, max: 2_000 },
      ),
    }),
    { min: 0, max: 500 },
  ),
});
/** How one job is cut, where it is not the usual way. */
const JobTool = z.strictObject({
  jobKey: JobKey,
  toolId: toolRef,
  /** What the builder's own blade takes, from a practice cut; null for the catalogue's. */
  kerfMm: mm(LIMITS.kerfMm).nullable(),
});
/** How the equal parts of one job are cut, where it is not the usual way. */
const JobBatch = z.strictObject({ jobKey: JobKey, wayId: batchWayRef });
/** What is cut off every edge of the sheets of one job. */
const JobTrim = z.strictObject({ jobKey: JobKey, mm: mm(LIMITS.trimMm).nullable() });
/** A part cut in several that are glued edge to edge: joints measured from the part's own left or top edge. */
const Split = z.strictObject({
  partId: PartId,
  /** The part before anything was split: itself, or what its pieces make together. */
  wholeId: PartId,
  along: oneOf(['x', 'y']),
  atMm: listOf(mm(LIMITS.sheetMm), { min: 1, max: 40 }),
});

const WorkingHours = z
  .strictObject({
    /** 1 Monday … 7 Sunday. */
    weekday: whole({ min: 1, max: 7 }),
    fromMin: whole({ min: 0, max: 1_439 }),
    toMin: whole({ min: 1, max: 1_440 }),
  })
  .refine(({ fromMin, toMin }) => toMin - fromMin >= 15, 'expected at least 15 minutes from start to end');

function saidHex({ input }: { input?: unknown }): string {
  return `got ${said(input)}. Enter a colour such as #7a6f52`;
}
function saidSetting({ input }: { input?: unknown }): string {
  return `got ${said(input)}. Enter a number, true or false, or up to 6000 characters`;
}

/** Air as it is at a place: as typed, as it usually is there in a season, or as a thermo-hygrometer says; what is typed stands in where that says nothing. */
const Place = z.strictObject({
  id: Id,
  name: text(60),
  kindId: placeKindRef,
  air: z.strictObject({
    by: oneOf(['typed', 'season', 'sensor']),
    airC: within(LIMITS.airC, '°C'),
    humidityPct: within(LIMITS.humidityPct, '%'),
    season: oneOf(['winter', 'spring', 'summer', 'autumn']),
    sensorId: Id.nullable(),
  }),
  /** Whole days on which its air is another. */
  spells: listOf(
    z
      .strictObject({ id: Id, from: Day, to: Day, airC: within(LIMITS.airC, '°C'), humidityPct: within(LIMITS.humidityPct, '%') })
      .refine(({ from, to }) => from <= to, 'ends before it begins. Enter a last day on or after the first'),
    { min: 0, max: 24 },
  ),
  /** Workpieces that can lie flat there at once. */
  flatPlaces: whole(LIMITS.flatPlaces),
  /** Air is drawn off: sprays may be used there. */
  hasExtraction: yesOrNo(),
});
/** Where and how a workpiece dries. */
const spot = { placeId: Id, on: oneOf(['shelf', 'floor']), lies: oneOf(['flat', 'edge']), airId: airRef };
const Person = z.strictObject({
  id: Id,
  name: text(40),
  /** Keeps off blades, hot tools and what else is not for the young. */
  isChild: yesOrNo(),
  /** What they must not touch, by its caution: an allergy. */
  avoids: listOf(cautionRef, { min: 0, max: 20 }),
  /** Their own hours; none: whenever the bench is open. */
  hours: listOf(WorkingHours, { min: 0, max: 21 }),
});
/** A task that is not left to the plan of evenings alone. */
const Arranged = z.strictObject({
  taskId: text(160),
  /** Begins then. */
  pin: z.strictObject({ day: Day, atMin: whole({ min: 0, max: 1_439 }) }).nullable(),
  /** Not begun before: put off for today. */
  notBefore: z.strictObject({ day: Day, atMin: whole({ min: 0, max: 1_439 }) }).nullable(),
  isSkipped: yesOrNo(),
  /** Done in so many goes, on evenings of their own if need be. */
  goes: whole({ min: 1, max: 6 }),
});

/** What one family asks for, by its own names. What the values may be its family says, which this document does not know: see `pieces`. */
const Settings = z
  .record(Id, z.union([z.number().min(-20_000).max(20_000), z.boolean(), text(6_000)], { error: saidSetting }))
  .refine((settings) => Object.keys(settings).length <= 60, 'more than 60 settings');
/** A piece that stands on the table or beside it: what it is, what it is made of, how many are made. */
const Piece = z.strictObject({
  id: Id,
  name: text(60),
  family: Id,
  settings: Settings,
  /** Its stocks by what they are for: sheets, and what is sold by length. */
  sheets: listOf(z.strictObject({ role: Id, materialId: materialRef, thicknessMm: mm(LIMITS.thicknessMm) }), { min: 0, max: 12 }),
  lengths: listOf(z.strictObject({ role: Id, lengthId: lengthRef }), { min: 0, max: 12 }),
  glueId: adhesiveRef,
  /** What its surfaces are clad with, by the word of the surface, and how. */
  cladding: listOf(z.strictObject({ shows: Id, claddingId: claddingRef, layingId: layingRef }), { min: 0, max: 12 }),
  /** What its outside is coated with, in order. */
  coats,
  /** A named surface that its outside wears in place of coats of its own; faces that wear another, by the word of the face. */
  surfaceId: Id.nullable(),
  faces: listOf(z.strictObject({ shows: Id, surfaceId: Id }), { min: 0, max: 12 }),
  count: whole(LIMITS.pieceCount),
  /** How copies of the first are cast; null where every one is made by hand. */
  castingId: castingRef.nullable(),
  /** Made for another board, and only stands on this one: nothing of it is cut or bought here. */
  isMadeElsewhere: yesOrNo(),
  /** Glued to the tile it stands on, or lifted off for the next game. */
  isFixed: yesOrNo(),
});

/** How often of a hundred what is bought is to be enough; null: as much as was reckoned. */
const OfHundred = z.union([z.literal(80), z.literal(90), z.literal(95)], {
  error: ({ input }) => `got ${said(input)}. Enter 80, 90 or 95 of a hundred`,
});

/** Work that puts a mishap right: done before anything else on its workpiece, planned and bought like any other. */
const Mended = z.strictObject({
  id: Id,
  name: text(120),
  workpieceId: Id,
  workMin: within({ min: 1, max: 2_000 }, 'min'),
  waitMin: within({ min: 0, max: 100_000 }, 'min'),
  coating: z.strictObject({ coatingId: coatingRef, ml: within({ min: 0, max: 100_000 }, 'ml') }).nullable(),
  adhesive: z.strictObject({ adhesiveId: adhesiveRef, grams: within({ min: 0, max: 100_000 }, 'g') }).nullable(),
});
/** What was seen at the table: too narrow here, no cover there. */
const TableNote = z.strictObject({ id: Id, at: PointSchema, words: text(300), day: Day, isDone: yesOrNo() });

/** The plan: what the builder decided, and nothing that follows from it. All lengths mm. */
const Document = z.strictObject({
  format: z.literal('spare-acre-plan', { error: 'expected "spare-acre-plan": this file is not a plan of this program' }),
  version: z.literal(14, { error: ({ input }) => `got ${said(input)}; this program reads versions 1 to 14` }),
  name: text(80),
  units: oneOf(['metric', 'imperial']),
  figureHeightMm: mm(LIMITS.figureHeightMm),
  seed: whole({ min: 0, max: 2 ** 31 }),
  table: Table,
  underlay: Underlay.nullable(),
  play: Play,
  stack: Stack,
  features: listOf(FeatureSchema, { min: 0, max: MAX_FEATURES }),
  pieces: listOf(Piece, { min: 0, max: LIMITS.pieces.max }),
  surfaces: listOf(Surface, { min: 1, max: LIMITS.surfaces.max }),
  /** The surface that each kind of ground wears where nothing on it says otherwise. */
  wears: everyGroundKind(Id),
  paints: listOf(Paint, { min: 0, max: 60 }),
  testPieces: listOf(TestPiece, { min: 0, max: 40 }),
  cutting: z.strictObject({
    /** Off every edge of every sheet; null where factory-straight edges are used as they are and only rough ones trimmed. */
    trimMm: mm(LIMITS.trimMm).nullable(),
    /** The same for one job, in place of the board's. */
    trims: listOf(JobTrim, { min: 0, max: 60 }),
    /** What is fewest first: money or sheets. */
    aim: oneOf(['cheapest', 'fewest']),
    /** One a job at most; used for as long as the parts are those it was made for. */
    saved: listOf(SavedLayoutSchema, { min: 0, max: 60 }),
    tools: listOf(JobTool, { min: 0, max: 60 }),
    batches: listOf(JobBatch, { min: 0, max: 60 }),
    splits: listOf(Split, { min: 0, max: 400 }),
    /** A part that goes on no sheet: cut in pieces by itself, or only told of; or any part of a layer, where that saves sheets. */
    joints: oneOf(['saving', 'laid', 'asked']),
    /** Parts that are never joined to save a sheet. */
    keptWhole: listOf(PartId, { min: 0, max: 400 }),
    /** Stock sheets that are not to be had for this board. */
    withoutSheetIds: listOf(Id, { min: 0, max: 400 }),
  }),
  places: listOf(Place, { min: 1, max: 12 }),
  /** Where workpieces dry, and those that dry somewhere else. */
  drying: z.strictObject(spot),
  driedAt: listOf(z.strictObject({ workpieceId: Id, ...spot }), { min: 0, max: 200 }),
  people: listOf(Person, { min: 1, max: 8 }),
  kit: z.strictObject({ weightsKg: within(LIMITS.weightsKg, 'kg'), fans: whole(LIMITS.fans) }),
  /** How sure it is to be that there is enough of everything, and of what it is another. */
  buying: z.strictObject({
    ofHundred: OfHundred.nullable(),
    own: listOf(z.strictObject({ supplyId: text(80), ofHundred: OfHundred.nullable() }), { min: 0, max: 200 }),
  }),
  calendar: z.strictObject({
    startsOn: Day,
    hours: listOf(WorkingHours, { min: 1, max: 21 }),
    /** Days without any bench time, whatever the week says. */
    daysOff: listOf(Day, { min: 0, max: 120 }),
    /** The day it is wanted for. */
    deadline: Day.nullable(),
    /** Tasks in an order that was found to be quick; tried beside the others for as long as there is one. */
    order: listOf(text(160), { min: 0, max: 4_000 }),
    /** In that order, whose time is kept for what only they may do: so much longer something waits that another may do. */
    spared: listOf(z.strictObject({ personId: Id, spareMin: whole({ min: 1, max: 20_000 }) }), { min: 0, max: 8 }),
    /** What makes noise is done between these; null: at any hour. */
    noise: z.strictObject({ fromMin: whole({ min: 0, max: 1_439 }), toMin: whole({ min: 1, max: 1_440 }) }).nullable(),
    /** Nothing that is not done begins before this: the plan was made anew from there. */
    notBefore: z.strictObject({ day: Day, atMin: whole({ min: 0, max: 1_439 }) }).nullable(),
    /** What is ordered, by material, adhesive or coating, and when it comes. */
    arrivals: listOf(z.strictObject({ stockId: Id, day: Day }), { min: 0, max: 60 }),
    /** When there is no time after all, from a calendar that was read in. */
    busy: listOf(z.strictObject({ day: Day, fromMin: whole({ min: 0, max: 1_439 }), toMin: whole({ min: 1, max: 1_440 }) }), {
      min: 0,
      max: 1_000,
    }),
    tasks: listOf(Arranged, { min: 0, max: 2_000 }),
  }),
  mends: listOf(Mended, { min: 0, max: 60 }),
  /** After playing, for the next revision. */
  tableNotes: listOf(TableNote, { min: 0, max: 60 }),
  /** Where the section is cut. */
  section: z.strictObject({ from: PointSchema, to: PointSchema }),
});

/** Its parts, each checked for itself: an edit has only what it touched checked again. */
export const PLAN_PARTS = Document.shape;
export const PlanSchema = Document;

type Document = z.infer<typeof Document>;
type Ids = readonly { readonly id: string }[];
/** Lists of a plan whose ids must differ, each with its place. */
function* idLists({
  features,
  pieces,
  surfaces,
  paints,
  testPieces,
  stack,
  table,
  places,
  people,
  mends,
  tableNotes,
}: DeepReadonly<Document>): Generator<readonly [string, Ids]> {
  yield ['features', features];
  yield ['pieces', pieces];
  yield ['stack.ground', stack.ground];
  yield ['table.passages', table.passages];
  for (const [kind, list] of Object.entries(stack.facings)) yield [`stack.facings.${kind}`, list];
  for (const [i, piece] of pieces.entries()) yield [`pieces.${i}.coats`, piece.coats];
  yield ['surfaces', surfaces];
  yield ['places', places];
  yield ['people', people];
  yield ['mends', mends];
  yield ['tableNotes', tableNotes];
  yield ['paints', paints];
  yield ['testPieces', testPieces];
  for (const [i, surface] of surfaces.entries()) yield [`surfaces.${i}.coats`, surface.coats];
}
/** Ids that stand twice. */
export function* repeatedIds(plan: DeepReadonly<Document>): Generator<{ readonly path: string; readonly message: string }> {
  for (const [path, list] of idLists(plan)) {
    const seen = new Set<string>();
    for (const [i, { id }] of list.entries()) {
      if (seen.has(id)) yield { path: `${path}.${i}.id`, message: `${id} appears twice` };
      seen.add(id);
    }
  }
}

/** Surfaces, paints and places that are named and are none of the plan's (nor, for paints, of the catalogue's). */
export function* missingNames(
  { surfaces, wears, paints, testPieces, features, pieces, places, drying, driedAt }: DeepReadonly<Document>,
  stocked: readonly { readonly id: string }[],
): Generator<{ readonly path: string; readonly message: string }> {
  const known = new Set(surfaces.map(({ id }) => id));
  const worn: (readonly [string, string | null])[] = [
    ...Object.entries(wears).map(([kind, id]) => [`wears.${kind}`, id] as const),
    ...features.map(({ surfaceId }, i) => [`features.${i}.surfaceId`, surfaceId] as const),
    ...pieces.map(({ surfaceId }, i) => [`pieces.${i}.surfaceId`, surfaceId] as const),
    ...pieces.flatMap(({ faces }, i) => faces.map(({ surfaceId }, j) => [`pieces.${i}.faces.${j}.surfaceId`, surfaceId] as const)),
  ];
  for (const [path, id] of worn) {
    if (id === null || known.has(id)) continue;
    yield { path, message: `got ${said(id)}. Use a surface of this board (${[...known].slice(0, 6).join(', ')})` };
  }
  const rooms = new Set(places.map(({ id }) => id));
  for (const [path, id] of [
    ['drying.placeId', drying.placeId] as const,
    ...driedAt.map((own, i) => [`driedAt.${i}.placeId`, own.placeId] as const),
  ])
    if (!rooms.has(id)) yield { path, message: `got ${said(id)}. Use a place of this board (${[...rooms].join(', ')})` };
  const pots = new Set([...stocked, ...paints].map(({ id }) => id));
  const tints = [
    ...surfaces.flatMap((surface, i) => [
      ...surface.coats.map((coat, j) => [`surfaces.${i}.coats.${j}.tint`, coat.tint] as const),
      ...(surface.laid === null ? [] : [[`surfaces.${i}.laid.tints`, surface.laid.tints] as const]),
    ]),
    ...pieces.flatMap((piece, i) => piece.coats.map((coat, j) => [`pieces.${i}.coats.${j}.tint`, coat.tint] as const)),
    ...testPieces.flatMap((one, i) => one.coats.map((coat, j) => [`testPieces.${i}.coats.${j}.tint`, coat.tint] as const)),
  ];
  for (const [path, tint] of tints)
    for (const [i, { paintId }] of tint.entries())
      if (!pots.has(paintId)) yield { path: `${path}.${i}.paintId`, message: `got ${said(paintId)}. Use one of the paints` };
}
