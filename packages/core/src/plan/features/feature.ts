import { z } from 'zod';
import type { DeepReadonly } from '../../base/readonly';
import type { FeatureKindOf } from './kind';
import { bank, clear, crater, field, hill, light, patch, pit, plot, raised, ramp, route, wall, water } from './kinds';

/** Every kind of feature there is. A new kind is a file of its own and a name here. */
const KINDS = { raised, hill, bank, ramp, pit, water, crater, route, wall, plot, field, patch, clear, light };

export type FeatureKind = keyof typeof KINDS;
export const FEATURE_KINDS = Object.keys(KINDS) as readonly FeatureKind[];

type AnySchema = (typeof KINDS)[FeatureKind]['schema'];
/** Everything that can lie on the ground. Heights and depths count from the top of the ground foam. */
export const FeatureSchema = z.discriminatedUnion('kind', Object.values(KINDS).map(({ schema }) => schema) as [AnySchema, ...AnySchema[]]);

export type FeatureDraft = z.infer<typeof FeatureSchema>;
export type Feature = DeepReadonly<FeatureDraft>;
export type FeatureOf<K extends FeatureKind> = Extract<Feature, { kind: K }>;

/** What its kind says of a feature. */
export const kindOf = <F extends Feature>({ kind }: F): FeatureKindOf<F> => KINDS[kind].of as unknown as FeatureKindOf<F>;
/** What is to be known of a kind before there is a feature of it. */
export const kindNamed = (kind: FeatureKind): FeatureKindOf<Feature> => KINDS[kind].of as unknown as FeatureKindOf<Feature>;

/** What a feature digs out of the ground; null for one that digs nothing. */
export const sunkBy = (feature: Feature): ReturnType<NonNullable<FeatureKindOf<Feature>['sunk']>> | null =>
  kindOf(feature).sunk?.(feature) ?? null;

/** The piece that stands on a feature; null for most. */
export const pieceOn = (feature: Feature): string | null => kindOf(feature).carries?.pieceId(feature) ?? null;
/** How far that piece is turned, in degrees clockwise on the plan. */
export const pieceTurnOn = (feature: Feature): number => kindOf(feature).carries?.turnDeg(feature) ?? 0;
/** The feature as high as the piece on it. */
export const carrying = (feature: Feature, heightMm: number): Feature => kindOf(feature).carries?.carrying(feature, heightMm) ?? feature;
