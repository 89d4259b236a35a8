import { z } from 'zod';
import { selfCrossing } from '../geometry';
import type { Limits } from '../units';
import { LIMITS, MAX_FEATURES, MAX_POINTS } from './limits';

const said = (value: unknown): string => (typeof value === 'number' ? String(value) : (JSON.stringify(value)?.slice(0, 40) ?? 'nothing'));

/** A number within limits, refused with its value and what would do. */
const within = ({ min, max }: Limits, unit: string): z.ZodNumber => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}; ${min} to ${max}${unit === '' ? '' : ` ${unit}`} would do`;
  return z.number({ error }).min(min, { error }).max(max, { error });
};
const mm = (limits: Limits): z.ZodNumber => within(limits, 'mm');

/** Text that every store and every screen can hold: no control characters, no half of a surrogate pair. */
const text = (max: number): z.ZodString =>
  z
    .string()
    .min(1, 'is empty; a few words would do')
    .max(max, `is longer than ${max} characters`)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'holds control characters');
const Id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'expected 1 to 40 letters, digits, - or _');

const PointSchema = z.strictObject({ x: mm(LIMITS.coordinateMm), y: mm(LIMITS.coordinateMm) });

const Outline = z
  .strictObject({ form: z.literal('outline'), points: z.array(PointSchema).min(3, 'expected at least 3 corners').max(MAX_POINTS) })
  .superRefine(({ points }, context) => {
    const crossing = selfCrossing(points);
    if (crossing === null) return;
    const [i, j] = crossing;
    context.addIssue({
      code: 'custom',
      path: ['points'],
      message: `the outline crosses itself: side ${i + 1} meets side ${j + 1}; move a corner so that no sides cross`,
    });
  });
const Round = z.strictObject({ form: z.literal('round'), centre: PointSchema, radiusMm: mm(LIMITS.radiusMm) });
const Strip = z.strictObject({
  form: z.literal('strip'),
  points: z.array(PointSchema).min(2, 'expected at least 2 points').max(MAX_POINTS),
  widthMm: mm(LIMITS.stripWidthMm),
  /** Radius of the middle line's bends; 0 leaves them sharp. */
  bendMm: mm(LIMITS.bendMm),
});
const Shape = z.discriminatedUnion('form', [Outline, Round, Strip]);

const common = { id: Id, name: text(60), shape: Shape };
const Feature = z.discriminatedUnion('kind', [
  /** Stands `heightMm` over the ground. Where raised features overlap the higher counts. */
  z.strictObject({ ...common, kind: z.literal('raised'), heightMm: mm(LIMITS.heightMm) }),
  /** Goes `depthMm` under the ground and through raised ground above it. `cutThrough`: down to the substrate on purpose. */
  z.strictObject({ ...common, kind: z.literal('pit'), depthMm: mm(LIMITS.depthMm), cutThrough: z.boolean() }),
  /** A pit with water standing `waterMm` deep over its floor. */
  z.strictObject({
    ...common,
    kind: z.literal('water'),
    depthMm: mm(LIMITS.depthMm),
    waterMm: mm(LIMITS.waterMm),
    cutThrough: z.boolean(),
  }),
  /** A surface of its own at the level of whatever it lies on. */
  z.strictObject({ ...common, kind: z.literal('route') }),
]);

const GroundLayer = z.strictObject({
  id: Id,
  materialId: Id,
  thicknessMm: mm(LIMITS.thicknessMm),
  /** Adhesive to the layer (or substrate) below; not used by the lowest layer where there is no substrate. */
  glueBelowId: Id,
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

/** The plan: what the builder decided, and nothing that follows from it. All lengths mm. */
export const PlanSchema = z
  .strictObject({
    format: z.literal('spare-acre-plan', { error: 'expected "spare-acre-plan": this file is not a plan of this program' }),
    version: z.literal(1, { error: ({ input }) => `got ${said(input)}; this program reads version 1` }),
    name: text(80),
    units: z.enum(['metric', 'imperial']),
    figureHeightMm: mm(LIMITS.figureHeightMm),
    seed: z
      .number()
      .int()
      .min(0)
      .max(2 ** 31),
    table: z.strictObject({ columnWidthsMm: tiles, rowDepthsMm: tiles, seamAllowanceMm: mm(LIMITS.seamAllowanceMm) }),
    stack: z.strictObject({
      substrate: z.strictObject({ materialId: Id, thicknessMm: mm(LIMITS.thicknessMm) }).nullable(),
      /** Bottom to top. */
      ground: z.array(GroundLayer).min(1, 'expected at least one layer').max(8),
      raised: z.strictObject({ materialId: Id, glueId: Id }),
    }),
    features: z.array(Feature).max(MAX_FEATURES),
    coats: z.strictObject({ open: coats, raised: coats, route: coats, pit: coats, water: coats }),
    cutting: z.strictObject({ trimMm: mm(LIMITS.trimMm) }),
    climate: z.strictObject({ airC: within(LIMITS.airC, '°C'), humidityPct: within(LIMITS.humidityPct, '%'), airId: Id }),
    calendar: z.strictObject({ startsOn: StartDate, hours: z.array(WorkingHours).min(1, 'expected at least one evening').max(21) }),
    /** Where the section is cut. */
    section: z.strictObject({ from: PointSchema, to: PointSchema }),
  })
  .superRefine(({ features, coats, stack }, context) => {
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
        coats[kind].map(({ id }) => id),
        (i) => ['coats', kind, i, 'id'],
      );
  });

const ZONE_KINDS = ['open', 'raised', 'route', 'pit', 'water'] as const;
