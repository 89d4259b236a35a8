import { z } from 'zod';
import type { Point, Region } from '../../base/geometry';
import type { DeepReadonly } from '../../base/readonly';
import type { Figure } from '../../base/units';
import type { Catalogue } from '../../catalogue';
import { Id, text } from '../fields';
import { AreaSchema, type Contours, type Shape, type Strip, StripSchema } from '../shapes';
import type { FeatureField } from './fields';
import type { FeatureMarks } from './marks';
import type { Settled, Stretch } from './role';

/** What every feature has, whatever its kind. */
const common = {
  id: Id,
  name: text(60),
  /** Held still: neither dragged nor reshaped until let go. */
  locked: z.boolean(),
  /** Not drawn on the plan; reckoned all the same. */
  hidden: z.boolean(),
  /** A named surface that it wears in place of the usual one of its kind of ground; null for the usual. */
  surfaceId: Id.nullable(),
};
export const anywhere = common;
export const overAnArea = { ...common, shape: AreaSchema };
export const alongALine = { ...common, shape: StripSchema };

/** What a feature has for all to see, whatever its kind. */
export interface AnyFeature {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly locked: boolean;
  readonly hidden: boolean;
  readonly surfaceId: string | null;
  readonly shape: Shape;
}
/** Something a feature needs that is bought by the piece. */
export interface BoughtPiece {
  readonly id: string;
  readonly name: string;
  readonly priceMinor: number;
  readonly count: number;
}
type Heights = (point: Point) => number;

/**
 * Everything one kind of feature is: how it is written down, drawn, asked for, and what it does to the ground. All that differs from kind to kind
 * stands in its own file of `kinds/`; no other file knows a kind by name.
 */
export interface FeatureKindOf<F extends AnyFeature> {
  readonly name: string;
  /** Drawn corner by corner, along a middle line, from a middle outwards, or as contours. */
  readonly drawnAs: 'area' | 'strip' | 'round' | 'contours';
  /** Where it is drawn along a line: how wide it begins, and how much its bends are rounded. */
  readonly strip?: { readonly widthMm: number; readonly bendMm: number };
  readonly fresh: (shape: Shape, catalogue: Catalogue) => Omit<F, keyof Omit<AnyFeature, 'shape'>>;
  readonly fields: readonly FeatureField[];
  /** What it comes to on the ground. @param regionOf the ground a shape covers */
  readonly stretches: (feature: F, region: Region, regionOf: (shape: Shape) => Region) => readonly Stretch[];

  /** Dug into the ground: `waterMm` stands over its deepest floor. */
  readonly sunk?: (feature: F) => {
    readonly depthMm: number;
    readonly cutThrough: boolean;
    readonly waterMm: number | null;
    readonly isBowl: boolean;
  };
  /** Height of its own surface over the ground; level where left out. One description serves the section, the height field and every check. */
  readonly profile?: (feature: F, settled: Settled) => Heights | null;
  /** What lies on the ground above it. */
  readonly overlay?: (feature: F, settled: Settled) => Heights | null;
  /** Closed lines within its outline along which its surface bends or breaks: bodies are built along them. Left out where it is level or slopes evenly. */
  readonly bends?: (feature: F, settled: Settled) => readonly Region[];
  /** Carved to its height, so that stock layers need not come to it. */
  readonly isCarved?: true;
  /** Mean height of its upright faces where that is not its level over its foot, in words what that is. */
  readonly faces?: (feature: F, settled: Settled) => { readonly heightMm: number; readonly note: string } | null;
  /** How much of a box over its footprint its foam or hole is. */
  readonly boxShare?: (feature: F, settled: Settled) => { readonly share: number; readonly note: string } | null;
  /** Paste heaped over the film of the surface it lies on. */
  readonly heaped?: (feature: F, name: string) => Figure<'mm³'> | null;
  /** Junctions with others of its kind are rounded by this radius; 0 for none. */
  readonly junctionMm?: (feature: F) => number;
  /** How high something stands there, in the way of figures and eyes. */
  readonly standsMm?: (feature: F) => number;
  /** What runs along its edge, in words that differ where it does. */
  readonly edging?: (feature: F) => string;
  /** A deck at ground level over whatever lies under it. */
  readonly isDeck?: (feature: F) => boolean;
  /** A level place kept for something loose to stand on. */
  readonly isPlot?: true;
  /** The piece that stands on it, how far it is turned, and the feature as high as that piece. */
  readonly carries?: {
    readonly pieceId: (feature: F) => string | null;
    readonly turnDeg: (feature: F) => number;
    readonly carrying: (feature: F, heightMm: number) => F;
  };
  /** To stay free of anything fixed. */
  readonly staysFree?: true;
  /** A patch over whatever ground shows there: how far it fades out. */
  readonly patch?: (feature: F) => { readonly softMm: number };
  /** Cut into the ground for a cable. */
  readonly isGroove?: true;
  /** Looks broken where it stops at a seam. */
  readonly runsOn?: true;

