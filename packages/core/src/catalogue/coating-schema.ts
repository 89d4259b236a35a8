import { z } from 'zod';
import { RELIEFS } from '../plan/surfaces';
import { Estimate, Id, Life, Name, Pack, notNegative, positive } from './entry';
import { adhesiveRef, cautionRef, coatingRef, methodRef, paintRef, patternRef, stuffRef } from './refs';

/** What is measured into a bowl, and bought as such; water has no packs. */
export const Stuff = z.strictObject({
  id: Id,
  name: Name,
  /** Of a liquid its own, of grain its bulk with the air in it. */
  densityGPerMl: Estimate,
  /** Share of the bulk of a grain that is air, which liquid fills first; null for a liquid. */
  voidShare: Estimate.nullable(),
  packsMl: z.array(Pack),
  /** The adhesive that it is bought as; nothing said for what is bought by its own packages. */
  adhesiveId: adhesiveRef.optional(),
  /** How long it keeps, closed and once opened; nothing said for what keeps. */
  life: Life.optional(),
});

/** How much of it goes on. */
const Spread = z.discriminatedUnion('by', [
  /** A film of stated thickness over a surface whose relief adds to the plan area. */
  z.strictObject({ by: z.literal('film'), filmMm: Estimate, relief: Estimate }),
  z.strictObject({ by: z.literal('rate'), mlPerM2: Estimate }),
  z.strictObject({ by: z.literal('mass'), gPerM2: Estimate }),
  z.strictObject({ by: z.literal('coverage'), m2PerL: Estimate }),
  /** Fills the depth that the plan gives the water. */
  z.strictObject({ by: z.literal('depth'), maxPourMm: positive }),
  /** Set down one by one, so many to the square metre, each of a size between two. */
  z.strictObject({ by: z.literal('count'), perM2: Estimate, sizeMm: z.strictObject({ least: positive, most: positive }), gEach: Estimate }),
  /** Along the edge of the surface: tape. */
  z.strictObject({ by: z.literal('edge') }),
]);

