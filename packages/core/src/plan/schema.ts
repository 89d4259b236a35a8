import { z } from 'zod';
import { FeatureSchema } from './feature-schema';
import { LIMITS, MAX_FEATURES } from './limits';
import { PointSchema } from './shape-schema';
import { Id, mm, said, text, whole, within } from './values';

/** Faces sealed before anything is glued to them. */
const Sealed = z.enum(['none', 'top', 'under', 'both']);
/** Adhesive over the whole face, or in beads with air between them. */
const Spread = z.enum(['full', 'beads']);
/** Which way of the table the grain of a layer runs; null where the builder does not say. */
const Grain = z.enum(['x', 'y']).nullable();

const layer = {
  id: Id,
  materialId: Id,
  thicknessMm: mm(LIMITS.thicknessMm),
  /** Adhesive to what is below; not used by the lowest layer where there is no substrate. */
  glueBelowId: Id,
  spread: Spread,
  grain: Grain,
};
const GroundLayer = z.strictObject({ ...layer, sealed: Sealed });
/** A covering glued on the surface of one kind: cork, card, cloth, a mat. */
const Facing = z.strictObject(layer);
const facings = z.array(Facing).max(4, 'at most 4 coverings on one kind of surface would do');
const Battens = z.strictObject({
  materialId: Id,
  /** Thickness of the board they are cut from, and how deep they stand under the tile. */
  thicknessMm: mm(LIMITS.thicknessMm),
  heightMm: mm(LIMITS.rimHeightMm),
  count: whole(LIMITS.battens),
});
const Stack = z.strictObject({
  substrate: z.strictObject({ materialId: Id, thicknessMm: mm(LIMITS.thicknessMm), sealed: Sealed, grain: Grain }).nullable(),
  /** Bottom to top. */
  ground: z.array(GroundLayer).min(1, 'expected at least one layer').max(8),
  raised: z.strictObject({
    materialId: Id,
    glueId: Id,
    spread: Spread,
    /** Every second layer lies with its grain across the one below. */
    crossGrain: z.boolean(),
    /** Thicknesses to build from; none named: every one that is stocked. */
    atHandMm: z.array(mm(LIMITS.thicknessMm)).max(20),
    /** Build-ups chosen over the reckoned ones, for a height over the foot. */
    picks: z
      .array(z.strictObject({ heightMm: mm(LIMITS.heightMm), thicknessesMm: z.array(mm(LIMITS.thicknessMm)).min(1).max(60) }))
      .max(60),
  }),
  /** Coverings by kind of surface, from the ground up. */
  facings: z.strictObject({ open: facings, raised: facings, route: facings, pit: facings, water: facings, plot: facings, field: facings }),
  /** Under every tile, along its longer side; null for none. */
  battens: Battens.nullable(),
  /** Layers cut to size and then aligned, or glued oversize and trimmed flush when dry, by `allowanceMm` a side. */
  edges: z.enum(['cut-first', 'trim-after']),
  allowanceMm: mm(LIMITS.allowanceMm),
  /** Left under its weights until it is dry through, not only until it can be handled. */
  weighed: z.boolean(),
});
const Coat = z.strictObject({
  id: Id,
  stuffId: Id,
  methodId: Id,
  /** Overrides the catalogue's film. */ filmMm: mm(LIMITS.filmMm).nullable(),
});
const coats = z.array(Coat).max(20);
const tiles = z
  .array(mm(LIMITS.tileMm))
  .min(1, 'expected at least one')
  .max(LIMITS.tilesAlong.max, `at most ${LIMITS.tilesAlong.max} would do`);

const Rim = z.strictObject({ materialId: Id, thicknessMm: mm(LIMITS.thicknessMm), heightMm: mm(LIMITS.rimHeightMm) });
/** Something a tile must go through (a door) or into (a shelf, a crate, a boot, whose depth counts too). */
const Passage = z.strictObject({
  id: Id,
  name: text(60),
  widthMm: mm(LIMITS.passageMm),
  heightMm: mm(LIMITS.passageMm),
  depthMm: mm(LIMITS.passageMm).nullable(),
});
const Table = z.strictObject({
  columnWidthsMm: tiles,
  rowDepthsMm: tiles,
  seamAllowanceMm: mm(LIMITS.seamAllowanceMm),
  /** Battens round every tile, outside the layers; null for none. */
  rim: Rim.nullable(),
  /** How tiles are held together; the fixings of an edge sit `offsetMm` either side of its middle. */
  join: z.strictObject({ methodId: Id, offsetMm: mm(LIMITS.joinOffsetMm) }),
  passages: z.array(Passage).max(12),
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
  reachMm: mm(LIMITS.reachMm),
  handMm: mm(LIMITS.handMm),
});