  readonly marks?: (feature: F) => FeatureMarks;
  /** Edges drawn inside its outline. */
  readonly innerEdges?: (feature: F, region: Region) => readonly Region[];
  /** Drawn after everything of a lower rank; over raised ground from 10 000 on. */
  readonly rank: (feature: F) => number;
  /** How its surface is hatched; null where it is left as it is. */
  readonly hatch: (feature: F) => Hatch | null;
  /** What else turns when it is turned or mirrored. @param turn degrees before to degrees after */
  readonly turned?: (feature: F, turn: (deg: number) => number) => Partial<F>;

  /** Figures that only its kind has. @param surface null where it shows none; @param ground foam under it */
  readonly figures?: (
    feature: F,
    of: { readonly surface: Figure<'mm²'> | null; readonly ground: Figure<'mm'>; readonly catalogue: Catalogue },
  ) => readonly Figure[];
  readonly bought?: (feature: F, catalogue: Catalogue) => readonly BoughtPiece[];
  /** The feature at another height over the ground, or sunk to another depth; null where it cannot be. */
  readonly atLevel?: (feature: F, levelMm: number) => F | null;
  /** The feature with the height over its foot that stock layers make. @param baseMm its foot over the ground */
  readonly asBuilt?: (
    feature: F,
    baseMm: number,
    builtMm: number,
  ) => { readonly feature: F; readonly words: 'height' | 'step'; readonly mm: number };
}
export type Hatch = 'raised' | 'raised-more' | 'pit' | 'route' | 'ramp' | 'plot' | 'field' | 'wall' | 'water' | 'patch';

/** Ranks over all raised ground: surfaces, what is sunk through them, plots, walls, lights, and what is only an intention. */
export const RANK = { surface: 10_000, sunk: 20_000, plot: 30_000, standing: 40_000, light: 50_000, mark: 60_000 } as const;

/** A kind with its name in the document and its schema. */
export interface FeatureKindDefinition<K extends string, S extends z.ZodType> {
  readonly kind: K;
  readonly schema: S;
  readonly of: FeatureKindOf<DeepReadonly<z.infer<S>> & AnyFeature>;
}

/** Defines a kind of feature. @param schema with `kind` as a literal; @param of all that is its own */
export const featureKind = <K extends string, S extends z.ZodType<{ kind: K }>>(
  kind: K,
  schema: S,
  of: FeatureKindOf<DeepReadonly<z.infer<S>> & AnyFeature>,
): FeatureKindDefinition<K, S> => ({ kind, schema, of });

/** A shape that covers an area. @throws TypeError for contours (our bug: the tool decides the form) */
export function areaOf(shape: Shape): Exclude<Shape, Contours> {
  if (shape.form === 'contours') throw new TypeError('only a hill has contours');
  return shape;
}
/** A shape along a line. @throws TypeError for any other */
export function stripOf(shape: Shape): Strip {
  if (shape.form !== 'strip') throw new TypeError(`drawn along a line, got ${shape.form}`);
  return shape;
}
/** The one stretch of a feature that is all of it. */
export const whole = (role: Stretch['role'], groundKind: Stretch['groundKind'], levelMm: number, region: Region): readonly Stretch[] => [
  { role, groundKind, levelMm, region, part: null },
];