/** Colour of the real stuff in daylight, as a screen shows it. */
export const Hex = z.string().regex(/^#[0-9a-f]{6}$/, 'expected a colour such as #7a6f52');

export const Coating = z.strictObject({
  id: Id,
  name: Name,
  family: z.enum(['texture', 'grain', 'sealer', 'paint', 'planting', 'mask', 'water', 'varnish']),
  spread: Spread,
  lossPct: Estimate,
  densityGPerMl: Estimate,
  /** Share of the wet mass that stays on the board. */
  solidsPct: Estimate,
  drying: z.strictObject({
    how: z.enum(['water', 'chemical']),
    touchMin: positive,
    recoatMin: Estimate,
    /** Firm enough to carve or to build on, still damp; as soon as it is touch-dry where nothing is said. */
    firmMin: Estimate.optional(),
    /** Dry to its ground; null where that is as soon as the next coat may go on. */
    throughMin: positive.nullable(),
    /** The next coat of the same goes on within so long or only after it has waited; null where it may go on any time once dry. */
    again: z.strictObject({ withinMin: positive, orAfterMin: positive }).nullable(),
    cureMin: positive,
    /** Film the times are stated for, and the power by which they grow; null where the film is always thin. */
    perFilm: z.strictObject({ refMm: positive, power: z.number().min(1).max(2) }).nullable(),
    /** How much faster a chemical setter is 10 °C warmer; 1 where warmth does not matter. */
    speedPer10C: z.number().min(1).max(4),
  }),
  minC: z.number().nullable(),
  /** What it is mixed of, in the order it goes into the bowl; null where it is used as it comes. */
  recipe: z
    .strictObject({
      by: z.enum(['volume', 'mass']),
      parts: z.array(z.strictObject({ stuffId: stuffRef, parts: positive })).min(1),
      /** Drops of tint to 100 ml; 0 for none. */
      tintDropsPer100Ml: notNegative,
    })
    .nullable(),
  potLifeMin: Estimate.nullable(),
  /** As long after it was put on things can be pressed into it; null for what holds nothing. */
  workableMin: Estimate.nullable(),
  /** What it is sold by; nothing where its parts are bought. */
  sold: z.strictObject({ by: z.enum(['ml', 'g', 'each', 'm']), packs: z.array(Pack) }),
  /** How long it keeps, closed and once opened; nothing said for what keeps. */
  life: Life.optional(),
  cautionIds: z.array(cautionRef),
  /** Eats bare polystyrene foam until something covers it. */
  hasSolvent: z.boolean(),
  /** Water-borne and soaking: it wets the face it goes on. */
  wets: z.boolean(),
  /** Closes the face, so that neither solvent nor a pour goes through. */
  seals: z.boolean(),
  /** Its own look must stay: nothing coloured goes over it. */
  staysBare: z.boolean(),
  /** How big its grains are; null for what has none to see. */
  grainMm: z.strictObject({ least: positive, most: positive }).nullable(),
  /** A grain of the same use that is finer; null for none. */
  finerId: coatingRef.nullable(),
  /** Looked after while it dries: so often, so long each time, over so much time. */
  tended: z.strictObject({ what: z.string().min(1).max(80), everyMin: positive, takesMin: positive, forMin: positive }).nullable(),
  /** Its colour as it dries, where it has one of its own; how well a full coat hides what is under it; how glossy it dries. */
  look: z.strictObject({ hex: Hex.nullable(), hides: z.number().min(0).max(1), gloss: z.number().min(0).max(1) }),
  /** How a dry film of it pulls: its stiffness and what it shrinks by; null for what lays no film to speak of. */
  pull: z.strictObject({ youngMPa: Estimate, shrinkagePct: Estimate }).nullable(),
});

const share = z.number().min(-1).max(1);
/** Where a method leaves what it puts on, by the lie of the surface: how much everywhere, and how much more (or less) in hollows, on edges, on tops, facing up, in patches, in runs. */
const Lays = z.strictObject({
  all: share,
  hollows: share,
  edges: share,
  tops: share,
  up: share,
  joints: share,
  /** How thick it lies where it lies, in full coats. */
  film: z.number().min(0).max(1.5),
  /** Broken up by chance, 0 to 1, in patches of so many mm. */
  broken: z.number().min(0).max(1),
  patchMm: positive,
  /** Drawn out downwards, mm; 0 for none. */
  runsMm: notNegative,
});

/** Sorts of work on a surface, for the checks of order. */
export const COATING_WORK = [
  'paste',
  'grain',
  'embed',
  'press',
  'lock',
  'colour',
  'wash',
  'mask',
  'plant',
  'finish',
  'pour',
  'late',
] as const;

export const Method = z.strictObject({
  id: Id,
  name: Name,
  /** What is done, for the checks of order. */
  does: z.enum(COATING_WORK),
  m2PerH: Estimate,
  /** Things set down in an hour; null where area is what takes the time. */
  perH: Estimate.nullable(),
  /** Share of a full coat that it lays down. */
  coverShare: positive,
  setUpMin: positive,
  /** Place in the order of work; a lower rank must not come after a higher one. */
  rank: z.number().int().min(0).max(100),
  /** How what is under it has to be. */
  onto: z.enum(['any', 'dry', 'cured', 'wet', 'firm']),
  /** Blown on: it settles on everything near. */
  isSpray: z.boolean(),
  /** Heard through a wall: kept to the hours for noise. */
  isNoisy: z.boolean(),
  /** Done unit by unit, each a little otherwise. */
  isByUnit: z.boolean(),
  lays: Lays,
  cautionIds: z.array(cautionRef),
});

/** A made-up paint, by the colour it dries to. */
export const Paint = z.strictObject({ id: Id, name: Name, hex: Hex, tintingStrength: positive });

/** Units that ground is laid in. */
export const Pattern = z.strictObject({
  id: Id,
  name: Name,
  unitName: Name,
  unitsName: Name,
  bond: z.enum(['running', 'stacked', 'random-lengths', 'cobbles', 'fan']),
  /** What one of it measures in real life, along its course and across. */
  longMm: positive,
  wideMm: positive,
  jointMm: notNegative,
  /** How much sizes and corners stray, of the unit. */
  strays: z.number().min(0).max(0.4),
  m2PerH: Estimate,
});

const StarterCoat = z.strictObject({
  coatingId: coatingRef,
  methodId: methodRef,
  filmMm: positive.optional(),
  tint: z.array(z.strictObject({ paintId: paintRef, parts: z.number().int().positive() })).optional(),
  before: z.enum(['wet', 'dry', 'cured']).optional(),
  coverPct: positive.optional(),
  goes: z.number().int().positive().optional(),
});
export const StarterCoats = z.array(StarterCoat).min(1);
export const StarterSurface = z.strictObject({
  id: Id,
  name: Name,
  relief: z.enum(RELIEFS),
  patternId: patternRef.nullable(),
  coats: StarterCoats,
});

export type Stuff = z.infer<typeof Stuff>;
export type Coating = z.infer<typeof Coating>;
export type Method = z.infer<typeof Method>;
export type Paint = z.infer<typeof Paint>;
export type Pattern = z.infer<typeof Pattern>;
export type StarterSurface = z.infer<typeof StarterSurface>;
