import { z } from 'zod';
import { LIMITS } from './limits';
import { AreaSchema, ContoursSchema, RoundSchema, StripSchema } from './shape-schema';
import { Id, mm, text, whole, within } from './values';

const common = {
  id: Id,
  name: text(60),
  /** Held still: neither dragged nor reshaped until let go. */
  locked: z.boolean(),
  /** Not drawn on the plan; reckoned all the same. */
  hidden: z.boolean(),
};
const area = { ...common, shape: AreaSchema };
const strip = { ...common, shape: StripSchema };
const floor = z.enum(['flat', 'bowl']);
const sunk = { depthMm: mm(LIMITS.depthMm), cutThrough: z.boolean() };

/** Everything that can lie on the ground. Heights and depths count from the top of the ground foam. */
export const FeatureSchema = z.discriminatedUnion('kind', [
  /** Stands `heightMm` over the ground in `steps` equal steps, each set in by `stepInMm`. Where raised features overlap the higher counts. */
  z.strictObject({
    ...area,
    kind: z.literal('raised'),
    heightMm: mm(LIMITS.heightMm),
    steps: whole(LIMITS.steps),
    stepInMm: mm(LIMITS.stepInMm),
  }),
  /** Steps of one stock thickness, each cut to its contour. */
  z.strictObject({ ...common, kind: z.literal('hill'), shape: ContoursSchema, stepMm: mm(LIMITS.hillStepMm) }),
  /** Earth thrown up along a line: sloping sides up to a crown of stated width. */
  z.strictObject({ ...strip, kind: z.literal('bank'), heightMm: mm(LIMITS.heightMm), crownMm: mm(LIMITS.crownMm) }),
  /** Rises evenly along its middle line from its first point to its last. */
  z.strictObject({ ...strip, kind: z.literal('ramp'), fromMm: mm(LIMITS.rampMm), toMm: mm(LIMITS.rampMm) }),
  /** Goes `depthMm` under the ground and through raised ground above it. `cutThrough`: down to the substrate on purpose. */
  z.strictObject({ ...area, ...sunk, kind: z.literal('pit'), floor }),
  /** A pit with water standing `waterMm` deep over its deepest floor. */
  z.strictObject({ ...area, ...sunk, kind: z.literal('water'), floor, waterMm: mm(LIMITS.waterMm) }),
  /** A bowl with a heaped rim outside it. The shape is the bowl. */
  z.strictObject({
    ...common,
    ...sunk,
    kind: z.literal('crater'),
    shape: RoundSchema,
    rimMm: mm(LIMITS.rimMm),
    rimWidthMm: mm(LIMITS.rimWidthMm),
  }),
  /** A surface of its own at the level of whatever it lies on. */
  z.strictObject({
    ...area,
    kind: z.literal('route'),
    lanes: whole(LIMITS.lanes),
    marking: z.enum(['none', 'dashes', 'line']),
    /** Raised edges: height and width; 0 high is none. */
    kerbMm: mm(LIMITS.kerbMm),
    kerbWidthMm: mm(LIMITS.kerbWidthMm),
    /** Radius that rounds the corners where it meets another route; 0 leaves them square. */
    junctionMm: mm(LIMITS.bendMm),
  }),
  /** Stands in the way of figures and eyes along a line. */
  z.strictObject({ ...strip, kind: z.literal('wall'), heightMm: mm(LIMITS.heightMm) }),
  /** A level place kept for a building; `heightMm` of the building, 0 while it is open. */
  z.strictObject({ ...area, kind: z.literal('plot'), heightMm: mm(LIMITS.plotHeightMm) }),
  /** Planted in rows. */
  z.strictObject({
    ...area,
    kind: z.literal('field'),
    rowMm: mm(LIMITS.rowMm),
    rowTurnDeg: within(LIMITS.turnDeg, '°'),
    plantMm: mm(LIMITS.plantMm),
  }),
  /** Kept free for loose pieces. */
  z.strictObject({ ...area, kind: z.literal('clear') }),
  /** A cable groove from a battery box at its first point, with lamps along it; the strip's width is the groove's. */
  z.strictObject({
    ...strip,
    kind: z.literal('light'),
    grooveMm: mm(LIMITS.grooveMm),
    lamps: whole(LIMITS.lamps),
    batteryId: Id,
    lampId: Id,
  }),
]);