const JobKey = z.string().regex(/^[A-Za-z0-9._-]{1,80}$/, 'expected the key of a job');
const PartId = z.string().min(1).max(160);
/** What a sheet of a job is: its size, and the offcut from the rack that it is; null for a new sheet. */
const sheetFields = { widthMm: mm(LIMITS.sheetMm), depthMm: mm(LIMITS.sheetMm), offcutId: Id.nullable() };
/** Where parts lie on the sheets of one job: as a longer search found them, or as they were put by hand. */
const KeptLayoutSchema = z.strictObject({
  jobKey: JobKey,
  sheets: z
    .array(
      z.strictObject({
        ...sheetFields,
        places: z
          .array(
            z.strictObject({
              blankId: PartId,
              xMm: mm(LIMITS.sheetMm),
              yMm: mm(LIMITS.sheetMm),
              turned: z.boolean(),
              /** Turned by a further half. */
              half: z.boolean(),
              /** Stays where it is whatever the search does with the others. */
              pinned: z.boolean(),
            }),
          )
          .max(2_000),
      }),
    )
    .max(500),
});
/** How one job is cut, where it is not the usual way. */
const JobTool = z.strictObject({
  jobKey: JobKey,
  toolId: Id,
  /** What the builder's own blade takes, from a practice cut; null for the catalogue's. */
  kerfMm: mm(LIMITS.kerfMm).nullable(),
});
/** A part cut in several that are glued edge to edge: joints measured from the part's own left or top edge. */
const Split = z.strictObject({ partKey: PartId, along: z.enum(['x', 'y']), atMm: z.array(mm(LIMITS.sheetMm)).min(1).max(40) });

const WorkingHours = z
  .strictObject({
    /** 1 Monday … 7 Sunday. */
    weekday: z.number().int().min(1).max(7),
    fromMin: z.number().int().min(0).max(1_439),
    toMin: z.number().int().min(1).max(1_440),
  })
  .refine(({ fromMin, toMin }) => toMin - fromMin >= 15, 'expected at least 15 minutes from start to end');

const StartDate = z
  .string()
  .regex(/^20\d\d-\d\d-\d\d$/, 'expected a date such as 2026-11-30')
  .refine((day) => {
    const date = new Date(`${day}T00:00:00Z`);
    return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(day);
  }, 'is not a day of the calendar');

/** A sheet that is cut: its parts stay as they were cut, whatever is laid out anew. */
const CutSheetSchema = z.strictObject({
  id: Id,
  jobKey: JobKey,
  /** The number it was cut under. */
  number: z.number().int().min(1).max(500),
  ...sheetFields,
  places: z
    .array(
      z.strictObject({
        partId: PartId,
        xMm: mm(LIMITS.sheetMm),
        yMm: mm(LIMITS.sheetMm),
        /** Its box as it lies on the sheet. */
        liesWideMm: mm(LIMITS.sheetMm),
        liesDeepMm: mm(LIMITS.sheetMm),
        areaMm2: z.number().min(0).max(4e8),
        turned: z.boolean(),
        half: z.boolean(),
      }),
    )
    .min(1, 'expected at least one part')
    .max(2_000),
});

/** The plan: what the builder decided, and nothing that follows from it. All lengths mm. */
export const PlanSchema = z
  .strictObject({
    format: z.literal('spare-acre-plan', { error: 'expected "spare-acre-plan": this file is not a plan of this program' }),
    version: z.literal(3, { error: ({ input }) => `got ${said(input)}; this program reads versions 1 to 3` }),
    name: text(80),
    units: z.enum(['metric', 'imperial']),
    figureHeightMm: mm(LIMITS.figureHeightMm),
    seed: z
      .number()
      .int()
      .min(0)
      .max(2 ** 31),
    table: Table,
    underlay: Underlay.nullable(),
    play: Play,
    stack: Stack,
    features: z.array(FeatureSchema).max(MAX_FEATURES),
    coats: z.strictObject({ open: coats, raised: coats, route: coats, pit: coats, water: coats, plot: coats, field: coats }),
    cutting: z.strictObject({
      trimMm: mm(LIMITS.trimMm),
      /** What is fewest first: money or sheets. */
      aim: z.enum(['cheapest', 'fewest']),
      /** One a job at most; used for as long as the parts are those it was made for. */
      kept: z.array(KeptLayoutSchema).max(60),
      cut: z.array(CutSheetSchema).max(500),
      tools: z.array(JobTool).max(60),
      splits: z.array(Split).max(400),
    }),
    climate: z.strictObject({ airC: within(LIMITS.airC, '°C'), humidityPct: within(LIMITS.humidityPct, '%'), airId: Id }),
    calendar: z.strictObject({ startsOn: StartDate, hours: z.array(WorkingHours).min(1, 'expected at least one evening').max(21) }),
    /** Where the section is cut. */
    section: z.strictObject({ from: PointSchema, to: PointSchema }),
  })
  .superRefine(({ features, coats, stack, table, cutting }, context) => {
    const repeated = (ids: readonly string[], path: (i: number) => (string | number)[]): void => {
      ids.forEach((id, i) => {
        if (ids.indexOf(id) < i) context.addIssue({ code: 'custom', path: path(i), message: `${id} stands twice` });
      });
    };
    repeated(
      features.map(({ id }) => id),
      (i) => ['features', i, 'id'],
    );
    repeated(
      stack.ground.map(({ id }) => id),
      (i) => ['stack', 'ground', i, 'id'],
    );
    for (const kind of ZONE_KINDS)
      repeated(
        stack.facings[kind].map(({ id }) => id),
        (i) => ['stack', 'facings', kind, i, 'id'],
      );
    repeated(
      cutting.cut.map(({ id }) => id),
      (i) => ['cutting', 'cut', i, 'id'],
    );
    repeated(
      table.passages.map(({ id }) => id),
      (i) => ['table', 'passages', i, 'id'],
    );
    for (const kind of ZONE_KINDS)
      repeated(
        coats[kind].map(({ id }) => id),
        (i) => ['coats', kind, i, 'id'],
      );
  });

const ZONE_KINDS = ['open', 'raised', 'route', 'pit', 'water', 'plot', 'field'] as const;
